'use client';

import { useCallback } from 'react';

import { printNumber } from '@/core/format';
import type { ProofFacts } from '@/core/proof';
import type { LengthUnit } from '@/core/number';
import type { Lit } from '@/state';
import { Section } from '@/ui/common';
import { useWorkshop } from '@/ui/desk';
import { Chart, type ChartLook } from './Chart';

const percent = (share: number): string => `${printNumber(100 * share, 1)} %`;

function useLight(): (lit: Lit | null) => void {
  const { store } = useWorkshop().proofing;
  return useCallback((lit) => store.setState({ lit }), [store]);
}

interface Props {
  readonly facts: ProofFacts;
  readonly unit: LengthUnit;
}

/** A line round the pointer, in the interface's look. */
const tooltip = (look: ChartLook) => ({
  trigger: 'axis' as const,
  backgroundColor: look.field,
  borderColor: look.line,
  textStyle: { color: look.ink, fontSize: 11 },
  padding: [4, 8],
  confine: true,
});

const axis = (look: ChartLook) => ({
  axisLine: { lineStyle: { color: look.line } },
  axisTick: { show: false },
  axisLabel: { color: look.muted, fontSize: 11 },
  splitLine: { lineStyle: { color: look.line } },
});

/** How much of the page each colour takes. */
export function InkShares({ facts }: Pick<Props, 'facts'>) {
  const light = useLight();
  const { shares, bare, spots } = facts;
  return (
    <Section title="Ink" note="share of the page">
      <div
        className="flex h-[18px] w-full overflow-hidden rounded-[5px] border border-line"
        aria-hidden="true"
      >
        {shares.map(({ colour, share }) => (
          <span key={colour} style={{ width: `${100 * share}%`, background: colour }} />
        ))}
      </div>
      <ul className="flex flex-wrap gap-x-3 gap-y-1 text-[12px]" aria-label="Share of the page by colour">
        {shares.map(({ colour, share }) => (
          <li key={colour}>
            <button
              type="button"
              className="flex min-h-[24px] items-center gap-1.5 rounded-[5px]"
              title="Pointing at it shows where it is"
              onPointerEnter={() =>
                light({ of: 'points', at: spots.find((each) => each.colour === colour)?.at ?? [] })
              }
              onPointerLeave={() => light(null)}
              onFocus={() =>
                light({ of: 'points', at: spots.find((each) => each.colour === colour)?.at ?? [] })
              }
              onBlur={() => light(null)}
            >
              <span
                className="size-[12px] rounded-full border border-line-strong"
                style={{ background: colour }}
              />
              <span className="font-mono">{colour}</span>
              <span className="font-mono text-muted">{percent(share)}</span>
            </button>
          </li>
        ))}
        <li className="flex min-h-[24px] items-center text-muted">bare {percent(bare)}</li>
      </ul>
    </Section>
  );
}

/** How much of each ring about the centre is covered, by colour. */
export function InkByDistance({ facts, unit }: Props) {
  const light = useLight();
  const { rings, shares } = facts;
  const option = useCallback(
    (look: ChartLook) => ({
      grid: { left: 34, right: 8, top: 8, bottom: 22 },
      tooltip: { ...tooltip(look), valueFormatter: (value: unknown) => percent(Number(value)) },
      xAxis: {
        type: 'category',
        boundaryGap: false,
        data: rings.map(({ radius }) => printNumber(radius, 1)),
        ...axis(look),
        axisLabel: { color: look.muted, fontSize: 11, interval: 11 },
      },
      yAxis: {
        type: 'value',
        max: 1,
        interval: 0.5,
        ...axis(look),
        axisLabel: { color: look.muted, fontSize: 11, formatter: (value: number) => `${100 * value} %` },
      },
      series: shares.map(({ colour }) => ({
        name: colour,
        type: 'line',
        stack: 'ink',
        symbol: 'none',
        lineStyle: { width: 0 },
        areaStyle: { color: colour, opacity: 1 },
        itemStyle: { color: colour },
        data: rings.map((ring) => ring.shares.find((each) => each.colour === colour)?.share ?? 0),
      })),
    }),
    [rings, shares],
  );
  const step = rings.length > 1 ? (rings[1]?.radius ?? 0) - (rings[0]?.radius ?? 0) : 0;
  return (
    <Section title="Ink by distance from the centre" note="of each ring">
      <Chart
        label="Share of each ring about the centre that is covered, by colour"
        height={136}
        option={option}
        onPoint={(k) => {
          const ring = k === null ? undefined : rings[k];
          light(ring ? { of: 'ring', inner: ring.radius - step / 2, outer: ring.radius + step / 2 } : null);
        }}
        heads={[`at ${unit}`, 'covered', 'most of it']}
        rows={rings.map((ring) => [
          printNumber(ring.radius, 1),
          percent(ring.shares.reduce((sum, { share }) => sum + share, 0)),
          ring.shares[0]?.colour ?? '',
        ])}
      />
    </Section>
  );
}

