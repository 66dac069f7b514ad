'use client';

import { useWork } from '@/ui/editor/useWork';
import type { Path } from '@/core/curve/path';
import type { Work } from '@/core/derive';
import { screenData } from '@/core/format/screenData';
import { Archive } from 'lucide-react';
import { memo } from 'react';

import { degreesOf, negateTurn, NO_TURN } from '@/core/number/turn';
import { printNumber } from '@/core/format/pathData';
import { symmetryOf } from '@/core/figure/copies';
import { edgeOf, swallowedRounds } from '@/core/figure/jobs';
import type { Round } from '@/core/figure/model';
import { seenPaths } from '@/core/figure/seen';
import { alongTurn, halfWedge, isWide, pastRays, type Wedge } from '@/core/symmetry/wedge';
import { activeRound, shownFigure } from '@/state/editor';
import { layersOf } from '@/core/scene/scene';
import { sceneOf } from '@/state/scene';
import { pictureAddress } from '@/state/server';
import type { Stage } from '@/state/stages';
import { benchRadius, benchView } from '@/state/view';
import { toScreen } from '@/state/viewport';
import { useSameView } from '../common/useSameView';
import { useEditor, useEditorState, useRestState } from '../editor/EditorContext';
import { dropsOf } from '../import/takeFile';
import { CellMarks } from '../tools/CellMarks';
import { IconButton } from '../common/Button';
import { FrameLines } from '../common/FrameLines';
import { firstColour } from '@/core/paint/fills';
import type { ScenePage } from '@/core/scene/scene';
import { BackgroundDefs, backgroundFill } from '../common/Background';
import { BARE_INKS, inksOn, type GroundInks } from './ground';
import { placeOfView } from '../common/Slabs';
import { MotifAndCopies, MotifDefs, mergedSlabs, otherSlabs, type BenchLook } from './BenchLayers';
import { wedgeData } from '../common/wedgeShape';
import { PaneCanvas } from '../tools/PaneCanvas';
import { ringStepOf } from '../tools/pointer';
import { ProofMarks } from '../proof/ProofMarks';
import { Lane } from './Lane';
import { MotifLine } from './MotifLine';
import { Readout } from './Readout';
import { Tray } from './Tray';

const DRAW_FIRST = ['Nothing is drawn yet:', 'draw a motif in Draw, key 2.'];

/** What is said on an empty Bench, of what the stage has. */
const EMPTY_HINTS: Record<Stage, readonly string[]> = {
  setout: ['Set out a frame at the right, or choose a maker below', 'and drag up along the axis.'],
  draw: ['Choose Petal below', 'and drag up along the axis,', 'or take a motif from the drawer, key O.'],
  turn: DRAW_FIRST,
  merge: DRAW_FIRST,
  colour: DRAW_FIRST,
  proof: DRAW_FIRST,
};

/** Copies of other rounds farther round than this are out of the Bench's sight. */
const SIGHT_DEGREES = 75;

const Frame = memo(function Frame({
  wedge,
  radius,
  step,
  inks,
}: {
  readonly wedge: Wedge;
  readonly radius: number;
  readonly step: number;
  readonly inks: GroundInks;
}) {
  const half = halfWedge(wedge);
  const sight = Math.min(Math.PI, ((degreesOf(half) + 9) * Math.PI) / 180);
  const rings: number[] = [];
  for (let k = 1; k * step <= radius * 1.001; k += 1) rings.push(k * step);
  return (
    <g fill="none" vectorEffect="non-scaling-stroke">
      <path d={wedgeData(wedge, radius)} fill={inks.wedge} />
      {rings.map((r) => {
        const [x, y] = [r * Math.sin(sight), -r * Math.cos(sight)];
        const large = sight > Math.PI / 2 ? 1 : 0;
        const d =
          sight >= Math.PI ? wedgeData({ fold: 1 }, r) : `M${-x} ${y}A${r} ${r} 0 ${large} 1 ${x} ${y}`;
        return <path key={r} d={d} stroke={inks.rings} vectorEffect="non-scaling-stroke" />;
      })}
    </g>
  );
});

/** The page under the motif, with its edge. */
const Ground = memo(function Ground({ page, inks }: { readonly page: ScenePage; readonly inks: GroundInks }) {
  const { width, height, centre } = page;
  return (
    <>
      <BackgroundDefs page={page} id="bench-page" />
      <rect
        data-testid="bench-page"
        x={-width / 2 - centre.x}
        y={-height / 2 - centre.y}
        width={width}
        height={height}
        fill={backgroundFill(page, 'bench-page', 'url(#checks)')}
        stroke={inks.lines}
        strokeOpacity={0.45}
        strokeDasharray="2 4"
        vectorEffect="non-scaling-stroke"
      />
    </>
  );
});

