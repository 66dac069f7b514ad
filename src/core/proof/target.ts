/**
 * What a figure is for, which says what is looked for, and how strictly.
 *
 * @example
 * checksOf(targetOf(figure, 'stencil')); // each check that it asks for, with its limits
 */
import { CHECKS, checkOf } from './checks';
import type { Check, Limits } from './check';
import type { OwnTarget } from '@/core/figure';

export interface Target {
  readonly id: string;
  readonly name: string;
  readonly about: string;
  /** The limits of each check that it asks for, where they are others than the check's own. */
  readonly checks: Readonly<Record<string, Limits>>;
}

/** What every target asks for. */
const ALWAYS: Readonly<Record<string, Limits>> = {
  residual: {},
  closure: {},
  neighbours: {},
  stacked: {},
  openFilled: {},
  nearEnds: {},
  doubled: {},
  needlessNodes: {},
  idleHandles: {},
  specks: {},
  selfCrossing: {},
  hidden: {},
  beyondPage: {},
  offCentre: {},
  alternation: {},
};

/** What people look at. */
const SEEN: Readonly<Record<string, Limits>> = {
  ...ALWAYS,
  spikes: {},
  slivers: {},
  unpainted: {},
  samePaint: {},
  contrast: {},
  vision: {},
};

/** Widths and areas are common practice of their trades. */
export const TARGETS: readonly Target[] = [
  {
    id: 'screen',
    name: 'Screen',
    about: 'An icon or a picture on screens, down to 32 px.',
    checks: {
      ...SEEN,
      thinAtSize: {},
      gapAtSize: {},
    },
  },
  {
    id: 'print',
    name: 'Print',
    about: 'Printed on paper in process colours, with bleed.',
    checks: {
      ...SEEN,
      thin: {},
      gap: {},
      bleed: {},
      bandsTouch: {},
    },
  },
  {
    id: 'inks',
    name: 'Few inks',
    about: 'Printed in up to four inks of its own: one screen, stamp or plate for each.',
    checks: {
      ...ALWAYS,
      spikes: {},
      slivers: {},
      unpainted: {},
      inks: {},
      seeThrough: {},
      thin: {},
      gap: {},
      bleed: {},
      bandsTouch: {},
    },
  },
  {
    id: 'cutter',
    name: 'Cutter',
    about: 'Cut out of a sheet along closed lines.',
    checks: {
      ...ALWAYS,
      slivers: { area: 4 },
      seeThrough: {},
      openCuts: {},
      toolWidth: {},
      sharpInside: {},
      thin: { width: 1 },
    },
  },
  {
    id: 'stencil',
    name: 'Stencil',
    about: 'Cut out to be painted through: the sheet has to hold together.',
    checks: { ...ALWAYS, seeThrough: {}, openCuts: {}, islands: {}, thin: { width: 1 }, gap: { width: 1.5 } },
  },
  {
    id: 'lines',
    name: 'Single lines',
    about: 'Drawn, engraved or stitched along its lines.',
    checks: { ...ALWAYS, areas: {}, seeThrough: {}, gap: { width: 0.5 } },
  },
  {
    id: 'all',
    name: 'Everything',
    about: 'Every check that there is.',
    checks: Object.fromEntries(CHECKS.map(({ id }) => [id, {}])),
  },
];

const [FIRST] = TARGETS as [Target];

/** A target by its id or its name, of the stock or of the figure's own; the first of the stock where there is none. */
export const targetOf = (own: readonly OwnTarget[] | undefined, name: string | undefined): Target =>
  findTarget(own, name) ?? FIRST;

/** A target by its id or its name; undefined where there is none. */
export const findTarget = (
  own: readonly OwnTarget[] | undefined,
  name: string | undefined,
): Target | undefined =>
  [...(own ?? []).map(asTarget), ...TARGETS].find(
    (each) => each.id === name || each.name.toLowerCase() === name?.toLowerCase(),
  );

const asTarget = ({ id, name, checks }: OwnTarget): Target => ({
  id,
  name,
  about: 'A target of this figure.',
  checks,
});

/** True where a tool is to follow lines. */
export const isForCutting = (target: Target): boolean =>
  checksOf(target).some(({ check }) => check.group === 'Cutting');

/** A check with the limits at which it is asked for. */
export interface Asked {
  readonly check: Check;
  readonly limits: Limits;
}

/** What a target asks for; checks that are not known any more are left out. */
export const checksOf = ({ checks }: Target): Asked[] =>
  Object.entries(checks).flatMap(([id, own]) => {
    const check = checkOf(id);
    if (!check) return [];
    const start = Object.fromEntries(check.limits.map(({ key, start: value }) => [key, value]));
    return [{ check, limits: { ...start, ...own } }];
  });