/** How much lies in each direction: even all round where the figure is balanced. */
export function WeightByDirection({ facts, unit }: Props) {
  const light = useLight();
  const { directions, off } = facts;
  const each = 360 / directions.length;
  const option = useCallback(
    (look: ChartLook) => ({
      polar: { radius: ['10%', '72%'] },
      tooltip: { ...tooltip(look), valueFormatter: (value: unknown) => percent(Number(value)) },
      angleAxis: {
        type: 'category',
        startAngle: 90,
        data: directions.map((_, k) => `${printNumber(k * each, 1)}°`),
        ...axis(look),
        splitLine: { show: false },
        axisLabel: { color: look.muted, fontSize: 11, interval: directions.length / 4 - 1 },
      },
      radiusAxis: {
        max: 1,
        axisLabel: { show: false },
        ...{ axisLine: { show: false }, axisTick: { show: false } },
        splitLine: { lineStyle: { color: look.line } },
      },
      series: [
        {
          type: 'bar',
          coordinateSystem: 'polar',
          data: directions,
          barWidth: '92%',
          itemStyle: { color: look.kelp },
        },
      ],
    }),
    [directions, each],
  );
  return (
    <Section
      title="Weight by direction"
      note={off < 1e-3 ? 'balanced' : `middle ${printNumber(off, 2)} ${unit} off`}
    >
      <Chart
        label="How much is drawn in each direction, of the most"
        height={168}
        option={option}
        onPoint={(k) => light(k === null ? null : { of: 'direction', from: k * each, to: (k + 1) * each })}
        heads={['from', 'of the most']}
        rows={directions.map((share, k) => [`${printNumber(k * each, 1)}°`, percent(share)])}
      />
    </Section>
  );
}

/** How wide details are, with what is asked of them. */
export function WidthOfDetails({ facts, unit, limit }: Props & { readonly limit: number | null }) {
  const light = useLight();
  const { widths } = facts;
  const option = useCallback(
    (look: ChartLook) => {
      const widest = widths[widths.length - 1]?.to ?? 1;
      const isMarked = limit !== null && limit < widest;
      const line = {
        silent: true,
        symbol: 'none',
        label: { formatter: 'limit', color: look.coral, fontSize: 11 },
        lineStyle: { color: look.coral },
        data: [{ xAxis: Math.max(0, Math.ceil(((limit ?? 0) * widths.length) / widest) - 1) }],
      };
      return {
        grid: { left: 8, right: 8, top: 18, bottom: 22 },
        tooltip: {
          ...tooltip(look),
          valueFormatter: (value: unknown) => `${printNumber(Number(value), 0)} ${unit}`,
        },
        xAxis: {
          type: 'category',
          data: widths.map(({ to }) => printNumber(to, 2)),
          ...axis(look),
          axisLabel: { color: look.muted, fontSize: 11, interval: 4 },
        },
        yAxis: { type: 'value', show: false },
        series: [
          {
            name: 'lines and shapes',
            type: 'bar',
            stack: 'wide',
            data: widths.map((each) => each.line),
            itemStyle: { color: look.kelp },
            ...(isMarked && { markLine: line }),
          },
          {
            name: 'gaps',
            type: 'bar',
            stack: 'wide',
            data: widths.map((each) => each.gap),
            itemStyle: { color: look.brass },
          },
        ],
      };
    },
    [widths, limit, unit],
  );
  const widest = widths[widths.length - 1]?.to ?? 0;
  if (widths.every((each) => each.line + each.gap === 0))
    return (
      <Section title="Width of details">
        <p className="text-[12px] leading-4 text-muted">
          Nothing is narrower than {printNumber(widest, 2)} {unit}.
        </p>
      </Section>
    );
  return (
    <Section title="Width of details" note={`how much edge is so wide, ${unit}`}>
      <Chart
        label="How long edges are of what is so wide"
        height={128}
        option={option}
        onPoint={(k) => light(k === null ? null : { of: 'points', at: widths[k]?.where ?? [] })}
        heads={[`up to ${unit}`, 'lines', 'gaps']}
        rows={widths.map((each) => [
          printNumber(each.to, 2),
          printNumber(each.line, 0),
          printNumber(each.gap, 0),
        ])}
      />
      <div className="flex gap-3 text-[12px] text-muted">
        <span className="flex items-center gap-1.5">
          <span className="size-[10px] rounded-[2px] bg-kelp" /> lines and shapes
        </span>
        <span className="flex items-center gap-1.5">
          <span className="size-[10px] rounded-[2px] bg-brass" /> gaps
        </span>
      </div>
    </Section>
  );
}
