/**
 * What cells of a divided round are painted with, kind by kind: so painting one kind leaves what is said of the others as it is.
 *
 * @example
 * paintOfRef(round.merge.cells.paints, 'k3@2');   // that of the third cell of the kind k3, or what all of k3 has
 */
import type { Paint } from '@/core/scene';
import type { CellPaints, CellRef, KindPaints } from './model';

/** The kind that a reference is to. */
export function kindKey(ref: CellRef): string {
  const at = ref.indexOf('@');
  return at < 0 ? ref : ref.slice(0, at);
}

/** The place in the row of its kind that a reference is to; null where it is to all of the kind. */
export function placeOfRef(ref: CellRef): string | null {
  const at = ref.indexOf('@');
  return at < 0 ? null : ref.slice(at + 1);
}

/** What a kind says of the cell at a place. */
const paintAt = (kind: KindPaints | undefined, place: string | null): Paint | undefined =>
  (place === null ? undefined : kind?.single?.[place]) ?? kind?.all;

/** What was said of one cell, or of its kind. */
export const paintOfRef = (paints: CellPaints, ref: CellRef): Paint | undefined =>
  paintAt(paints[kindKey(ref)], placeOfRef(ref));

/** A kind's paints; nothing where nothing is said. */
export function kindPaints(
  all: Paint | undefined,
  single: Readonly<Record<string, Paint>>,
): KindPaints | null {
  const some = Object.keys(single).length > 0;
  return all || some ? { ...(all && { all }), ...(some && { single }) } : null;
}

/** All paints of cells, those of single ones too. */
export const allPaints = (paints: CellPaints): Paint[] =>
  Object.values(paints).flatMap(({ all, single }) => [...(all ? [all] : []), ...Object.values(single ?? {})]);

/** References to all kinds and cells of which something is said. */
export const paintedRefs = (paints: CellPaints): CellRef[] =>
  Object.entries(paints).flatMap(([key, { all, single }]) => [
    ...(all ? [key] : []),
    ...Object.keys(single ?? {}).map((place) => `${key}@${place}`),
  ]);

/** Each paint as something else. */
export const mappedPaints = (paints: CellPaints, change: (paint: Paint) => Paint): CellPaints =>
  Object.fromEntries(
    Object.entries(paints).map(([key, { all, single }]): [string, KindPaints] => [
      key,
      {
        ...(all && { all: change(all) }),
        ...(single && {
          single: Object.fromEntries(Object.entries(single).map(([place, paint]) => [place, change(paint)])),
        }),
      },
    ]),
  );

/** What is said of some references alone. */
export function paintsOf(entries: Iterable<readonly [CellRef, Paint]>): CellPaints {
  const found = new Map<string, { all: Paint | undefined; readonly single: Record<string, Paint> }>();
  for (const [ref, paint] of entries) {
    const [key, place] = [kindKey(ref), placeOfRef(ref)];
    const kind = found.get(key) ?? { all: undefined, single: {} };
    found.set(key, kind);
    if (place === null) kind.all = paint;
    else kind.single[place] = paint;
  }
  return Object.fromEntries(
    [...found].flatMap(([key, { all, single }]) => {
      const kind = kindPaints(all, single);
      return kind ? [[key, kind]] : [];
    }),
  );
}

/** Of what is said only what is of some references. */
export const keptPaints = (paints: CellPaints, stays: (ref: CellRef) => boolean): CellPaints =>
  paintsOf(
    paintedRefs(paints).flatMap((ref): [CellRef, Paint][] => {
      const paint = paintOfRef(paints, ref);
      return paint && stays(ref) ? [[ref, paint]] : [];
    }),
  );
