'use client';

import { symmetryOf } from '@/core/figure';
import { printNumber, screenData } from '@/core/format';
import { degreesOf, NO_TURN } from '@/core/number';
import { firstColour } from '@/core/paint';
import { isMuch } from '@/core/scene';
import { alongTurn, halfWedge, isWide, type Wedge } from '@/core/symmetry';
import {
  activeRound,
  benchRadius,
  benchView,
  type EditorState,
  layersOnBench,
  offeredNow,
  sceneOf,
  shownFigure,
  toScreen,
  type View,
} from '@/state';
import {
  FrameLines,
  placeBetween,
  placeOfView,
  type Slab,
  useSameView,
  useSettledView,
  wedgeData,
} from '@/ui/common';
import { seenHere, useEditor, usePictureState, useWork } from '@/ui/desk';
import { dropsOf } from '@/ui/import';
import { ProofMarks } from '@/ui/proof';
import { CellMarks, OfferCard, OfferLines, PaneCanvas, Readout } from '@/ui/pane';
import { ringStepOf } from '@/ui/tools';
import { EmptyHint, Frame, Ground, RayLabel, Rays, UnderlayImage } from './BenchGround';
import { BenchHeader } from './BenchHeader';
import { mergedSlabs, MotifAndCopies, MotifDefs, otherSlabs, type BenchLook } from './BenchLayers';
import { BARE_INKS, inksOn, type GroundInks } from './ground';
import { Lane } from './Lane';
import { MotifLine } from './MotifLine';
import { SeenFrame } from './SeenFrame';
import { Tray } from './Tray';
import { outsideData, warnedPaths } from './warned';

/** Copies of other rounds farther round than this are out of the Bench's sight. */
const SIGHT_DEGREES = 75;

interface Around {
  readonly state: EditorState;
  readonly view: View;
  readonly wedge: Wedge;
  readonly radius: number;
  readonly inks: GroundInks;
}

/** What lies under the motif: the page, the wedge with its rings, the picture to trace from. */
function UnderMotif({ state, view, wedge, radius, inks }: Around) {
  const figure = shownFigure(state);
  const round = activeRound(state);
  const { page } = figure;
  const seen = seenHere(figure, state.seen);
  return (
    <>
      <defs>
        <clipPath id="bench-outside">
          <path d={outsideData(wedge, radius)} clipRule="evenodd" />
        </clipPath>
        <clipPath id="bench-wedge">
          <path d={wedgeData(wedge, radius * 1.2)} />
        </clipPath>
      </defs>

      <g transform={placeOfView(view)}>
        {!state.outlines && (
          <g transform={`rotate(${-degreesOf(round?.rule.start ?? NO_TURN)})`}>
            <Ground page={page} inks={inks} />
          </g>
        )}
        <Frame wedge={wedge} radius={radius} step={ringStepOf(state)} inks={inks} />
        {figure.underlay?.visible && <UnderlayImage underlay={figure.underlay} />}
        {figure.underlay?.visible && seen && state.level === 'page' && (
          <SeenFrame underlay={figure.underlay} seen={seen} />
        )}
      </g>
    </>
  );
}

/** What lies over the motif: its lines where it is not seen itself, what is past the rays, the frame, and the rays. */
function OverMotif({ state, view, wedge, radius, inks, isHidden }: Around & { readonly isHidden: boolean }) {
  const work = useWork();
  const figure = shownFigure(state);
  const round = activeRound(state);
  const { fold } = wedge;
  const outside = round && !isWide(wedge) ? screenData(warnedPaths(round, work)) : '';
  const ray = toScreen(view, alongTurn(halfWedge(wedge), radius));
  // No room beside the ray's end: its angle is written above it.
  const crowded = ray.x + 60 > state.sizes.bench.width;
  const isRead = seenHere(figure, state.seen)?.read;
  const empty = round?.shapes.length === 0 && !state.draft && !isRead;
  const hintAt = toScreen(view, { x: 0, y: -radius * 0.5 });
  const ground = state.outlines ? 'var(--sand)' : (firstColour(figure.page.background) ?? '#ffffff');
  return (
    <>
      <g transform={placeOfView(view)}>
        {isHidden && (
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
          words={`±${printNumber(degreesOf(halfWedge(wedge)), 3)}°`}
          x={crowded ? state.sizes.bench.width - 8 : ray.x + 6}
          y={crowded ? ray.y - 10 : ray.y + 12}
          isLeft={crowded}
        />
      )}
      {empty && <EmptyHint stage={state.stage} at={hintAt} inks={inks} ground={ground} />}
    </>
  );
}

