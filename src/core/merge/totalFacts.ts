import type { MergeFacts } from './merge';

/** The facts of several results together: counts, area and time add up; null of none. */
export function totalFacts(list: readonly MergeFacts[]): MergeFacts | null {
  const [first, ...rest] = list;
  if (!first) return null;
  return rest.reduce(
    (sum, each) => ({
      loops: sum.loops + each.loops,
      nodes: sum.nodes + each.nodes,
      area: sum.area + each.area,
      segments: {
        line: sum.segments.line + each.segments.line,
        arc: sum.segments.arc + each.segments.arc,
        cubic: sum.segments.cubic + each.segments.cubic,
      },
      cells: sum.cells === null || each.cells === null ? null : sum.cells + each.cells,
      kinds: sum.kinds === null || each.kinds === null ? null : sum.kinds + each.kinds,
      slivers: sum.slivers + each.slivers,
      milliseconds: sum.milliseconds + each.milliseconds,
    }),
    first,
  );
}
