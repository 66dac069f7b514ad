import type { Progress, SentTask, TaskKind } from '@/core/derive';
import type { Result } from '@/core/finding';
import { BENT } from '@/core/bend';
import { BANDS, MERGED, NESTED, OFFSET, STACKED } from '@/core/merge';
import { READ_DXF } from '@/core/format/dxf/read';
import { READ_SVG } from '@/core/format/svg/read';
import { REBUILD } from '@/core/rebuild';
import { NEST } from '@/core/maker';

/** Every kind of task that another thread can do; a new one is a line here. */
const KINDS = [
  MERGED,
  BANDS,
  OFFSET,
  BENT,
  NEST,
  NESTED,
  STACKED,
  READ_SVG,
  READ_DXF,
  REBUILD,
] as readonly TaskKind<never, unknown>[];

const BY_NAME: ReadonlyMap<string, TaskKind<never, unknown>> = new Map(
  KINDS.map((kind) => [kind.name, kind]),
);

/** Does a task that came from another thread. @throws RangeError for a kind that is none */
export function doSent({ kind: name, input }: SentTask, progress?: Progress): Result<unknown> {
  const kind = BY_NAME.get(name);
  if (!kind) throw new RangeError(`There is no kind of task “${name}”.`);
  return kind.run(input as never, progress);
}