/** The pane with one wedge, upright, apex at the bottom, large: where the motif is drawn. */
export function Bench({ isOnly = false }: { readonly isOnly?: boolean }) {
  const work = useWork();
  const editor = useEditor();
  const state = usePictureState();
  const figure = shownFigure(state);
  const round = activeRound(state);
  const scene = sceneOf(state);
  const view = useSameView(benchView(state));
  const drawn = useSettledView(view, isMuch(scene.layers), state.sizes.bench);
  // What is offered stands in Whole, where that is seen.
  const offered = isOnly ? offeredNow(state) : null;
  const fold = round?.rule.fold ?? 1;
  const wedge: Wedge = round?.rule ?? { fold: 1 };
  const radius = benchRadius(figure, work) * 1.02;
  const { own, others, parts, isLined } = layersOnBench(state, scene);
  // A wedge of half a turn and more has no direction that is out of sight.
  const sight = isWide(wedge) ? 180 : SIGHT_DEGREES;
  // Where copies differ from the motif they are shown as they are; else the motif turned is all there is to show.
  const isPlain = !round || (symmetryOf(round) === fold && !round.variation && !round.whirl);
  // Artwork is seen on its own page in both themes, as dark lines would not be seen on the dark; outlines are the ink's.
  const { page } = figure;
  const inks = state.outlines ? BARE_INKS : inksOn(page.background);
  const place = placeOfView(drawn);
  const look: BenchLook = {
    view: drawn,
    size: state.sizes.bench,
    start: round?.rule.start ?? NO_TURN,
    fold,
    wedge,
    radius,
    sight,
    outline: state.outlines,
  };

  return (
    <section
      aria-label="Bench"
      className="@container relative min-w-0 overflow-hidden bg-field"
      {...dropsOf(editor, 'bench')}
    >
      <PaneCanvas
        pane="bench"
        label="Bench: one wedge, where the motif is drawn"
        moved={placeBetween(drawn, view)}
        slabs={[
          {
            key: 'ground',
            svg: <UnderMotif state={state} view={drawn} wedge={wedge} radius={radius} inks={inks} />,
          },
          ...(state.ghosts ? otherSlabs(others, look) : []),
          ...(isLined
            ? mergedSlabs(own, look)
            : parts.map(({ still, layers: shown }, k): Slab => ({
                key: `motif-${k}`,
                still,
                svg: (
                  <>
                    <defs>
                      <MotifDefs id={`bench-motif-${k}`} layers={shown} outline={state.outlines} />
                    </defs>
                    <g transform={place}>
                      <MotifAndCopies
                        id={`bench-motif-${k}`}
                        layers={shown}
                        look={look}
                        ghosts={state.ghosts}
                        plain={isPlain}
                      />
                    </g>
                  </>
                ),
              }))),
          {
            key: 'top',
            svg: (
              <OverMotif
                state={state}
                view={drawn}
                wedge={wedge}
                radius={radius}
                inks={inks}
                isHidden={isLined}
              />
            ),
          },
        ]}
        over={
          <g transform={placeOfView(view)}>
            <CellMarks sight={sight} />
            {offered && (
              <g transform={`rotate(${-degreesOf(round?.rule.start ?? NO_TURN)})`}>
                <OfferLines {...offered} />
              </g>
            )}
            {state.stage === 'proof' && <ProofMarks scale={view.scale} pane="bench" />}
          </g>
        }
      />
      <Lane />
      <BenchHeader round={round} unit={figure.page.unit} />
      <Readout pane="bench" />
      {offered && <OfferCard offer={offered.offer} place="top-[46px]" />}
      <Tray />
    </section>
  );
}
