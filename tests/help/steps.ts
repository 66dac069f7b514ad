/**
 * Every command of a figure with arguments by chance, for tests of all of them.
 *
 * @example
 * figure = step(figure, 'moveShapes', new Chance(seed), counter());
 */
import { divided, type Division, mergeNow } from '@/core/merge';
import { pathsOfForm } from '@/core/maker';
import { turn } from '@/core/number';
import { STRAIGHT } from '@/core/derive';
import { type Result, valueOr } from '@/core/finding';
import {
  COMBINE_OPS,
  evaluate,
  type Figure,
  inputChoices,
  inputFields,
  LIMITS,
  LOWER_ACTIONS,
  mergeJobsOf,
  newRound,
  NO_CELL_EDITS,
  placeAt,
  regrouped,
  requestOf,
  type Round,
  ROUND_MERGES,
  type Shape,
  shownCells,
  type Underlay,
} from '@/core/figure';
import { STOCK_MOTIFS } from '@/core/stock/motifs';
import * as commands from '@/core/figure/commands';
import { EDGES } from '@/core/figure/model';
import { anyForm, anyPaint, anyShape, type Chance } from './anyFigure';

/** What a command is tried on. */
interface Try {
  readonly figure: Figure;
  readonly chance: Chance;
  readonly newId: () => string;
  readonly round: Round;
  /** Some shapes of the round. */
  readonly ids: ReadonlySet<string>;
  /** One of them, where there is one. */
  readonly ref: { readonly roundId: string; readonly shapeId: string };
  /** Some nodes of that shape. */
  readonly nodes: ReadonlySet<number>;
}

type Taken = Figure | { readonly figure: Figure } | Result<Figure | { readonly figure: Figure }>;

const figureOf = (taken: Taken, before: Figure): Figure => {
  if ('ok' in taken) return taken.ok ? figureOf(taken.value, before) : before;
  return 'rounds' in taken ? taken : taken.figure;
};

/** The cells of a divided round, and references to some; none where there are too many to try. */
function cellsOf({ figure, round, chance }: Try): { division: Division; refs: string[] } | null {
  if (round.merge?.op !== 'divide') return null;
  const job = mergeJobsOf(figure, STRAIGHT).find(({ roundId }) => roundId === round.id);
  const request = job && requestOf(job, {}, STRAIGHT);
  if (!request) return null;
  const division = divided(mergeNow(request));
  const { groups } = shownCells(division, round.merge.cells ?? NO_CELL_EDITS, STRAIGHT);
  const refs = groups.flatMap(({ copies }) => copies.flatMap((copy) => copy.refs));
  return refs.length === 0 ? null : { division, refs: [chance.of(refs), chance.of(refs), chance.of(refs)] };
}

const withCells = (t: Try, act: (division: Division, refs: string[]) => Figure): Figure => {
  const cells = cellsOf(t);
  return cells ? act(cells.division, cells.refs) : t.figure;
};

const colours = (c: Chance) => [c.colour(), c.colour(), c.colour()];
const target = ({ round, ids }: Try) => ({ of: 'shapes' as const, roundId: round.id, shapeIds: ids });

export type Name = keyof typeof commands;

/** Few enough segments that what is made of all of them takes no seconds: a whirl of a whirl would. */
const isLight = (shapes: readonly Shape[], most = 400): boolean =>
  shapes
    .flatMap(({ form }) => pathsOfForm(form, STRAIGHT))
    .reduce((sum, { segments }) => sum + segments.length, 0) < most;

const anUnderlay = (chance: Chance): Underlay => ({
  picture: 'p1',
  name: 'Shell',
  width: 90,
  height: 60,
  at: chance.point(10),
  rotation: turn(1, 8),
  strength: 0.5,
  visible: true,
  locked: false,
});

