/** Motifs of the drawer, taken into the figure and kept from it. */
import { toast } from 'sonner';

import { boundsOfPaths, type Point } from '@/core/curve';
import { STRAIGHT } from '@/core/derive';
import {
  type Figure,
  freeName,
  partOfFigure,
  placeAt,
  resolvedShapes,
  type Round,
  type RoundId,
} from '@/core/figure';
import { addRound, followMotif, linkMotif, motifOfUse, placeMotif } from '@/core/figure/commands';
import { pathsOfForm } from '@/core/maker';
import { convertLength, NO_TURN } from '@/core/number';
import {
  act,
  actAndSelect,
  activeRound,
  benchRadius,
  type Editor,
  newId,
  select,
  selectedShapes,
  server,
  shownFigure,
  workOf,
} from '@/state';
import type { KeptMotif, MotifEntry } from '@/protocol';
import { say } from '@/ui/common';

/** What is dragged out of the drawer, by its id. */
export const DRAGGED = 'application/x-cyclogon-motif';

/** Where on the axis a motif comes that is not dropped anywhere, and how large at most, as parts of the figure's reach. */
const FIRST_AT = 0.6;
const MOST_SIZE = 0.34;

/** The box of what a motif draws. */
function boxOf(round: Round) {
  const shapes = resolvedShapes(round, STRAIGHT).filter(({ visible }) => visible);
  return boundsOfPaths(shapes.flatMap(({ form }) => pathsOfForm(form, STRAIGHT)));
}

/** Puts a kept motif in the motif that is worked on, its middle at a point of it. */
function takeShapes(editor: Editor, kept: KeptMotif, round: Round, at: Point | null, linked: boolean): void {
  const state = editor.getState();
  const figure = shownFigure(state);
  const [from] = kept.figure.rounds;
  if (!from) return;
  const { left, right, top, bottom } = boxOf(from);
  const unit = convertLength(1, kept.figure.page.unit, figure.page.unit);
  const size = Math.max(right - left, bottom - top) * unit;
  const reach = benchRadius(figure, workOf(state));
  const most = reach * MOST_SIZE;
  const factor = unit * (kept.stock || size > most ? most / (size || 1) : 1);
  const place = placeAt(
    { x: (left + right) / 2, y: (top + bottom) / 2 },
    factor,
    at ?? { x: 0, y: -reach * FIRST_AT },
  );
  const follows = linked && !kept.stock ? { motif: kept.id, revision: kept.revision } : null;
  const motif = { shapes: from.shapes, ...(from.groups && { groups: from.groups }) };
  actAndSelect(editor, `Take ${kept.name}`, round.id, (now, work) =>
    placeMotif(now, round.id, { name: kept.name, motif, place, follows }, newId, work),
  );
}

/** Puts a kept round in front of all others, as it was turned. */
function takeRound(editor: Editor, kept: KeptMotif): void {
  const [from] = kept.figure.rounds;
  if (!from) return;
  const id = newId();
  act(editor, `Take ${kept.name}`, (figure, work) => {
    const unit = convertLength(1, kept.figure.page.unit, figure.page.unit);
    const taken = figure.rounds.map(({ name }) => ({ name }));
    const name = taken.some((each) => each.name === kept.name) ? freeName(kept.name, taken) : kept.name;
    const empty: Round = { ...from, id, name, shapes: [], visible: true, locked: false };
    const { groups: _, ...bare } = empty;
    const motif = { shapes: from.shapes, ...(from.groups && { groups: from.groups }) };
    const place = placeAt({ x: 0, y: 0 }, unit, { x: 0, y: 0 });
    const made = placeMotif(addRound(figure, bare), id, { name, motif, place, follows: null }, newId, work);
    return made.figure;
  });
  select(editor, id);
}

