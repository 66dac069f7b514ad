'use client';

import { useEditor, useEditorState, usePictureState, useWork } from '@/ui/desk';
import {
  Asterisk,
  CircleOff,
  Eye,
  EyeOff,
  Maximize2,
  Minimize2,
  PieChart,
  Play,
  Scan,
  Square,
} from 'lucide-react';
import { memo } from 'react';

import { REVEAL_SECONDS } from '@/core/format/svg';
import { addTurns, degreesOf, turn } from '@/core/number';
import { alongTurn, stepOf, type TurnRule, turnsOf } from '@/core/symmetry';
import type { Round } from '@/core/figure';
import { printNumber } from '@/core/format';
import { isMuch, type ScenePage } from '@/core/scene';
import {
  activeRound,
  benchRadius,
  type EditorState,
  offeredNow,
  partsShown,
  sceneOf,
  shownFigure,
  type View,
  wholeView,
} from '@/state';
import {
  BackgroundDefs,
  backgroundFill,
  FrameLines,
  IconButton,
  LayerCopies,
  placeBetween,
  placeOfView,
  ReliefGroup,
  type Slab,
  slabsOf,
  useSameView,
  useSettledView,
  wedgeData,
} from '@/ui/common';
import { CellMarks, OfferCard, OfferLines, PaneCanvas, Readout } from '@/ui/pane';
import { dropsOf } from '@/ui/import';
import { Lens, ProofMarks } from '@/ui/proof';
import { FoldControl } from './FoldControl';
import { Rim } from './Rim';
import { StartHandle } from './StartHandle';
import { ZoomField } from './ZoomField';

/** What is shown of the turning, and what the button goes on to. */
const MARKS = {
  wedge: { label: 'The wedge is shown: show all rays', next: 'rays' },
  rays: { label: 'All rays are shown: show neither', next: 'nothing' },
  nothing: { label: 'Neither is shown: show the wedge', next: 'wedge' },
} as const;

/** Every ray of a round, between its copies. */
const AllRays = memo(function AllRays({
  rule,
  radius,
}: {
  readonly rule: TurnRule;
  readonly radius: number;
}) {
  const half = stepOf(rule);
  const ends = turnsOf(rule).map((t) => alongTurn(addTurns(t, turn(half.num, 2 * half.den)), radius));
  return (
    <path
      d={ends.map(({ x, y }) => `M0 0L${x} ${y}`).join('')}
      stroke="var(--brass)"
      strokeOpacity={0.8}
      vectorEffect="non-scaling-stroke"
      pointerEvents="none"
    />
  );
});

/** What Whole shows, and how large; drawn again only when that changes, not with every move of a drag. */
const WholeButtons = memo(function WholeButtons() {
  const editor = useEditor();
  const reveal = useEditorState((state) => state.reveal > 0);
  const marks = useEditorState((state) => state.marks);
  const quiet = useEditorState((state) => state.quiet);
  const isWide = useEditorState((state) => state.wide === 'whole');
  return (
    <div className="pointer-events-auto ml-auto flex rounded-ui bg-sand/85">
      <IconButton
        label="Reveal copy by copy"
        on={reveal}
        onClick={() => editor.setState({ reveal: reveal ? 0 : Date.now() })}
      >
        {reveal ? <Square size={15} strokeWidth={1.7} /> : <Play size={16} strokeWidth={1.7} />}
      </IconButton>
      <IconButton label={MARKS[marks].label} onClick={() => editor.setState({ marks: MARKS[marks].next })}>
        {marks === 'wedge' ? (
          <PieChart size={17} strokeWidth={1.7} />
        ) : marks === 'rays' ? (
          <Asterisk size={18} strokeWidth={1.7} />
        ) : (
          <CircleOff size={16} strokeWidth={1.7} />
        )}
      </IconButton>
      <IconButton
        label={quiet ? 'Show wedge and rim' : 'Artwork alone'}
        on={quiet}
        onClick={() => editor.setState({ quiet: !quiet })}
      >
        {quiet ? <EyeOff size={17} strokeWidth={1.7} /> : <Eye size={17} strokeWidth={1.7} />}
      </IconButton>
      <IconButton
        label="Show all of it (0)"
        onClick={() => editor.setState({ views: { bench: null, whole: null, lane: null } })}
      >
        <Scan size={17} strokeWidth={1.7} />
      </IconButton>
      <IconButton
        label={isWide ? 'Both panes (M)' : 'Whole wide (M)'}
        on={isWide}
        onClick={() => editor.setState({ wide: isWide ? null : 'whole' })}
      >
        {isWide ? <Minimize2 size={17} strokeWidth={1.7} /> : <Maximize2 size={17} strokeWidth={1.7} />}
      </IconButton>
    </div>
  );
});