/** Every command, tried with chance arguments. */
const TRIES: Partial<Record<Name, (t: Try) => Taken>> = {
  addBacking: ({ figure, chance, newId }) =>
    commands.addBacking(figure, chance.of(commands.BACKINGS), newId, STRAIGHT),
  addGuide: ({ figure, round, chance }) =>
    commands.addGuide(figure, round.id, { kind: 'circle', at: chance.point(20), radius: 9 }),
  addMotif: ({ figure, round, ids, newId }) => {
    if (round.shapes.length > 6) return figure;
    const { shapes, groups } = regrouped(round, ids, newId);
    const fresh = shapes.map((shape) => ({ ...shape, id: newId() }));
    return commands.addMotif(figure, round.id, fresh, groups);
  },
  addNode: ({ figure, ref, chance }) => commands.addNode(figure, ref, 0, 0, chance.between(0.1, 0.9)),
  addRound: ({ figure, newId, chance }) =>
    figure.rounds.length > 5
      ? figure
      : commands.addRound(figure, newRound(newId(), 'More', chance.whole(1, 8))),
  addShapes: ({ figure, round, chance, newId }) =>
    round.shapes.length > 6 ? figure : commands.addShapes(figure, round.id, [anyShape(chance, newId())]),
  addToPalette: ({ figure, chance }) => commands.addToPalette(figure, chance.colour()),
  alignNodes: ({ figure, ref, nodes, chance }) =>
    commands.alignNodes(figure, ref, nodes, chance.of(['x', 'y', 'r', 'θ'] as const)),
  alignShapes: ({ figure, round, ids, chance }) =>
    commands.alignShapes(
      figure,
      round.id,
      ids,
      {
        how: chance.of(['axis', 'centre', 'left', 'level', 'radius', 'angle'] as const),
        to: chance.of(['first', 'selection', 'page'] as const),
        asOne: chance.yes(),
      },
      STRAIGHT,
    ),
  alignStamps: ({ figure, ref }) => commands.alignStamps(figure, ref),
  bendShapes: ({ figure, round, ids, newId }) => {
    const made = commands.bendShapes(figure, round.id, ids, newId, STRAIGHT);
    return made.ok ? made.value.figure : figure;
  },
  boundByFrame: ({ figure, round, chance }) => commands.boundByFrame(figure, round.id, chance.yes()),
  changeCellPaint: (t) =>
    withCells(t, (division, refs) =>
      commands.changeCellPaint(t.figure, t.round.id, division, refs, new Map(), () => anyPaint(t.chance)),
    ),
  carryCells: (t) =>
    withCells(t, (division) => commands.carryCells(t.figure, t.round.id, division, division, STRAIGHT)),
  changeSwatch: ({ figure, chance }) =>
    commands.changeSwatch(figure, chance.of(figure.palette), chance.colour()),
  changeUnderlay: ({ figure, chance }) => commands.changeUnderlay(figure, { strength: chance.share() }),
  colourCells: (t) =>
    withCells(t, (division) =>
      commands.colourCells(
        t.figure,
        t.round.id,
        division,
        { by: t.chance.of(['ring', 'sector'] as const), colours: colours(t.chance), shift: 1 },
        STRAIGHT,
      ),
    ),
  colourShapes: ({ figure, round, ids, chance }) =>
    commands.colourShapes(
      figure,
      round.id,
      ids,
      { by: 'ring', colours: colours(chance), shift: 0 },
      STRAIGHT,
    ),
  combineShapes: ({ figure, round, ids, chance, newId }) =>
    commands.combineShapes(figure, round.id, ids, chance.of(COMBINE_OPS), newId),
  divideShapes: ({ figure, round, ids, newId }) =>
    isLight(round.shapes) ? commands.divideShapes(figure, round.id, ids, newId, STRAIGHT) : figure,
  drawFrame: ({ figure, round, chance, newId }) =>
    commands.drawFrame(figure, round.id, anyPaint(chance), 90, newId),
  drawFrameCells: ({ figure, round, newId }) => commands.drawFrameCells(figure, round.id, 90, newId),
  duplicateRound: ({ figure, round, newId }) =>
    figure.rounds.length > 5 ? figure : commands.duplicateRound(figure, round.id, newId),
  duplicateShapes: ({ figure, round, ids, newId }) =>
    round.shapes.length > 6 ? figure : commands.duplicateShapes(figure, round.id, ids, newId, { x: 2, y: 1 }),
  endHalf: ({ figure, round, chance, newId }) =>
    commands.endHalf(figure, round.id, chance.between(0, 5), newId, STRAIGHT),
  forgetLostCells: (t) =>
    withCells(t, (division) => commands.forgetLostCells(t.figure, t.round.id, division)),
  freeCopy: ({ figure, round, chance, newId }) =>
    figure.rounds.length > 5
      ? figure
      : commands.freeCopy(figure, round.id, chance.whole(0, round.rule.fold), newId, STRAIGHT),
  fuseCells: (t) => withCells(t, (_, refs) => commands.fuseCells(t.figure, t.round.id, refs, t.chance.yes())),
  detachMotif: ({ figure, round, chance }) => {
    const { groups = [] } = round;
    return groups.length > 0 ? commands.detachMotif(figure, round.id, chance.of(groups).id) : figure;
  },
  followMotif: ({ figure, chance, newId }) => {
    const { shapes } = chance.of(STOCK_MOTIFS);
    return commands.followMotif(
      figure,
      'any',
      { revision: chance.whole(1, 9), motif: { shapes } },
      newId,
      STRAIGHT,
    );
  },
  linkMotif: ({ figure, round, ids, newId }) =>
    commands.linkMotif(figure, round.id, ids, { motif: 'any', revision: 1, name: 'Kept' }, newId),
  placeMotif: ({ figure, round, chance, newId }) => {
    const { name, shapes } = chance.of(STOCK_MOTIFS);
    if (round.shapes.length > 12) return figure;
    const place = placeAt({ x: 0, y: 0 }, chance.between(0.1, 1), chance.point(40));
    const follows = chance.yes() ? { motif: 'any', revision: chance.whole(1, 5) } : null;
    return commands.placeMotif(figure, round.id, { name, motif: { shapes }, place, follows }, newId, STRAIGHT)
      .figure;
  },
  groupShapes: ({ figure, round, ids, newId }) => commands.groupShapes(figure, round.id, ids, newId),
  keepCellsInside: (t) =>
    withCells(t, (division) =>
      commands.keepCellsInside(
        t.figure,
        t.round.id,
        division,
        commands.outlineOfRound(t.figure, t.chance.of(t.figure.rounds).id, t.round.id, STRAIGHT),
        STRAIGHT,
      ),
    ),
  linkRound: ({ figure, round, chance, newId }) =>
    commands.linkRound(figure, round.id, chance.of(figure.rounds).id, newId()),
  lockRound: ({ figure, round, chance }) => commands.lockRound(figure, round.id, chance.yes()),
  lockShapes: ({ figure, round, ids, chance }) => commands.lockShapes(figure, round.id, ids, chance.yes()),
  makeBands: ({ figure, round, ids, newId }) =>
    isLight(round.shapes) ? commands.makeBands(figure, round.id, ids, newId, STRAIGHT) : figure,
  makeCombinedPlain: ({ figure, round, ids }) => commands.makeCombinedPlain(figure, round.id, ids, STRAIGHT),
  makePlain: ({ figure, round, ids, newId }) => commands.makePlain(figure, round.id, ids, newId, STRAIGHT),
  makeRoundPlain: ({ figure, round, newId }) => {
    const layers = evaluate(figure, new Map(), STRAIGHT).layers.filter(({ roundId }) => roundId === round.id);
    return commands.makeRoundPlain(figure, round.id, layers, newId);
  },
  moveNodes: ({ figure, ref, nodes, chance }) => commands.moveNodes(figure, ref, nodes, chance.point(3)),
  moveRound: ({ figure, round, chance }) => commands.moveRound(figure, round.id, chance.whole(0, 3)),
  moveRoundOut: ({ figure, round, chance }) => commands.moveRoundOut(figure, round.id, chance.between(-5, 5)),
  moveShapes: ({ figure, round, ids, chance }) => commands.moveShapes(figure, round.id, ids, chance.point(4)),
  nestFigure: ({ figure, newId }) => {
    const picture = commands.pictureOf(evaluate(figure, new Map(), STRAIGHT));
    if (picture.parts.length > 30) return figure;
    const place = { x: 0, y: -40, size: 0.3, turn: turn(0) };
    return commands.nestFigure(figure, picture, place, { round: newId(), shape: newId() });
  },
  offsetShapes: ({ figure, round, ids, chance, newId }) =>
    round.shapes.length > 6 || !isLight(round.shapes)
      ? figure
      : commands.offsetShapes(figure, round.id, ids, chance.between(-2, 2), newId, STRAIGHT),
  onePath: ({ figure, round, ids }) => commands.onePath(figure, round.id, ids, STRAIGHT),
  paintCells: (t) =>
    withCells(t, (division, refs) =>
      commands.paintCells(t.figure, t.round.id, division, refs, anyPaint(t.chance)),
    ),
  partCells: (t) => withCells(t, (_, refs) => commands.partCells(t.figure, t.round.id, refs)),
  partContours: ({ figure, round, ids, newId }) => commands.partContours(figure, round.id, ids, newId),
  placeInMotif: ({ figure, round, ids, chance }) =>
    commands.placeInMotif(figure, round.id, ids, {
      group: chance.of([null, ...(round.groups ?? []).map(({ id }) => id)]),
      before: chance.of([null, ...round.shapes.map(({ id }) => id)]),
    }),
  placeDrawing: ({ figure, round, chance, newId }) => {
    const picture = commands.pictureOf(evaluate(figure, new Map(), STRAIGHT));
    if (picture.parts.length > 30 || round.shapes.length > 6) return figure;
    const places = [{ ...chance.point(20), size: 0.2, turn: turn(1, 7) }];
    return commands.placeDrawing(figure, round.id, 'Placed', picture, places, newId());
  },
  placeNodes: ({ figure, ref, nodes }) =>
    commands.placeNodes(figure, ref, nodes, (node) => ({ ...node, x: 0 })),
  removeCells: (t) =>
    withCells(t, (division, refs) => commands.removeCells(t.figure, t.round.id, division, refs)),
  removeGuide: ({ figure, round }) => commands.removeGuide(figure, round.id, 0),
  removeHandles: ({ figure, ref, nodes }) => commands.removeHandles(figure, ref, nodes),
  removeNodes: ({ figure, ref, nodes, chance }) => commands.removeNodes(figure, ref, nodes, chance.yes()),
  removeRound: ({ figure, round }) =>
    figure.rounds.length < 2 ? figure : commands.removeRound(figure, round.id),
  renameGroup: ({ figure, round, chance }) =>
    commands.renameGroup(figure, round.id, chance.of([null, ...(round.groups ?? [])])?.id ?? '', 'Leaves'),
  reorderShapes: ({ figure, round, ids, chance }) =>
    commands.reorderShapes(
      figure,
      round.id,
      ids,
      chance.of(['front', 'forward', 'backward', 'back'] as const),
    ),
  removeShapes: ({ figure, round, ids }) => commands.removeShapes(figure, round.id, ids),
  removeSwatch: ({ figure, chance }) =>
    commands.removeSwatch(figure, chance.of([...figure.palette, '#000000'])),
  renameFigure: ({ figure }) => commands.renameFigure(figure, ' Another '),
  renameRound: ({ figure, round }) => commands.renameRound(figure, round.id, ' Ring '),
  renameShape: ({ figure, ref }) => commands.renameShape(figure, ref, ' Leaf '),
  replaceContour: ({ figure, ref, newId }) => {
    const form = commands.findShape(figure, ref)?.form;
    return form?.kind === 'path'
      ? commands.replaceContour(figure, ref, 0, [...form.contours, ...form.contours].slice(0, 2), newId)
      : figure;
  },
  restoreCells: ({ figure, round }) => commands.restoreCells(figure, round.id),
  scaleRoundReach: ({ figure, round, chance }) =>
    commands.scaleRoundReach(
      figure,
      round.id,
      chance.of(['inner', 'outer'] as const),
      chance.between(20, 70),
      STRAIGHT,
    ),
  setBehind: (t) => commands.setBehind(t.figure, target(t), t.chance.yes()),
  setLowerAction: ({ figure, round, chance }) =>
    commands.setLowerAction(figure, round.id, chance.yes() ? { how: chance.of(LOWER_ACTIONS) } : null),
  setBlend: ({ figure, round, chance }) =>
    commands.setBlend(figure, round.id, chance.of(['normal', 'multiply'] as const)),
  setClosed: ({ figure, ref, nodes, chance }) => commands.setClosed(figure, ref, nodes, chance.yes()),
  setEdge: ({ figure, round, chance }) =>
    commands.setEdge(figure, round.id, chance.of(['overlap', 'trim', 'warn'] as const)),
  setVariation: ({ figure, round, chance }) =>
    commands.setVariation(figure, round.id, chance.yes() ? { ...commands.START_VARIATION, out: 3 } : null),
  setFill: (t) => commands.setFill(t.figure, target(t), anyPaint(t.chance).fill),
  setAxis: ({ figure, round, ids, chance, newId }) =>
    commands.setAxis(figure, round.id, ids, chance.of(['left', 'right', null] as const), newId),
  setFold: ({ figure, round, chance }) => commands.setFold(figure, round.id, chance.whole(1, 12)),
  setInput: ({ figure, round, ref, chance }) => {
    const shape = round.shapes.find(({ id }) => id === ref.shapeId);
    const key = shape && inputFields(shape.form)[0]?.key;
    if (!shape || !key) return figure;
    const choice = chance.of([null, ...inputChoices(round, shape, key).map(({ id }) => id)]);
    return valueOr(commands.setInput(figure, ref, key, choice), figure);
  },
  takeOutInput: ({ figure, round, ref, newId }) => {
    const shape = round.shapes.find(({ id }) => id === ref.shapeId);
    const key = shape && inputFields(shape.form)[0]?.key;
    return key ? valueOr(commands.takeOutInput(figure, ref, key, newId), { figure }).figure : figure;
  },
  setForm: ({ figure, ref, chance }) => commands.setForm(figure, ref, anyForm(chance)),
  setFrame: ({ figure, round, chance }) =>
    commands.setFrame(figure, round.id, {
      rings: [10, 20, chance.between(21, 60)],
      polygon: { sides: chance.whole(3, 6), radius: 40, fit: 'in', diagonals: 'long' },
    }),
  setHandle: ({ figure, ref, chance }) =>
    commands.setHandle(figure, ref, 0, chance.of(['in', 'out'] as const), chance.point(30)),
  setLight: ({ figure, round, chance }) =>
    commands.setLight(
      figure,
      round.id,
      chance.yes() ? { from: turn(chance.whole(0, 7), 8), depth: 40, faces: 'out' } : null,
    ),
  setMerge: ({ figure, round, chance }) =>
    commands.setMerge(figure, round.id, chance.of([null, ...ROUND_MERGES])),
  setMirror: ({ figure, round, chance }) => commands.setMirror(figure, round.id, chance.yes()),
  setMirroring: ({ figure, round, chance }) =>
    commands.setMirroring(figure, round.id, chance.of(['none', 'halves', 'alternate'] as const)),
  setNodeKind: ({ figure, ref, nodes, chance }) =>
    commands.setNodeKind(figure, ref, nodes, chance.of(['corner', 'smooth', 'even'] as const)),
  setOpacity: ({ figure, round, chance }) => commands.setOpacity(figure, round.id, chance.share()),
  resized: ({ figure, chance }) => commands.resized(figure, chance.between(0.5, 2)),
  inUnit: ({ figure, chance }) => commands.inUnit(figure, chance.of(['mm', 'cm', 'pt', 'px'] as const)),
  setPage: ({ figure, chance }) => commands.setPage(figure, { bleed: chance.between(0, 5) }),
  setPaint: (t) => commands.setPaint(t.figure, target(t), anyPaint(t.chance)),
  nameColour: ({ figure, chance }) =>
    commands.nameColour(figure, figure.palette[0] ?? chance.colour(), chance.of(['Sea', 'Sand', ''])),
  setPalette: ({ figure, chance }) => commands.setPalette(figure, colours(chance)),
  setRelief: ({ figure, round, chance }) =>
    commands.setRelief(figure, round.id, chance.yes() ? { how: 'raised', edge: 1 } : null),
  setRoundWhirl: ({ figure, round, chance }) =>
    commands.setRoundWhirl(figure, round.id, chance.yes() ? { ...commands.START_WHIRL, count: 3 } : null),
  setShapeEdge: ({ figure, round, ids, chance }) =>
    commands.setShapeEdge(figure, round.id, ids, chance.of([...EDGES, null])),
  setStart: ({ figure, round, chance }) =>
    commands.setStart(figure, round.id, turn(chance.whole(0, 99_999_988), 99_999_989)),
  setStroke: (t) =>
    commands.setStroke(t.figure, target(t), t.chance.yes() ? { width: t.chance.between(0.1, 4) } : null),
  setSweep: ({ figure, round, chance }) =>
    commands.setSweep(
      figure,
      round.id,
      chance.yes() ? { turn: turn(chance.whole(1, 99_999_970), 99_999_971), ends: chance.yes() } : null,
    ),
  layRosette: ({ figure, round, chance }) =>
    commands.layRosette(figure, round.id, anUnderlay(chance), {
      fold: chance.whole(1, 12),
      mirror: chance.yes(),
    }),
  setUnderlay: ({ figure, chance }) => commands.setUnderlay(figure, chance.yes() ? anUnderlay(chance) : null),
  setProgression: ({ figure, round, chance }) =>
    commands.setProgression(
      figure,
      round.id,
      chance.yes() ? { ...commands.START_PROGRESSION, tint: '#d9512c' } : null,
    ),
  setWeaveGap: ({ figure, round, chance }) => commands.setWeaveGap(figure, round.id, chance.between(0.2, 3)),
  setWeaveAreas: ({ figure, round, chance }) => commands.setWeaveAreas(figure, round.id, chance.yes()),
  showRound: ({ figure, round, chance }) => commands.showRound(figure, round.id, chance.yes()),
  showFrame: ({ figure, round, chance }) => commands.showFrame(figure, round.id, chance.yes()),
  showShapes: ({ figure, round, ids, chance }) => commands.showShapes(figure, round.id, ids, chance.yes()),
  showLines: ({ figure, round, chance }) => commands.showLines(figure, round.id, chance.yes()),
  slitShapes: ({ figure, round, ids, chance, newId }) =>
    round.shapes.length > 8
      ? figure
      : commands.slitShapes(figure, round.id, ids, chance.point(20), chance.point(40), newId, STRAIGHT),
  spreadNodes: ({ figure, ref, nodes }) => commands.spreadNodes(figure, ref, nodes),
  spreadOutward: ({ figure, round, ids, chance }) =>
    commands.spreadOutward(figure, round.id, ids, chance.between(-2, 2), STRAIGHT),
  spreadShapes: ({ figure, round, ids, chance }) =>
    commands.spreadShapes(
      figure,
      round.id,
      ids,
      chance.of(['across', 'up', 'radius', 'angle'] as const),
      chance.of(['centres', 'gaps'] as const),
      STRAIGHT,
    ),
  stampAlong: ({ figure, round, newId, chance }) => {
    if (round.shapes.length > 6) return figure;
    const along = {
      closed: false,
      nodes: [0, 1, 2].map(() => ({ ...chance.point(40), kind: 'corner' as const })),
    };
    const shape = {
      closed: true,
      nodes: [0, 1, 2].map((k) => ({ x: k % 2, y: k - 1, kind: 'corner' as const })),
    };
    const part = { name: 'Dot', contours: [shape], paint: anyPaint(chance), rule: 'nonzero' as const };
    const options = {
      spacing: 12,
      spread: 'even',
      facing: 'path',
      sizes: 0.2,
      colours: 0.3,
      seed: 1,
    } as const;
    return commands.stampAlong(figure, round.id, along, [part, part], options, newId);
  },
  setInks: ({ figure, chance }) =>
    commands.setInks(
      figure,
      chance.colour(),
      chance.yes() ? { c: chance.whole(0, 100), m: 0, y: 50, k: 100, spot: 'Foil' } : null,
    ),
  setBend: ({ figure, round, chance }) => {
    const strip = round.groups?.find(({ bend }) => bend);
    if (!strip) return figure;
    return commands.setBend(figure, round.id, strip.id, {
      how: chance.of(['wrap', 'bow'] as const),
      units: chance.whole(1, 3),
      span: turn(1, chance.whole(1, 9)),
      middle: turn(chance.whole(0, 11), 12),
      radius: chance.between(5, 60),
      up: chance.of(['out', 'in'] as const),
      mirrored: chance.yes(),
      swell: chance.between(-0.5, 0.5),
      wave: chance.between(-1, 1),
      twist: chance.between(-20, 20),
    });
  },
  fitStrip: ({ figure, round }) =>
    commands.fitStrip(figure, round.id, round.groups?.find(({ bend }) => bend)?.id ?? '', STRAIGHT),
  straighten: ({ figure, round }) =>
    commands.straighten(figure, round.id, round.groups?.find(({ bend }) => bend)?.id ?? ''),
  startHalf: ({ figure, round }) => commands.startHalf(figure, round.id),
  swapCrossing: ({ figure, round }) => commands.swapCrossing(figure, round.id, '0-0.1'),
  takeApart: ({ figure, round, ids }) => commands.takeApart(figure, round.id, ids),
  takeCopyBack: ({ figure, round }) => commands.takeCopyBack(figure, round.id),
  takeStep: ({ figure, round, chance }) => {
    const choices = commands.stepChoices(turn(1, chance.whole(3, 11)));
    return choices.length > 0 ? commands.takeStep(figure, round.id, chance.of(choices)) : figure;
  },
  tidyShapes: ({ figure, round, ids, chance }) =>
    commands.tidyShapes(figure, round.id, ids, 0.05, chance.yes(), STRAIGHT),
  toggleHalfStep: ({ figure, round }) => commands.toggleHalfStep(figure, round.id),
  transformShapes: ({ figure, round, ids, chance, newId }) =>
    commands.transformShapes(
      figure,
      round.id,
      ids,
      chance.of([
        { kind: 'rotate', by: turn(1, 7), about: { x: 0, y: -30 } },
        { kind: 'scale', x: 0.9, y: 1.1, about: { x: 0, y: -30 } },
        { kind: 'shear', by: turn(1, 30), about: { x: 0, y: -30 } },
        { kind: 'reflect', direction: turn(1, 12), about: { x: 0, y: -30 } },
      ] as const),
      { copy: chance.yes() && round.shapes.length < 6, times: 1, newId },
      STRAIGHT,
    ),
  trimToShape: ({ figure, round, ids, newId }) =>
    commands.trimToShape(figure, round.id, ids, newId, STRAIGHT),
  trimToWedge: ({ figure, round, ids, newId }) =>
    commands.trimToWedge(figure, round.id, ids, newId, STRAIGHT),
  ungroupShapes: ({ figure, round, ids }) => commands.ungroupShapes(figure, round.id, ids),
  unlinkRound: ({ figure, round }) => commands.unlinkRound(figure, round.id),
  whirlShape: ({ figure, round, ref }) =>
    isLight(round.shapes, 40) ? commands.whirlShape(figure, ref, STRAIGHT) : figure,
};

