'use client';

import { useState } from 'react';

import { printNumber } from '@/core/format';
import { convertLength } from '@/core/number';
import { checksOf, type ProofFacts } from '@/core/proof';
import { firstColour } from '@/core/paint';
import type { ScenePage } from '@/core/scene';
import { askedTarget, sceneOf, shownFigure } from '@/state';
import { Button, Section } from '@/ui/common';
import { useEditorState, useProof, useRestState } from '@/ui/desk';
import { InkByDistance, InkShares, WeightByDirection, WidthOfDetails } from './ProofCharts';
import { LookSheet } from './LookSheet';
import { looksOf } from './looks';
import { LookView } from './LookView';
import { PixelView } from './PixelView';
import { ReportButtons } from './ReportButtons';
import { SIZES, useRasters, type Drawn } from './useRasters';

/** Pixels across of what looks are made of. */
const LOOK_SIDE = 180;

/** The first ground of one's own. */
const FIRST_GROUND = '#e9b44c';

/** The figure at the sizes of icons, in real pixels, and the smallest magnified beside. */
function Small({ small }: Pick<Drawn, 'small'>) {
  const at = (size: number): ImageData | undefined => small[SIZES.indexOf(size as 16)];
  const magnified = [
    { size: 16, times: 6 },
    { size: 32, times: 3 },
  ];
  const rows = [[64], [128, 48, 32, 24, 16]] as const;
  const plain = (size: number) => {
    const pixels = at(size);
    return (
      <figure key={size} className="text-center text-[11px] text-muted">
        {pixels && <PixelView pixels={pixels} times={1} label={`${size} px`} className="mx-auto" />}
        <figcaption>{size} px</figcaption>
      </figure>
    );
  };
  return (
    <Section title="Small" note="real pixels, and magnified">
      <div className="flex items-end gap-2">
        {magnified.map(({ size, times }) => {
          const pixels = at(size);
          return (
            <figure key={size} className="text-center text-[11px] text-muted">
              {pixels && (
                <PixelView
                  pixels={pixels}
                  times={times}
                  label={`${size} px, ${times} times as large`}
                  className="rounded-[5px] border border-line"
                />
              )}
              <figcaption>
                {size} px × {times}
              </figcaption>
            </figure>
          );
        })}
        {rows[0].map(plain)}
      </div>
      <div className="flex items-end gap-2.5">{rows[1].map(plain)}</div>
    </Section>
  );
}

/** The least that is there, against what is asked. */
function Smallest({ facts, page, limit }: { facts: ProofFacts; page: ScenePage; limit: number | null }) {
  const { unit } = page;
  const entries: [string, number | null, string, boolean][] = [
    ['line', facts.thinnest, unit, facts.thinnest !== null && limit !== null && facts.thinnest < limit],
    ['gap', facts.narrowest, unit, facts.narrowest !== null && limit !== null && facts.narrowest < limit],
    ['cell', facts.smallest, `${unit}²`, false],
  ];
  return (
    <Section title="Smallest" note={`at ${printNumber(page.width, 2)} ${unit}`}>
      <dl className="grid grid-cols-3 gap-2">
        {entries.map(([name, value, of, isLess]) => (
          <div
            key={name}
            className="flex flex-col-reverse rounded-ui border border-line bg-field px-1 py-1.5 text-center"
          >
            <dt className="text-[12px] text-muted">{name}</dt>
            <dd className={`font-mono text-[12px] font-semibold ${isLess ? 'text-coral-text' : ''}`}>
              {value === null ? '–' : `${printNumber(value, 3)} ${of}`}
            </dd>
          </div>
        ))}
      </dl>
      <p className="text-[12px] leading-4 text-muted">
        {facts.fold > 1 ? `Turned by 1/${facts.fold} it is the same. ` : ''}
        {facts.cut &&
          `A tool follows ${printNumber(facts.cut.length, 0)} ${unit} in ${facts.cut.pierces} lines.`}
      </p>
    </Section>
  );
}

/** The width that the target asks for, in the figure's unit; null where it asks for none. */
function askedWidth(page: ScenePage, target: ReturnType<typeof askedTarget>): number | null {
  for (const { check, limits } of checksOf(target)) {
    if (check.id === 'thin') return convertLength(limits['width'] ?? 0, 'mm', page.unit);
    if (check.id === 'thinAtSize')
      return ((limits['pixels'] ?? 0) * Math.max(page.width, page.height)) / (limits['size'] ?? 1);
  }
  return null;
}

/** The figure as others will see it, and what is told of it in numbers. */
export function LooksPanel() {
  const state = useRestState();
  const scene = sceneOf(state);
  const { page } = scene;
  const target = useEditorState((now) => askedTarget(shownFigure(now)));
  const facts = useProof((proof) => proof.facts);
  const { drawn, problem } = useRasters(scene, LOOK_SIDE);
  const [ground, setGround] = useState(FIRST_GROUND);
  const [open, setOpen] = useState<string | null>(null);
  const inks = facts?.shares.map(({ colour }) => colour) ?? [];
  const looks = looksOf(inks.slice(0, 12), ground, firstColour(page.background) ?? '#ffffff');
  const limit = askedWidth(page, target);
  return (
    <aside
      aria-label="Looks"
      className="flex min-h-0 min-w-0 flex-col overflow-y-auto border-l border-line bg-shell"
    >
      {problem && (
        <p role="alert" className="px-4 py-2 text-[12px] text-coral-text">
          {problem}
        </p>
      )}
      {drawn && (
        <>
          <Small small={drawn.small} />
          <Section title="Looks" note="click one to see it large">
            <div className="grid grid-cols-4 gap-2">
              {looks
                .filter(({ id, real }) => id !== 'plain' && !real)
                .map((look) => (
                  <figure key={look.id} className="min-w-0 text-center text-[11px] text-muted">
                    <button
                      type="button"
                      aria-label={`${look.name}: see it large`}
                      className="block aspect-square w-full overflow-hidden rounded-[6px] border border-line hover:border-edge"
                      onClick={() => setOpen(look.id)}
                    >
                      <LookView look={look} rasters={drawn.rasters} id="panel" />
                    </button>
                    <figcaption className="truncate" title={look.name}>
                      {look.name}
                    </figcaption>
                  </figure>
                ))}
            </div>
            <div className="flex items-center justify-between">
              <Button tone="quiet" className="-ml-2 px-2 text-[12px]" onClick={() => setOpen('size')}>
                True size
              </Button>
              <Button tone="quiet" className="px-2 text-[12px]" onClick={() => setOpen('256')}>
                256 px
              </Button>
              <label className="flex items-center gap-2 text-[12px] text-muted">
                Your ground
                <input
                  type="color"
                  aria-label="Your ground"
                  value={ground}
                  className="h-[26px] w-[44px] rounded-[5px] border border-line-strong bg-field"
                  onChange={(event) => setGround(event.target.value)}
                />
              </label>
            </div>
          </Section>
        </>
      )}
      {facts && (
        <>
          <Smallest facts={facts} page={page} limit={limit} />
          <InkShares facts={facts} />
          <InkByDistance facts={facts} unit={page.unit} />
          <WeightByDirection facts={facts} unit={page.unit} />
          <WidthOfDetails facts={facts} unit={page.unit} limit={limit} />
        </>
      )}
      <ReportButtons />
      {open !== null && <LookSheet first={open} looks={looks} onClose={() => setOpen(null)} />}
    </aside>
  );
}
