'use client';

import { useRef, useState, type PointerEvent } from 'react';
import { ArrowLeftRight, Trash2 } from 'lucide-react';

import type { Point } from '@/core/curve';
import { fadedColour, opacityOf, reversedStops, withRun, withStop } from '@/core/paint';
import { LIMITS } from '@/core/figure';
import { type Colour, type Gradient, type GradientStop, type Spread, SPREADS } from '@/core/scene';
import type { LengthUnit } from '@/core/number';
import {
  Button,
  CHECKS,
  Choices,
  IconButton,
  LengthField,
  Row,
  Segmented,
  ShareField,
  stopList,
} from '@/ui/common';
import { ColourField } from './ColourField';

const SPREAD_NAMES: Record<Spread, string> = {
  cell: 'Each cell',
  copy: 'Each copy',
  selection: 'Selection',
  round: 'Whole round',
  page: 'Page',
};

interface Props {
  readonly label: string;
  readonly value: Gradient;
  readonly palette: readonly Colour[];
  readonly unit: LengthUnit;
  /** Where it begins and ends over the whole of what it covers. */
  readonly endsOf: (kind: Gradient['kind'], spread: Spread) => [Point, Point];
  /** It spread over something else; without it there is nothing to choose. */
  readonly respread?: (gradient: Gradient, spread: Spread) => Gradient;
  readonly onChange: (gradient: Gradient, key: string | null) => void;
  readonly onKeep: (colour: Colour) => void;
}

const percent = (share: number): number => Math.round(share * 1000) / 10;

/** Stops of a gradient on a bar, what it is spread over, and where it begins and ends. */
export function GradientEditor({ label, value, palette, unit, endsOf, respread, onChange, onKeep }: Props) {
  const { stops, kind, spread } = value;
  const [picked, setPicked] = useState(0);
  const at = Math.min(picked, stops.length - 1);
  const change = (part: Partial<Gradient>, key: string | null = null): void =>
    onChange({ ...value, ...part }, key);
  const changeStop = (k: number, part: Partial<GradientStop>, key: string | null = null): void =>
    change({ stops: stops.map((each, j) => (j === k ? { ...each, ...part } : each)) }, key);
  const addAt = (share: number): void => {
    if (stops.length >= LIMITS.stops) return;
    const made = withStop(stops, Math.round(share * 1000) / 1000);
    setPicked(made.index);
    change({ stops: made.stops });
  };
  const removeStop = (): void => {
    if (stops.length < 3) return;
    change({ stops: stops.filter((_, k) => k !== at) });
    setPicked(Math.max(0, at - 1));
  };
  const isWithTheShape = spread === 'cell' || spread === 'copy' || spread === 'selection';
  const ends = { label, value, unit, change };

  return (
    <div className="flex flex-col gap-2" role="group" aria-label={`${label} gradient`}>
      <StopBar
        label={label}
        stops={stops}
        at={at}
        onPick={setPicked}
        onAdd={addAt}
        onMove={(k, share) => changeStop(k, { at: share }, `${label}-stop-${k}`)}
        onRemove={removeStop}
      />
      <StopFields
        label={label}
        stops={stops}
        at={at}
        palette={palette}
        onChange={(part, key) => changeStop(at, part, key)}
        onKeep={onKeep}
      />
      <div className="flex items-center justify-between gap-1.5">
        <span className="text-[12px] text-muted">
          Stop {at + 1} of {stops.length}
        </span>
        <span className="flex-1" />
        <IconButton label="Reverse the stops" onClick={() => change({ stops: reversedStops(stops) })}>
          <ArrowLeftRight size={16} strokeWidth={1.7} />
        </IconButton>
        <IconButton label="Remove the stop" disabled={stops.length < 3} onClick={removeStop}>
          <Trash2 size={16} strokeWidth={1.7} />
        </IconButton>
      </div>
      {respread && (
        <>
          <span className="text-[12px] text-muted">Spread over</span>
          <Choices
            label={`${label} spread over`}
            value={spread}
            choices={SPREADS.map((each) => ({ value: each, label: SPREAD_NAMES[each] }))}
            onChange={(next) => onChange(respread(value, next), null)}
          />
        </>
      )}
      {isWithTheShape && (
        <Row caption="In mirrors">
          <Segmented
            label={`${label} in mirrors`}
            value={value.straight ? 'straight' : 'mirrored'}
            choices={[
              { value: 'mirrored', label: 'Mirrored' },
              { value: 'straight', label: 'Straight' },
            ]}
            onChange={(next) => change({ straight: next === 'straight' })}
          />
        </Row>
      )}
      <Row caption={kind === 'radial' ? 'Centre' : 'Start'}>
        <EndField end="from" axis="x" {...ends} />
        <EndField end="from" axis="y" {...ends} />
      </Row>
      <Row caption={kind === 'radial' ? 'Rim' : 'End'}>
        <EndField end="to" axis="x" {...ends} />
        <EndField end="to" axis="y" {...ends} />
      </Row>
      {value.across && (
        <Button onClick={() => onChange(withRun(value, value.from, value.to), null)}>Round rings</Button>
      )}
      <Button onClick={() => onChange(withRun(value, ...endsOf(kind, spread)), null)}>
        Fit to what it covers
      </Button>
    </div>
  );
}

interface BarProps {
  readonly label: string;
  readonly stops: readonly GradientStop[];
  /** The stop that is worked on. */
  readonly at: number;
  readonly onPick: (stop: number) => void;
  readonly onAdd: (share: number) => void;
  readonly onMove: (stop: number, share: number) => void;
  /** Removes the one that is worked on. */
  readonly onRemove: () => void;
}

