import { valueAt } from './lists';
import type { Subdivision } from './subdivision';

/** How a path covers: by its winding number not being zero, or being odd; a line covers nothing. */
export type CoverRule = 'nonzero' | 'evenodd' | 'line';

/** A path of the arrangement, as the cover needs it. */
export interface CoverPath {
  readonly rule: CoverRule;
  /** The copy set that it belongs to: a member covers where any of its paths does. */
  readonly member: number;
}

const LINE = 0;
const NONZERO = 1;
const EVEN_ODD = 2;

/** A fixed scrambling of integers (the finisher of a multiplicative hash). */
function scrambled(value: number): number {
  let x = Math.imul(value + 0x7f4a7c15, 0x2c1b3c6d);
  x = Math.imul(x ^ (x >>> 15), 0x297a2d39);
  return x ^ (x >>> 15);
}

/** The winding numbers of every copy of every path at one place that moves from face to face. */
export class Windings {
  /** By path and element. */
  readonly numbers: Int32Array;
  /** How many copies of each member cover the place. */
  readonly depth: Int32Array;
  /** Equal where the same copies of the same paths wind in the same way. */
  signature = 0;
  private readonly covering: Int32Array;
  private readonly rules: Uint8Array;
  private readonly memberOf: Int32Array;
  private readonly order: number;

  constructor(
    private readonly subdivision: Subdivision,
    paths: readonly CoverPath[],
    members: number,
  ) {
    this.order = subdivision.group.order;
    this.numbers = new Int32Array(paths.length * this.order);
    this.covering = new Int32Array(members * this.order);
    this.depth = new Int32Array(members);
    this.rules = Uint8Array.from(paths, ({ rule }) =>
      rule === 'line' ? LINE : rule === 'nonzero' ? NONZERO : EVEN_ODD,
    );
    this.memberOf = Int32Array.from(paths, ({ member }) => member);
  }

  /** Changes the winding number of one copy of one path. */
  change(path: number, element: number, by: number): void {
    const slot = path * this.order + element;
    const rule = valueAt(this.rules, path);
    const before = valueAt(this.numbers, slot);
    this.numbers[slot] = before + by;
    this.signature = (this.signature + Math.imul(by, scrambled(slot))) | 0;
    const gained = covers(rule, before + by) - covers(rule, before);
    if (gained === 0) return;
    const member = valueAt(this.memberOf, path);
    const held = valueAt(this.covering, member * this.order + element);
    this.covering[member * this.order + element] = held + gained;
    if (held === 0) this.depth[member] = valueAt(this.depth, member) + 1;
    else if (held + gained === 0) this.depth[member] = valueAt(this.depth, member) - 1;
  }

  /** Moves across a half-edge from its left to its right (way 1) or back (way −1). */
  step(half: number, way: number): void {
    const { edges } = this.subdivision;
    const edge = this.subdivision.edgeOf(half);
    for (let use = edges.firstUses.at(edge); use >= 0; use = edges.useNext.at(use)) {
      const path = edges.sources.path(edges.useSources.at(use));
      if (valueAt(this.rules, path) === LINE) continue;
      // To the left of a curve, along it, its winding number is larger by one than to the right.
      const by = edges.useTo.at(use) > edges.useFrom.at(use) ? -way : way;
      this.change(path, edges.useElements.at(use), half % 2 === 1 ? -by : by);
    }
  }

  /** Adds to each number. */
  add(changes: Int32Array): void {
    for (let slot = 0; slot < changes.length; slot += 1) {
      const by = valueAt(changes, slot);
      if (by !== 0) this.change(Math.floor(slot / this.order), slot % this.order, by);
    }
  }

  /** Moves to a place where the numbers are known. */
  moveTo(numbers: Int32Array): void {
    this.add(numbers.map((value, slot) => value - valueAt(this.numbers, slot)));
  }
}

const covers = (rule: number, winding: number): number =>
  rule === NONZERO ? (winding === 0 ? 0 : 1) : rule === EVEN_ODD ? winding & 1 : 0;
