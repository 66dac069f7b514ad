'use client';

import { aboveZero } from '@/core/finding';
import { Ban } from 'lucide-react';
import { memo, type MouseEvent, type ReactNode } from 'react';

import { addToPalette } from '@/core/figure/commands';
import { startStroke } from '@/core/figure';
import { calledColour, type ColourNames, firstColour } from '@/core/paint';
import type { Colour, Fill } from '@/core/scene';
import { act, activeRound, shownFigure } from '@/state';
import { CHECKS, fillBackground, LengthField, Popup } from '@/ui/common';
import { common, paintInUse, useCalmState, useEditor } from '@/ui/desk';
import { ColourField } from '@/ui/colour';

type Side = 'fill' | 'stroke';

/** Colours of the palette that there is room for; the others are in the swatches. */
const MOST_CHIPS = 7;

interface SwatchProps {
  readonly side: Side;
  readonly isOn: boolean;
  readonly isOff: boolean;
  readonly value: Fill | null;
  readonly mixed: boolean;
  readonly children: ReactNode;
  readonly onOpen: () => void;
}

/** Fill or stroke as it is, which opens to be changed; a click also has the palette's colours go to it. */
function SideSwatch({ side, isOn, isOff, value, mixed, children, onOpen }: SwatchProps) {
  const name = side === 'fill' ? 'Fill' : 'Stroke';
  const said = mixed ? 'several' : (firstColour(value) ?? 'none');
  return (
    <Popup
      button={{
        'aria-label': `${name} at hand: ${said}`,
        title: `${name}: ${said}`,
        disabled: isOff,
        onClick: onOpen,
        className: `relative size-[28px] overflow-hidden rounded-[7px] border disabled:opacity-30 ${isOn ? 'border-ink outline-2 outline-offset-1 outline-ink' : 'border-line-strong hover:border-edge'}`,
        style: { background: CHECKS },
        children: <SideFace side={side} value={value} mixed={mixed} />,
      }}
      anchor="top start"
      className="w-[262px]"
    >
      {children}
    </Popup>
  );
}

/** What a side is painted with, as it stands on its button. */
function SideFace({ side, value, mixed }: Pick<SwatchProps, 'side' | 'value' | 'mixed'>) {
  if (mixed)
    return <span className="absolute inset-0 bg-field text-[11px] leading-[26px] text-muted">≠</span>;
  const style =
    side === 'fill'
      ? { background: fillBackground(value) }
      : { boxShadow: `inset 0 0 0 7px ${firstColour(value) ?? 'transparent'}` };
  return (
    <>
      <span className="absolute inset-0" style={style} />
      {value === null && (
        <Ban size={15} strokeWidth={1.7} aria-hidden className="absolute inset-0 m-auto text-muted" />
      )}
    </>
  );
}

/** Fill, stroke and width of what comes next, or of what is selected, beside the tools in every stage. */
export function PaintAtHand() {
  const { state, hands } = useCalmState();
  return <Paints state={state} hands={hands} />;
}