/** Takes a motif into the figure: a round that was kept as one comes as one, unless it is dropped on the Bench. */
export async function takeMotif(
  editor: Editor,
  id: string,
  { at = null, linked, asRound }: { at?: Point | null; linked: boolean; asRound: boolean },
): Promise<void> {
  try {
    const kept = await server.motif(id);
    const isRound = (kept.figure.rounds[0]?.rule.fold ?? 1) > 1;
    const round = activeRound(editor.getState());
    if (asRound && isRound) takeRound(editor, kept);
    else if (round?.locked) toast.error(`${round.name} is locked: unlock it to put something into it.`);
    else if (round) takeShapes(editor, kept, round, at, linked);
  } catch (error) {
    say(error);
  }
}

/** A round as it is kept: without what ties it to others. */
function loose(round: Round): Round {
  const { motif: _, detachedFrom: __, lowerAction: ___, half: ____, ...rest } = round;
  return { ...rest, visible: true, locked: false };
}

/** What is selected, or the round, as a figure of one round for the drawer; null where there is nothing. */
function keptFigure(editor: Editor, name: string): { figure: Figure; ids: readonly string[] } | null {
  const state = editor.getState();
  const round = activeRound(state);
  if (!round || round.shapes.length === 0) return null;
  const ids = selectedShapes(state).map(({ id }) => id);
  const whole = shownFigure(state);
  const upright = ids.length > 0 ? { ...round, rule: { ...round.rule, start: NO_TURN } } : round;
  const figure = { ...whole, rounds: [upright] };
  const part = partOfFigure(
    figure,
    ids.length > 0 ? { of: 'shapes', roundId: round.id, shapeIds: ids } : { of: 'round', roundId: round.id },
  );
  const { proof: _, ...rest } = part;
  return {
    figure: {
      ...rest,
      name,
      underlay: null,
      page: { ...part.page, background: null, bleed: 0 },
      rounds: part.rounds.slice(0, 1).map(loose),
    },
    ids,
  };
}

/** Keeps what is selected, or the round, in the drawer; shapes become a use of it where that is wanted. */
export async function keepInDrawer(
  editor: Editor,
  name: string,
  linked: boolean,
): Promise<MotifEntry | null> {
  const kept = keptFigure(editor, name);
  const round = activeRound(editor.getState());
  if (!kept || !round) return null;
  try {
    const entry = await server.keepMotif({ name, labels: [], figure: kept.figure });
    if (linked && kept.ids.length > 0) {
      const follows = { motif: entry.id, revision: entry.revision, name };
      act(editor, `Keep ${name}`, (f) => linkMotif(f, round.id, new Set(kept.ids), follows, newId));
      select(editor, round.id, kept.ids);
    }
    return entry;
  } catch (error) {
    say(error);
    return null;
  }
}

/** Changes a motif to what one of its uses is now; all uses of it in this figure follow. */
export async function changeToUse(
  editor: Editor,
  roundId: RoundId,
  group: { readonly id: string; readonly source: { readonly motif: string } },
): Promise<void> {
  const { motif: id } = group.source;
  const state = editor.getState();
  const motif = motifOfUse(shownFigure(state), roundId, group.id, workOf(state));
  if (!motif) return;
  try {
    const kept = await server.motif(id);
    const [round] = kept.figure.rounds;
    if (!round) return;
    const { groups: _, ...rest } = round;
    const changed = { ...rest, shapes: motif.shapes, ...(motif.groups?.length && { groups: motif.groups }) };
    const entry = await server.changeMotif(id, {
      figure: pageAroundMotif({ ...kept.figure, rounds: [changed] }),
    });
    act(editor, `Change ${kept.name}`, (figure, work) =>
      followMotif(figure, id, { revision: entry.revision, motif }, newId, work),
    );
    toast(`“${kept.name}” is changed in the drawer; its uses follow, in other figures when they are opened.`);
  } catch (error) {
    say(error);
  }
}

/** A page as large as a motif that is turned once; of a round it stays. */
function pageAroundMotif(figure: Figure): Figure {
  const [round] = figure.rounds;
  if (!round || round.rule.fold > 1) return figure;
  const { page } = partOfFigure(figure, {
    of: 'shapes',
    roundId: round.id,
    shapeIds: round.shapes.map(({ id }) => id),
  });
  return { ...figure, page: { ...page, background: null } };
}