/** The upper left corner of a page. */
const cornerOf = ({ width, height, centre }: ScenePage): { left: number; top: number } => ({
  left: -width / 2 - centre.x,
  top: -height / 2 - centre.y,
});

/** The page with its background, and what is cut off around it. */
const Page = memo(function Page({
  page,
  bare,
}: {
  readonly page: ScenePage;
  /** Without its background: outlines are the ink's, and seen on the ground of the pane. */
  readonly bare: boolean;
}) {
  const { width, height, bleed } = page;
  const { left, top } = cornerOf(page);
  return (
    <>
      <BackgroundDefs page={page} id="whole-page" />
      {bleed > 0 && (
        <rect
          x={left - bleed}
          y={top - bleed}
          width={width + 2 * bleed}
          height={height + 2 * bleed}
          fill={bare ? 'none' : backgroundFill(page, 'whole-page', 'none')}
          fillOpacity={0.45}
          stroke="var(--coral)"
          strokeDasharray="5 4"
          vectorEffect="non-scaling-stroke"
        />
      )}
      <rect
        data-testid="whole-page"
        x={left}
        y={top}
        width={width}
        height={height}
        fill={bare ? 'none' : backgroundFill(page, 'whole-page', 'url(#checks)')}
        stroke="var(--line-strong)"
        vectorEffect="non-scaling-stroke"
      />
    </>
  );
});

/** What Whole shows of how the round at hand is turned: its frame, rays or wedge, and the rim. */
function WholeMarks({
  state,
  rim,
  view,
}: {
  readonly state: EditorState;
  /** Radius of the rim, in the figure's unit. */
  readonly rim: number;
  readonly view: View;
}) {
  const round = activeRound(state);
  const { page } = shownFigure(state);
  const rule = round?.rule;
  const isProof = state.stage === 'proof';
  return (
    <>
      <g transform={placeOfView(view)}>
        {!state.quiet && round && state.stage === 'setout' && (
          <g transform={`rotate(${degreesOf(round.rule.start)})`} strokeWidth={0.8}>
            <FrameLines frame={round.frame} reach={Math.max(page.width, page.height)} />
          </g>
        )}
        {!state.quiet && !isProof && state.marks === 'rays' && rule && rule.fold > 1 && (
          <AllRays rule={rule} radius={rim} />
        )}
        {!state.quiet && !isProof && state.marks === 'wedge' && rule && (
          <g transform={`rotate(${degreesOf(state.active.turn)})`}>
            <path
              d={wedgeData(rule, rim)}
              fill="var(--coral)"
              fillOpacity={rule.fold > 1 ? 0.07 : 0}
              stroke="var(--coral)"
              strokeOpacity={0.7}
              vectorEffect="non-scaling-stroke"
              pointerEvents="none"
            />
          </g>
        )}
      </g>
      {!state.quiet && !isProof && rule && <Rim rule={rule} view={view} radius={rim * view.scale} />}
    </>
  );
}

/** What the pane is, how large the page is, and how it is shown. */
const WholeHeader = memo(function WholeHeader({
  page,
  view,
}: {
  readonly page: ScenePage;
  readonly view: View;
}) {
  return (
    <header className="pointer-events-none absolute inset-x-0 top-0 flex h-[38px] items-center gap-1 pr-2 pl-2">
      <h2 className="rounded-[6px] bg-sand/85 px-1 font-semibold">Whole</h2>
      <span className="truncate rounded-[6px] bg-sand/85 px-1 text-[12px] text-muted">
        {printNumber(page.width, 3)} × {printNumber(page.height, 3)} {page.unit}
      </span>
      <ZoomField view={view} unit={page.unit} />
      <WholeButtons />
    </header>
  );
});