const ARROWS: Readonly<Record<string, number>> = { ArrowLeft: -0.01, ArrowRight: 0.01 };

/** The stops on a bar: clicked to add one, dragged or moved by arrows, each between its neighbours. */
function StopBar({ label, stops, at, onPick, onAdd, onMove, onRemove }: BarProps) {
  const bar = useRef<HTMLDivElement>(null);
  const dragged = useRef<number | null>(null);
  const shareAt = (event: PointerEvent): number => {
    const box = bar.current?.getBoundingClientRect();
    return box ? Math.min(1, Math.max(0, (event.clientX - box.left) / box.width)) : 0;
  };
  const move = (k: number, share: number): void => {
    const [least, most] = [stops[k - 1]?.at ?? 0, stops[k + 1]?.at ?? 1];
    const next = Math.round(Math.min(most, Math.max(least, share)) * 1000) / 1000;
    if (next !== stops[k]?.at) onMove(k, next);
  };
  return (
    <div
      ref={bar}
      className="relative mt-1 mb-4 h-[22px] rounded-ui border border-line-strong"
      style={{ background: `linear-gradient(90deg, ${stopList(stops)}), ${CHECKS}` }}
      title="Click to add a stop"
      onPointerDown={(event) => {
        if (event.target === event.currentTarget) onAdd(shareAt(event));
      }}
    >
      {stops.map((each, k) => (
        <button
          key={k}
          type="button"
          aria-label={`${label} stop ${k + 1} of ${stops.length}, ${percent(each.at)} %`}
          aria-pressed={k === at}
          className={`absolute top-[12px] size-[20px] -translate-x-1/2 cursor-ew-resize touch-none rounded-full border-2 ${k === at ? 'z-10 border-ink outline-2 outline-field' : 'border-field outline-1 outline-edge'}`}
          style={{ left: `${100 * each.at}%`, background: each.colour }}
          onPointerDown={(event) => {
            event.stopPropagation();
            event.currentTarget.setPointerCapture(event.pointerId);
            dragged.current = k;
            onPick(k);
          }}
          onPointerMove={(event) => dragged.current === k && move(k, shareAt(event))}
          onPointerUp={() => (dragged.current = null)}
          onPointerCancel={() => (dragged.current = null)}
          onKeyDown={(event) => {
            const step = ARROWS[event.key];
            const isRemoval = event.key === 'Delete' || event.key === 'Backspace';
            if (step === undefined && !isRemoval) return;
            event.stopPropagation();
            if (isRemoval) onRemove();
            else if (step !== undefined) move(k, each.at + (event.shiftKey ? 10 : 1) * step);
          }}
        />
      ))}
    </div>
  );
}

interface StopProps {
  readonly label: string;
  readonly stops: readonly GradientStop[];
  readonly at: number;
  readonly palette: readonly Colour[];
  readonly onChange: (part: Partial<GradientStop>, key: string | null) => void;
  readonly onKeep: (colour: Colour) => void;
}

/** Colour, place and opacity of one stop, and where the run to the next one is half way. */
function StopFields({ label, stops, at, palette, onChange, onKeep }: StopProps) {
  const stop = stops[at];
  if (!stop) return null;
  return (
    <>
      <ColourField
        label={`${label} stop`}
        value={stop.colour}
        mixed={false}
        palette={palette}
        onChange={(colour, key) => onChange({ colour: colour ?? '#00000000' }, key)}
        onKeep={onKeep}
      />
      <div className="flex flex-col gap-1.5">
        <ShareField
          label={`${label} stop position`}
          caption="At"
          unit="%"
          value={percent(stop.at)}
          least={percent(stops[at - 1]?.at ?? 0)}
          most={percent(stops[at + 1]?.at ?? 1)}
          step={5}
          onChange={(next) => onChange({ at: next / 100 }, `${label}-stop-${at}`)}
        />
        <ShareField
          label={`${label} stop opacity`}
          caption="Opacity"
          unit="%"
          value={percent(opacityOf(stop.colour))}
          least={0}
          most={100}
          step={5}
          onChange={(next) => onChange({ colour: fadedColour(stop.colour.slice(0, 7), next / 100) }, null)}
        />
        {at < stops.length - 1 && (
          <ShareField
            label={`${label} stop midpoint`}
            caption="Midpoint"
            unit="%"
            value={percent(stop.middle ?? 0.5)}
            least={1}
            most={99}
            step={5}
            onChange={(next) => onChange({ middle: next / 100 }, `${label}-middle-${at}`)}
          />
        )}
      </div>
    </>
  );
}

interface EndProps {
  readonly label: string;
  readonly value: Gradient;
  readonly unit: LengthUnit;
  readonly end: 'from' | 'to';
  readonly axis: 'x' | 'y';
  readonly change: (part: Partial<Gradient>, key: string) => void;
}

/** One number of where a gradient begins or ends: a share of each cell, or a length, upward as more. */
function EndField({ label, value, unit, end, axis, change }: EndProps) {
  const isShare = value.spread === 'cell';
  const sign = axis === 'y' && !isShare ? -1 : 1;
  const name = `${label} ${end === 'from' ? 'start' : 'end'} ${axis}`;
  const number = sign * value[end][axis] || 0;
  const put = (next: number): void =>
    change({ [end]: { ...value[end], [axis]: sign * next } }, `${label}-${end}-${axis}`);
  return isShare ? (
    <ShareField
      label={name}
      value={percent(number)}
      unit="%"
      least={-1000}
      most={1000}
      step={5}
      onChange={(next) => put(next / 100)}
    />
  ) : (
    <LengthField label={name} value={number} in={unit} onChange={put} />
  );
}