const Rays = memo(function Rays({
  wedge,
  radius,
  inks,
}: {
  readonly wedge: Wedge;
  readonly radius: number;
  readonly inks: GroundInks;
}) {
  const half = halfWedge(wedge);
  const ends = wedge.fold > 1 ? [alongTurn(half, radius), alongTurn(negateTurn(half), radius)] : [];
  return (
    <g fill="none" strokeWidth={1.4}>
      {ends.map((end) => (
        <line
          key={end.x}
          x1={0}
          y1={0}
          x2={end.x}
          y2={end.y}
          stroke={inks.rays}
          vectorEffect="non-scaling-stroke"
        />
      ))}
      <line
        x1={0}
        y1={0}
        x2={0}
        y2={-radius * 1.03}
        stroke="var(--coral)"
        strokeDasharray="6 4"
        vectorEffect="non-scaling-stroke"
      />
    </g>
  );
});

/** How wide a letter of a label is, and how high its plate, in pixels. */
const LETTER = 6.7;
const PLATE = 16;

/** The wedge's half beside the end of a ray, on a plate of its own. */
function RayLabel({
  words,
  x,
  y,
  isLeft,
}: {
  readonly words: string;
  readonly x: number;
  readonly y: number;
  /** It ends at `x` instead of beginning there. */
  readonly isLeft: boolean;
}) {
  const wide = words.length * LETTER + 8;
  const left = isLeft ? x - wide : x;
  return (
    <g>
      <rect
        x={left}
        y={y - PLATE / 2}
        width={wide}
        height={PLATE}
        rx={4}
        fill="var(--field)"
        fillOpacity={0.86}
      />
      <text x={left + 4} y={y + 4} className="fill-brass-text font-mono text-[11px]">
        {words}
      </text>
    </g>
  );
}

/** What of a motif must not cross a ray. */
function warnedPaths(round: Round, work: Work): Path[] {
  const warned = round.shapes.filter((shape) => edgeOf(round, shape) === 'warn');
  return warned.length === 0 ? [] : seenPaths(round, work, new Set(warned.map(({ id }) => id)));
}

/** All that is not the wedge, to be filled by the even-odd rule. */
const outsideData = (wedge: Wedge, radius: number): string => {
  const far = 4 * radius;
  return `M${-far} ${-far}H${far}V${far}H${-far}Z${wedgeData(wedge, far)}`;
};

/** How far what must not cross a ray does. */
function EdgeWarning({ round, unit }: { readonly round: Round; readonly unit: string }) {
  const work = useWork();
  const paths = warnedPaths(round, work);
  const { left, right } = pastRays(paths, round.rule);
  const most = Math.max(left, right);
  if (most <= 1e-6) return null;
  return (
    <span
      role="status"
      className="rounded-[6px] bg-coral-soft px-1.5 text-[12px] font-medium whitespace-nowrap text-coral-text"
    >
      {printNumber(most, 2)} {unit} past the ray
    </span>
  );
}

/** Opens the drawer in the panel's place, and closes it. */
const DrawerButton = memo(function DrawerButton() {
  const editor = useEditor();
  const isOpen = useEditorState((state) => state.drawer);
  return (
    <span className="pointer-events-auto ml-auto rounded-ui bg-field/85">
      <IconButton
        label="Drawer of motifs (O)"
        on={isOpen}
        onClick={() => editor.setState({ drawer: !isOpen })}
      >
        <Archive size={16} strokeWidth={1.7} />
      </IconButton>
    </span>
  );
});