/** The figure's layers as they are drawn, what is in hand apart from what stands still. */
function layerSlabs(state: EditorState, drawn: View): readonly Slab[] {
  const { page } = shownFigure(state);
  return partsShown(state, sceneOf(state)).flatMap(({ still, layers: own, first }) =>
    slabsOf(
      `layers-${first}`,
      own,
      (layers) => ({
        layers,
        view: drawn,
        size: state.sizes.whole,
        outline: state.outlines,
        reveal: state.reveal > 0 ? REVEAL_SECONDS : 0,
      }),
      ({ layers, from }) => (
        <g transform={placeOfView(drawn)}>
          {layers.map((layer, k) => (
            <ReliefGroup
              key={`${layer.roundId}-${first + from + k}-${state.reveal}`}
              relief={state.outlines ? undefined : layer.relief}
              area={{ ...cornerOf(page), width: page.width, height: page.height }}
              id={`whole-relief-${first + from + k}`}
              pixelsPerUnit={drawn.scale}
            >
              <LayerCopies
                layer={layer}
                reveal={state.reveal > 0 ? REVEAL_SECONDS : 0}
                id={`whole-${first + from + k}`}
                outline={state.outlines}
              />
            </ReliefGroup>
          ))}
        </g>
      ),
      { still },
    ),
  );
}

interface OverProps {
  readonly round: Round;
  readonly view: View;
  readonly offered: ReturnType<typeof offeredNow>;
  readonly isProof: boolean;
}

/** What lies over the figure and follows it: cells that light up, what is offered, findings. */
function WholeOver({ round, view, offered, isProof }: OverProps) {
  return (
    <>
      <g transform={`${placeOfView(view)} rotate(${degreesOf(round.rule.start)})`}>
        <CellMarks />
      </g>
      {offered && (
        <g transform={placeOfView(view)}>
          <OfferLines {...offered} />
        </g>
      )}
      {isProof && (
        <g transform={placeOfView(view)}>
          <ProofMarks scale={view.scale} pane="whole" />
        </g>
      )}
    </>
  );
}

/** The pane with the complete figure, live; every copy can be edited there too. */
export function Whole() {
  const editor = useEditor();
  const work = useWork();
  const state = usePictureState();
  const figure = shownFigure(state);
  const round = activeRound(state);
  const view = useSameView(wholeView(state));
  const drawn = useSettledView(view, isMuch(sceneOf(state).layers), state.sizes.whole);
  const { page } = figure;
  const rim =
    benchRadius({ ...figure, page: { ...page, width: 0, height: 0 } }, work) * 1.05 ||
    Math.min(page.width, page.height) * 0.45;
  const place = placeOfView(drawn);
  const isProof = state.stage === 'proof';
  const offered = offeredNow(state);

  return (
    <section
      aria-label="Whole"
      className="relative min-w-0 overflow-hidden bg-sand"
      {...dropsOf(editor, 'whole')}
    >
      <PaneCanvas
        pane="whole"
        label="Whole: the complete figure"
        moved={placeBetween(drawn, view)}
        slabs={[
          {
            key: 'page',
            svg: (
              <g transform={place}>
                <Page page={page} bare={state.outlines} />
              </g>
            ),
          },
          ...layerSlabs(state, drawn),
          {
            key: 'marks',
            svg: <WholeMarks state={state} rim={rim} view={drawn} />,
          },
        ]}
        over={round && <WholeOver round={round} view={view} offered={offered} isProof={isProof} />}
      />
      {!state.quiet && !isProof && round && (
        <StartHandle
          id={round.id}
          rule={round.rule}
          locked={round.locked}
          view={view}
          radius={rim * view.scale}
        />
      )}
      {isProof && <Lens view={view} />}
      <WholeHeader page={page} view={view} />
      <Readout pane="whole" />
      {offered && (
        <OfferCard
          offer={offered.offer}
          place={state.wide === 'whole' ? 'bottom-[176px]' : 'bottom-[62px]'}
        />
      )}
      {round && !isProof && (
        <FoldControl
          name={round.name}
          rule={round.rule}
          locked={round.locked}
          place={`left-1/2 -translate-x-1/2 ${state.wide === 'whole' ? 'bottom-[126px]' : 'bottom-3'}`}
        />
      )}
    </section>
  );
}
