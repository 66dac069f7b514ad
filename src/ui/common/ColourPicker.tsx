'use client';

import { colourOfOklch, isInSrgb, notationsOf, type Oklch, oklchOf } from '@/core/paint';
import type { Colour } from '@/core/scene';
import { useState } from 'react';
import { CHECKS } from './fillBackground';

type Axis = 'l' | 'c' | 'h' | 'alpha';

const AXES: readonly { axis: Axis; label: string; most: number; step: number; by: number; unit: string }[] = [
  { axis: 'l', label: 'Lightness', most: 1, step: 0.005, by: 100, unit: '%' },
  { axis: 'c', label: 'Chroma', most: 0.34, step: 0.002, by: 1000, unit: '' },
  { axis: 'h', label: 'Hue', most: 360, step: 1, by: 1, unit: '°' },
  { axis: 'alpha', label: 'Opacity', most: 1, step: 0.01, by: 100, unit: '%' },
];

const SAMPLES = 40;

/** The colours along an axis; where sRGB has none, nothing. */
function trackOf(own: Oklch, axis: Axis, most: number): string {
  if (axis === 'alpha') {
    const solid = colourOfOklch({ ...own, alpha: 1 });
    return `linear-gradient(90deg, ${solid}00, ${solid}), ${CHECKS}`;
  }
  const stops = Array.from({ length: SAMPLES }, (_, k) => {
    const at = { ...own, alpha: 1, [axis]: (most * (k + 0.5)) / SAMPLES };
    const colour = isInSrgb(at) ? colourOfOklch(at) : 'transparent';
    return `${colour} ${(100 * k) / SAMPLES}% ${(100 * (k + 1)) / SAMPLES}%`;
  });
  return `linear-gradient(90deg, ${stops.join(', ')}), repeating-linear-gradient(135deg, var(--line-strong) 0 2px, var(--field) 2px 6px)`;
}

interface Props {
  readonly label: string;
  readonly value: Colour;
  readonly onChange: (colour: Colour) => void;
}

/** A colour by lightness, chroma and hue (OKLCH); hatched is what a screen of sRGB cannot show. */
export function ColourPicker({ label, value, onChange }: Props) {
  // What was asked for is kept while it is this colour: rounding to hex digits would move the other sliders.
  const [asked, setAsked] = useState<{ readonly own: Oklch; readonly colour: Colour } | null>(null);
  const own = asked?.colour === value ? asked.own : oklchOf(value, asked?.own.h);
  const words = notationsOf(value);
  const move = (axis: Axis, to: number): void => {
    const next = { ...own, [axis]: to };
    const colour = colourOfOklch(next);
    setAsked({ own: next, colour });
    onChange(colour);
  };
  return (
    <div className="flex w-[236px] flex-col gap-2.5" role="group" aria-label={`${label} in OKLCH`}>
      {AXES.map(({ axis, label: name, most, step, by, unit }) => (
        <label key={axis} className="flex flex-col gap-1">
          <span className="flex justify-between text-[12px]">
            <span className="text-muted">{name}</span>
            <span className="font-mono">
              {Math.round(own[axis] * by)}
              {unit}
            </span>
          </span>
          <input
            type="range"
            className="colour-range"
            aria-label={`${label} ${name.toLowerCase()}`}
            min={0}
            max={most}
            step={step}
            value={own[axis]}
            style={{ background: trackOf(own, axis, most) }}
            onChange={(event) => move(axis, event.target.valueAsNumber)}
          />
        </label>
      ))}
      {!isInSrgb(own) && (
        <p role="status" className="text-[12px] leading-4 text-brass-text">
          Outside sRGB: the nearest that a screen shows is taken.
        </p>
      )}
      <dl className="grid grid-cols-[52px_minmax(0,1fr)] gap-x-2 gap-y-0.5 border-t border-line pt-2 text-[12px]">
        <dt className="text-muted">RGB</dt>
        <dd className="font-mono">{words.rgb}</dd>
        <dt className="text-muted">HSL</dt>
        <dd className="font-mono">{words.hsl}</dd>
        <dt className="text-muted">OKLCH</dt>
        <dd className="font-mono">{words.oklch}</dd>
        <dt className="text-muted" title="By plain arithmetic, without a profile of ink and paper">
          CMYK ≈
        </dt>
        <dd className="font-mono">{words.cmyk}</dd>
      </dl>
    </div>
  );
}
