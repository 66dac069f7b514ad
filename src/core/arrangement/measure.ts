import type { Edges } from './edges';
import { valueAt } from './lists';
import { rootBetween } from '@/core/number';
import type { Regions } from './regions';
import type { Subdivision } from './subdivision';

/** Areas and lengths of the faces of a sector, from the true curves. */
export interface FaceMeasures {
  readonly area: Float64Array;
  /** Length of the drawn border by its chords. */
  readonly border: Float64Array;
}

/** Least and greatest distance of each face's drawn border from the centre. */
export interface FaceReaches {
  readonly inner: Float64Array;
  readonly outer: Float64Array;
}

/** Least and greatest distance of an edge from the centre, left in `reach`. */
const reach = { inner: 0, outer: 0 };

function reachOfEdge(edges: Edges, edge: number): void {
  const { sources, vertices } = edges;
  const use = edges.firstUses.at(edge);
  const a = Math.hypot(vertices.xs.at(edges.starts.at(edge)), vertices.ys.at(edges.starts.at(edge)));
  const b = Math.hypot(vertices.xs.at(edges.ends.at(edge)), vertices.ys.at(edges.ends.at(edge)));
  reach.inner = Math.min(a, b);
  reach.outer = Math.max(a, b);
  if (use < 0) return;
  const source = edges.useSources.at(use);
  const element = edges.useElements.at(use);
  const from = edges.useFrom.at(use);
  const to = edges.useTo.at(use);
  const receding = (t: number): number => {
    sources.evaluate(source, element, t);
    return sources.x * sources.dx + sources.y * sources.dy;
  };
  const f0 = receding(from);
  const f1 = receding(to);
  if (f0 > 0 === f1 > 0) return;
  const t = rootBetween(receding, from, to, f0, f1);
  sources.evaluate(source, element, t);
  const r = Math.hypot(sources.x, sources.y);
  reach.inner = Math.min(reach.inner, r);
  reach.outer = Math.max(reach.outer, r);
}

export function measureFaces(subdivision: Subdivision): FaceMeasures {
  const { edges, vertices, faceCount } = subdivision;
  const { sources } = edges;
  const area = new Float64Array(faceCount);
  const border = new Float64Array(faceCount);
  const count = subdivision.live.length;
  for (let k = 0; k < count; k += 1) {
    const edge = subdivision.live.at(k);
    const u = edges.starts.at(edge);
    const v = edges.ends.at(edge);
    const x0 = vertices.xs.at(u);
    const y0 = vertices.ys.at(u);
    const x1 = vertices.xs.at(v);
    const y1 = vertices.ys.at(v);
    const use = edges.firstUses.at(edge);
    const bulge =
      use < 0
        ? 0
        : sources.doubleBulge(
            edges.useSources.at(use),
            edges.useElements.at(use),
            edges.useFrom.at(use),
            edges.useTo.at(use),
          );
    const under = (x0 * y1 - y0 * x1 + bulge) / 2;
    const length = use < 0 ? 0 : Math.sqrt((x1 - x0) * (x1 - x0) + (y1 - y0) * (y1 - y0));
    for (let side = 0; side < 2; side += 1) {
      const f = valueAt(subdivision.face, 2 * k + side);
      if (f < 0) continue;
      area[f] = valueAt(area, f) + (side === 0 ? under : -under);
      border[f] = valueAt(border, f) + length;
    }
  }
  return { area, border };
}

export function reachesOfFaces(subdivision: Subdivision): FaceReaches {
  const { edges, faceCount } = subdivision;
  const inner = new Float64Array(faceCount).fill(Infinity);
  const outer = new Float64Array(faceCount);
  for (let h = 0; h < subdivision.halfEdgeCount; h += 1) {
    if (subdivision.isArtificial(h)) continue;
    if (h % 2 === 0) reachOfEdge(edges, subdivision.edgeOf(h));
    const f = valueAt(subdivision.face, h);
    if (f < 0) continue;
    inner[f] = Math.min(valueAt(inner, f), reach.inner);
    outer[f] = Math.max(valueAt(outer, f), reach.outer);
  }
  return { inner, outer };
}

/**
 * The direction in which the cells of each kind lie, as an angle within one sector: 0 on the near wall, π on the other side of it (with a
 * mirror the far wall). Cells that a wall cuts in two have the direction of the whole. It follows from the middles of their edges, each as much
 * as it is long.
 */
export function directionsOf(subdivision: Subdivision, kinds: Regions): Float64Array {
  const { vertices, group } = subdivision;
  const [x, y] = [new Float64Array(kinds.count), new Float64Array(kinds.count)];
  for (let h = 0; h < subdivision.halfEdgeCount; h += 1) {
    const f = valueAt(subdivision.face, h);
    if (f < 0 || subdivision.isArtificial(h)) continue;
    const [u, v] = [subdivision.origin(h), subdivision.origin(h ^ 1)];
    const [dx, dy] = [vertices.xs.at(v) - vertices.xs.at(u), vertices.ys.at(v) - vertices.ys.at(u)];
    const angle = group.fold * Math.atan2(vertices.xs.at(u) + dx / 2, -(vertices.ys.at(u) + dy / 2));
    const kind = valueAt(kinds.of, f);
    x[kind] = valueAt(x, kind) + Math.hypot(dx, dy) * Math.cos(angle);
    y[kind] = valueAt(y, kind) + Math.hypot(dx, dy) * Math.sin(angle);
  }
  // From just below 0 to just below a whole turn, so that what lies at 0 but for rounding comes first.
  return x.map((cos, kind) => {
    const angle = Math.atan2(valueAt(y, kind), cos);
    return angle < -1e-6 ? angle + 2 * Math.PI : angle;
  });
}

/** True where a face holds the centre of the figure inside it, by the chords of its border (C_1 only). */
export function holdsCentre(subdivision: Subdivision, face: number): boolean {
  const { vertices } = subdivision;
  let inside = false;
  for (let h = 0; h < subdivision.halfEdgeCount; h += 1) {
    if (valueAt(subdivision.face, h) !== face || valueAt(subdivision.face, h ^ 1) === face) continue;
    const u = subdivision.origin(h);
    const v = subdivision.origin(h ^ 1);
    const y0 = vertices.ys.at(u);
    const y1 = vertices.ys.at(v);
    if (y0 <= 0 === y1 <= 0) continue;
    const x = vertices.xs.at(u) + ((vertices.xs.at(v) - vertices.xs.at(u)) * -y0) / (y1 - y0);
    if (x < 0) inside = !inside;
  }
  return inside;
}