/** The pane with one wedge, upright, apex at the bottom, large: where the motif is drawn. */
export function Bench() {
  const work = useWork();
  const editor = useEditor();
  const state = useRestState();
  const figure = shownFigure(state);
  const round = activeRound(state);
  const scene = sceneOf(state);
  const view = useSameView(benchView(state));
  const fold = round?.rule.fold ?? 1;
  const wedge: Wedge = round?.rule ?? { fold: 1 };
  const radius = benchRadius(figure, work) * 1.02;
  // Where it is worked on each area is for itself; copies are faint here, and what reaches under another would show through.
  const layers = layersOf(scene, 'abut');
  const own = layers.filter(({ roundId }) => roundId === round?.id);
  const others = layers.filter(({ roundId }) => roundId !== round?.id);
  // What shows only in other rounds, or in an outline, is seen as lines.
  const swallowed = round !== null && swallowedRounds(figure).has(round.id);
  const merged = swallowed || own.some(({ items }) => items.some(({ origin }) => origin.of !== 'shape'));
  // A wedge of half a turn and more has no direction that is out of sight.
  const sight = isWide(wedge) ? 180 : SIGHT_DEGREES;
  // Where copies differ from the motif they are shown as they are; else the motif turned is all there is to show.
  const isPlain = !round || (symmetryOf(round) === fold && !round.variation && !round.whirl);
  const empty = round?.shapes.length === 0 && !state.draft;
  const hintAt = toScreen(view, { x: 0, y: -radius * 0.5 });
  // Artwork is seen on its own page in both themes, as dark lines would not be seen on the dark; outlines are the ink's.
  const { page } = figure;
  const inks = state.outlines ? BARE_INKS : inksOn(page.background);
  const ground = state.outlines ? 'var(--sand)' : (firstColour(page.background) ?? '#ffffff');
  const place = placeOfView(view);
  const outside = round && !isWide(wedge) ? screenData(warnedPaths(round, work)) : '';
  const look: BenchLook = {
    view,
    size: state.sizes.bench,
    start: round?.rule.start ?? NO_TURN,
    fold,
    wedge,
    radius,
    sight,
    outline: state.outlines,
  };
  const half = degreesOf(halfWedge(wedge));
  const label = printNumber(half, 3);
  const ray = toScreen(view, alongTurn(halfWedge(wedge), radius));
  // No room beside the ray's end: its angle is written above it.
  const crowded = ray.x + 60 > state.sizes.bench.width;

  return (
    <section
      aria-label="Bench"
      className="@container relative min-w-0 overflow-hidden bg-field"
      {...dropsOf(editor, 'bench')}
    >
      <PaneCanvas
        pane="bench"
        label="Bench: one wedge, where the motif is drawn"
        slabs={[
          {
            key: 'ground',
            svg: (
              <>
                <defs>
                  <MotifDefs layers={merged ? [] : own} outline={state.outlines} />
                  <clipPath id="bench-outside">
                    <path d={outsideData(wedge, radius)} clipRule="evenodd" />
                  </clipPath>
                  <clipPath id="bench-wedge">
                    <path d={wedgeData(wedge, radius * 1.2)} />
                  </clipPath>
                </defs>

                <g transform={place}>
                  {!state.outlines && (
                    <g transform={`rotate(${-degreesOf(round?.rule.start ?? NO_TURN)})`}>
                      <Ground page={page} inks={inks} />
                    </g>
                  )}
                  <Frame wedge={wedge} radius={radius} step={ringStepOf(state)} inks={inks} />
                  {figure.underlay?.visible && (
                    <image
                      data-testid="underlay"
                      href={pictureAddress(figure.underlay.picture)}
                      x={-figure.underlay.width / 2}
                      y={-figure.underlay.height / 2}
                      width={figure.underlay.width}
                      height={figure.underlay.height}
                      preserveAspectRatio="none"
                      opacity={figure.underlay.strength}
                      transform={`translate(${figure.underlay.at.x} ${figure.underlay.at.y}) rotate(${degreesOf(figure.underlay.rotation)})`}
                    />
                  )}
                </g>
              </>
            ),
          },
          ...(state.ghosts ? otherSlabs(others, look) : []),
          ...(merged ? mergedSlabs(own, look) : []),
          {
            key: 'top',
            svg: (
              <>
                <g transform={place}>
                  {!merged && (
                    <MotifAndCopies layers={own} look={look} ghosts={state.ghosts} plain={isPlain} />
                  )}
                  {merged && (
                    <g fill="none" stroke={inks.lines} strokeOpacity={0.55} strokeDasharray="3 3">
                      {round?.shapes
                        .filter(({ visible }) => visible)
                        .map((shape) => (
                          <MotifLine key={shape.id} shape={shape} />
                        ))}
                    </g>
                  )}
                  {outside && (
                    <g clipPath="url(#bench-outside)" data-testid="past-the-ray">
                      <path d={outside} fill="var(--coral)" fillOpacity={0.55} />
                    </g>
                  )}
                  {round && <FrameLines frame={round.frame} reach={radius * 2} />}
                  <Rays wedge={wedge} radius={radius} inks={inks} />
                </g>
                <circle cx={view.x} cy={view.y} r={4.5} fill="var(--coral)" />
                {fold > 1 && fold < 90 && (
                  <RayLabel
                    words={`±${label}°`}
                    x={crowded ? state.sizes.bench.width - 8 : ray.x + 6}
                    y={crowded ? ray.y - 10 : ray.y + 12}
                    isLeft={crowded}
                  />
                )}
                {empty && (
                  <text
                    x={hintAt.x}
                    y={hintAt.y}
                    textAnchor="middle"
                    className="text-[13px]"
                    fill={inks.lines}
                    stroke={ground}
                    strokeWidth={6}
                    paintOrder="stroke"
                  >
                    {EMPTY_HINTS[state.stage].map((words, k) => (
                      <tspan key={words} x={hintAt.x} dy={18 * k}>
                        {words}
                      </tspan>
                    ))}
                  </text>
                )}
              </>
            ),
          },
        ]}
        over={
          <g transform={place}>
            <CellMarks sight={sight} />
            {state.stage === 'proof' && <ProofMarks scale={view.scale} pane="bench" />}
          </g>
        }
      />
      <Lane />
      <header className="pointer-events-none absolute inset-x-0 top-0 flex h-[38px] items-center gap-1 px-2">
        <h2 className="rounded-[6px] bg-field/85 px-1 font-semibold">Bench</h2>
        <span className="truncate rounded-[6px] bg-field/85 px-1 text-[12px] text-muted">
          {round
            ? `${round.name} · wedge ${printNumber(2 * half, 3)}°${round.rule.mirror ? ', mirrored' : ''}`
            : 'no round'}
        </span>
        {round?.half && (
          <span className="rounded-[6px] bg-coral-soft px-1.5 text-[12px] font-medium whitespace-nowrap text-coral-text">
            half
          </span>
        )}
        {round && <EdgeWarning round={round} unit={figure.page.unit} />}
        <DrawerButton />
      </header>
      <Readout pane="bench" />
      <Tray />
    </section>
  );
}