/** What follows the panes a little behind is apart, so that it is not drawn when there is something to follow, but when it does. */
const Paints = memo(function Paints({ state, hands }: ReturnType<typeof useCalmState>) {
  const editor = useEditor();
  const round = activeRound(state);
  if (!round) return null;
  const { page, palette, colourNames } = shownFigure(state);
  const inUse = paintInUse(editor, state, round);
  const { first, paints, what, isLines, isPlaced, isAtHand, fillWith, strokeWith } = inUse;
  const side: Side = isLines || (first.fill === null && first.stroke) ? 'stroke' : state.paintSide;
  const fills = new Set(paints.map(({ fill }) => JSON.stringify(fill)));
  const strokes = paints.flatMap(({ stroke }) => stroke ?? []);
  const colours = new Set(paints.map(({ stroke }) => JSON.stringify(stroke?.colour ?? null)));
  const off = isPlaced || (round.locked && !isAtHand);
  const give = (colour: Colour | null, to: Side): void => {
    if (to === 'fill') fillWith(colour);
    else strokeWith(colour === null ? null : { colour });
  };
  const chip = (event: MouseEvent, colour: Colour | null): void =>
    give(colour, event.shiftKey ? 'stroke' : side);
  const keep = (colour: Colour): void => act(editor, 'Keep colour', (each) => addToPalette(each, colour));
  const now = side === 'fill' ? first.fill : (first.stroke?.colour ?? null);
  const ofWhat = isAtHand && isLines ? 'of the next line' : what;

  return (
    <div
      role="group"
      aria-label="Paint at hand"
      data-guide-at="palette"
      className="flex w-[104px] shrink-0 flex-col gap-[2px] px-px @max-[480px]:w-auto @max-[480px]:flex-row @max-[480px]:items-center @max-[480px]:gap-2.5"
      {...hands}
    >
      <span
        className="truncate pl-0.5 text-[11px] leading-[14px] text-muted @max-[480px]:hidden"
        title={`Paint ${ofWhat}`}
      >
        {ofWhat}
      </span>
      <div className="flex items-center gap-[7px] pl-px @max-[480px]:w-[112px]">
        <SideSwatch
          side="fill"
          isOn={side === 'fill'}
          isOff={off || isLines}
          value={first.fill}
          mixed={fills.size > 1}
          onOpen={() => editor.setState({ paintSide: 'fill' })}
        >
          <ColourField
            label="Fill"
            value={firstColour(first.fill)}
            mixed={fills.size > 1}
            palette={palette}
            onChange={fillWith}
            onKeep={keep}
          />
        </SideSwatch>
        <SideSwatch
          side="stroke"
          isOn={side === 'stroke'}
          isOff={off}
          value={first.stroke?.colour ?? null}
          mixed={colours.size > 1}
          onOpen={() => editor.setState({ paintSide: 'stroke' })}
        >
          <ColourField
            label="Stroke"
            value={firstColour(first.stroke?.colour ?? null)}
            mixed={colours.size > 1}
            palette={palette}
            onChange={(colour, key) => strokeWith(colour === null ? null : { colour }, key)}
            onKeep={keep}
          />
        </SideSwatch>
        <div className="min-w-0 flex-1 [&_input]:px-1 [&_input]:text-right">
          <LengthField
            label="Width at hand"
            value={common(
              strokes.length > 0 ? strokes : [first.stroke ?? startStroke(page)],
              ({ width }) => width,
            )}
            in={page.unit}
            unit=""
            step={0.25}
            disabled={off}
            refuse={aboveZero('A width')}
            onChange={(width) => strokeWith({ width }, 'stroke-width')}
          />
        </div>
      </div>
      <Chips
        palette={palette}
        names={colourNames}
        side={side}
        now={now}
        disabled={off}
        isNoneOff={off || (isLines && side === 'stroke')}
        onGive={chip}
      />
    </div>
  );
});

interface ChipsProps {
  readonly palette: readonly Colour[];
  readonly names: ColourNames | undefined;
  readonly side: Side;
  /** What the side has now. */
  readonly now: Fill | null;
  readonly disabled: boolean;
  readonly isNoneOff: boolean;
  readonly onGive: (event: MouseEvent, colour: Colour | null) => void;
}

/** None, and the first colours of the palette. */
function Chips({ palette, names, side, now, disabled, isNoneOff, onGive }: ChipsProps) {
  return (
    <div className="grid grid-cols-4 gap-[2px] @max-[480px]:w-[206px] @max-[480px]:grid-cols-8">
      <button
        type="button"
        data-chip
        aria-label={`No ${side}`}
        title={`No ${side}; with Shift no stroke`}
        disabled={isNoneOff}
        className="inline-flex h-[24px] items-center justify-center rounded-[5px] border border-line-strong bg-field text-muted hover:border-edge disabled:opacity-30"
        onClick={(event) => onGive(event, null)}
      >
        <Ban size={11} strokeWidth={1.9} aria-hidden />
      </button>
      {palette.slice(0, MOST_CHIPS).map((colour) => (
        <button
          key={colour}
          type="button"
          data-chip
          aria-label={`${calledColour(colour, names)} at hand`}
          aria-pressed={colour === now}
          title={`${calledColour(colour, names)}: the ${side}; with Shift the stroke`}
          disabled={disabled}
          className={`h-[24px] rounded-[5px] border disabled:opacity-30 ${colour === now ? 'border-ink outline-1 outline-ink' : 'border-line-strong hover:border-edge'}`}
          style={{ background: colour }}
          onClick={(event) => onGive(event, colour)}
        />
      ))}
    </div>
  );
}
