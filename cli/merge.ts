import { writeFile } from 'node:fs/promises';
import { parseArgs } from 'node:util';

import { compose, moveMap, turnMap } from '../src/core/curve/affine';
import { mapPath } from '../src/core/curve/path';
import { svgOfMerge } from '../src/core/format/mergeSvg';
import { readSvg, UnreadableSvg, type SvgShape } from '../src/core/format/readSvg';
import { mergeNow, type Merged } from '../src/core/merge/engine';
import type { MergeOperation, MergeShape } from '../src/core/merge/merge';
import { NO_TURN, turnFromDegrees, type Turn } from '../src/core/number/turn';
import { readText, wholeNumber, WrongCall } from './call';

export const MERGE_USAGE = `       cyclogon merge MOTIF.svg --fold N --op union|intersection|exclusion|cells [options]

  --fold N         copies about the centre, 1 to 720
  --mirror         each reflected as well, about the axis that points straight up from the centre
  --centre X,Y     the centre, in the coordinates of the file (0,0)
  --start DEG      turns the whole, in degrees clockwise (0)
  --rule R         how paths cover: nonzero or evenodd (as each path says)
  --out FILE       writes the result as SVG
  --facts          prints counts and measures as one JSON object`;

const OPERATIONS: Readonly<Record<string, MergeOperation>> = {
  union: 'union',
  intersection: 'intersection',
  exclusion: 'exclusion',
  cells: 'divide',
};

interface MergeCall {
  readonly file: string;
  readonly fold: number;
  readonly mirror: boolean;
  readonly centre: { readonly x: number; readonly y: number };
  readonly start: Turn;
  readonly op: string;
  readonly rule: 'nonzero' | 'evenodd' | null;
  readonly out: string | null;
  readonly facts: boolean;
}

const NUMBER = String.raw`[-+]?(?:\d+\.?\d*|\.\d+)(?:e[-+]?\d+)?`;

function readCall(args: string[]): MergeCall {
  let parsed;
  try {
    parsed = parseArgs({
      args: args.map((arg, k) => (/^--(centre|start)$/.test(args[k - 1] ?? '') ? `\u0000${arg}` : arg)),
      allowPositionals: true,
      options: {
        fold: { type: 'string' },
        mirror: { type: 'boolean', default: false },
        centre: { type: 'string' },
        start: { type: 'string' },
        op: { type: 'string' },
        rule: { type: 'string' },
        out: { type: 'string' },
        facts: { type: 'boolean', default: false },
      },
    });
  } catch (error) {
    throw new WrongCall(error instanceof Error ? error.message : 'The options could not be read.');
  }
  const { values, positionals } = parsed;
  const [file, ...rest] = positionals;
  if (file === undefined || rest.length > 0) throw new WrongCall('Name one SVG file with the motif.');
  const centre = (values.centre ?? '0,0').replace('\u0000', '');
  const pair = new RegExp(`^(${NUMBER}),(${NUMBER})$`, 'i').exec(centre);
  if (!pair) throw new WrongCall(`--centre is two numbers with a comma, not “${centre}”.`);
  const start = (values.start ?? '0').replace('\u0000', '');
  if (!new RegExp(`^${NUMBER}$`, 'i').test(start) || Math.abs(Number(start)) > 1e6)
    throw new WrongCall(`--start is a number of degrees, not “${start}”.`);
  if (values.op === undefined || !(values.op in OPERATIONS))
    throw new WrongCall(
      `--op is union, intersection, exclusion or cells${values.op ? `, not “${values.op}”` : ''}.`,
    );
  const { rule } = values;
  if (rule !== undefined && rule !== 'nonzero' && rule !== 'evenodd')
    throw new WrongCall(`--rule is nonzero or evenodd, not “${rule}”.`);
  if (values.out === undefined && !values.facts)
    throw new WrongCall('Say what you want of it: --out FILE, --facts, or both.');
  return {
    file,
    fold: wholeNumber(values.fold, '--fold', 1, 720, null),
    mirror: values.mirror,
    centre: { x: Number(pair[1]), y: Number(pair[2]) },
    start: turnFromDegrees(Number(start)),
    op: values.op,
    rule: rule ?? null,
    out: values.out ?? null,
    facts: values.facts,
  };
}

/** What a drawn shape takes part with: its area, and where lines count the lines of its stroke. */
function motifOf(shapes: readonly SvgShape[], call: MergeCall): MergeShape[] {
  const toCentre = moveMap({ x: -call.centre.x, y: -call.centre.y });
  return shapes.flatMap(({ paths, filled, stroked, rule }) => {
    const moved = paths.map((path) => mapPath(path, toCentre));
    const own = call.rule ?? rule;
    const area = filled ? [{ paths: moved.map((path) => ({ ...path, closed: true })), rule: own }] : [];
    const lines =
      stroked && !filled && call.op === 'cells'
        ? [{ paths: moved.map((path) => ({ ...path, closed: false })), rule: own }]
        : [];
    return [...area, ...lines];
  });
}

function factsOf({ facts, kinds }: Merged, { op, fold, mirror }: MergeCall): string {
  const { loops, segments, nodes, area, cells, slivers, milliseconds } = facts;
  const ms = Math.round(milliseconds * 1000) / 1000;
  return JSON.stringify({ op, fold, mirror, loops, segments, nodes, area, cells, kinds, slivers, ms });
}

/** Merges the copies of a motif from a file. @throws WrongCall, UnreadableSvg, MergeFailed, Error */
export async function mergeFile(args: string[]): Promise<void> {
  const call = readCall(args);
  let shapes;
  try {
    shapes = readSvg(await readText(call.file));
  } catch (error) {
    if (error instanceof UnreadableSvg) throw new Error(`“${call.file}”: ${error.message}`, { cause: error });
    throw error;
  }
  const merged = mergeNow({
    op: OPERATIONS[call.op] ?? 'union',
    among: 'copies',
    quality: 'full',
    operands: [{ fold: call.fold, mirror: call.mirror, start: NO_TURN, shapes: motifOf(shapes, call) }],
  });
  if (call.out !== null) {
    const place = compose(moveMap(call.centre), turnMap(call.start));
    await writeFile(call.out, svgOfMerge(merged.parts, place, call.op === 'cells' ? 'lines' : 'areas'));
  }
  if (call.facts) console.log(factsOf(merged, call));
}