/** What the commands' module gives out besides commands. */
export const OTHERS = new Set([
  'BACKINGS',
  'combinedOf',
  'findShape',
  'frameCellsProblem',
  'linkedRounds',
  'linkProblem',
  'mirroringOf',
  'motifOfUse',
  'outlineOfRound',
  'partsOfScene',
  'pictureOf',
  'reachOfRound',
  'roundOf',
  'START_VARIATION',
  'withPlacedPlain',
  'START_PROGRESSION',
  'START_WHIRL',
  'stepChoices',
  'withRound',
  'withShapes',
]);

export const NAMES = Object.keys(TRIES).sort() as Name[];

/** Does one command with arguments by chance. */
export function step(figure: Figure, name: Name, chance: Chance, newId: () => string): Figure {
  const round = chance.of(figure.rounds);
  const shapeId = round.shapes.length > 0 ? chance.of(round.shapes).id : 'none';
  const ids = new Set([shapeId, ...chance.some(round.shapes).map(({ id }) => id)]);
  const nodes = new Set([0, chance.whole(0, 4)]);
  const taken = TRIES[name]?.({
    figure,
    chance,
    newId,
    round,
    ids,
    ref: { roundId: round.id, shapeId },
    nodes,
  });
  const next = taken ? figureOf(taken, figure) : figure;
  // More than a motif can have is no step; the editor says so. Nor are motifs that take minutes to try.
  const tooMany = ({ shapes }: Round): boolean => shapes.length > LIMITS.shapes || !isLight(shapes, 2000);
  return next.rounds.some(tooMany) ? figure : next;
}
