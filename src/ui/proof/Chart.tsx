'use client';

import { BarChart, LineChart } from 'echarts/charts';
import {
  AriaComponent,
  GridComponent,
  MarkLineComponent,
  PolarComponent,
  TooltipComponent,
} from 'echarts/components';
import { init, use as register, type EChartsCoreOption } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';
import { useEffect, useRef } from 'react';

import { useMedia, useTheme } from '@/ui/common';

register([
  AriaComponent,
  BarChart,
  GridComponent,
  LineChart,
  MarkLineComponent,
  PolarComponent,
  SVGRenderer,
  TooltipComponent,
]);

/** The interface's own colours, as charts need them. */
export interface ChartLook {
  readonly ink: string;
  readonly muted: string;
  readonly line: string;
  readonly field: string;
  readonly coral: string;
  readonly kelp: string;
  readonly brass: string;
}

function lookNow(): ChartLook {
  const style = getComputedStyle(document.documentElement);
  const of = (name: string): string => style.getPropertyValue(`--${name}`).trim();
  return {
    ink: of('ink'),
    muted: of('muted'),
    line: of('line'),
    field: of('field'),
    coral: of('coral'),
    kelp: of('kelp'),
    brass: of('brass'),
  };
}

interface Props {
  /** What it shows, for who does not see it. */
  readonly label: string;
  readonly height: number;
  readonly option: (look: ChartLook) => EChartsCoreOption;
  /** Told the place in the row that the pointer is at, or null where it left. */
  readonly onPoint: (index: number | null) => void;
  /** The numbers: heads, and a row for each place. */
  readonly heads: readonly string[];
  readonly rows: readonly (readonly string[])[];
}

/** A chart in the interface's own look, with its numbers as a table beneath. */
export function Chart({ label, height, option, onPoint, heads, rows }: Props) {
  const element = useRef<HTMLDivElement>(null);
  const point = useRef(onPoint);
  useEffect(() => {
    point.current = onPoint;
  }, [onPoint]);
  const theme = useTheme();
  const isDark = useMedia('(prefers-color-scheme: dark)');
  useEffect(() => {
    const target = element.current;
    if (!target) return undefined;
    const chart = init(target, null, { renderer: 'svg' });
    const look = lookNow();
    chart.setOption({
      animation: false,
      textStyle: { fontFamily: 'Instrument Sans Variable, sans-serif', fontSize: 11, color: look.muted },
      aria: { enabled: true, label: { description: label } },
      ...option(look),
    });
    chart.on('updateAxisPointer', (event) => {
      const { dataIndex } = event as { dataIndex?: number };
      point.current(dataIndex ?? null);
    });
    const leave = (): void => point.current(null);
    target.addEventListener('pointerleave', leave);
    const observer = new ResizeObserver(() => chart.resize());
    observer.observe(target);
    return () => {
      target.removeEventListener('pointerleave', leave);
      observer.disconnect();
      chart.dispose();
    };
  }, [option, label, theme, isDark]);
  return (
    <>
      <div ref={element} role="img" aria-label={label} style={{ height }} className="w-full" />
      <details className="text-[12px]">
        <summary className="cursor-pointer rounded-[5px] text-muted hover:text-ink">Numbers</summary>
        <div
          className="max-h-[180px] overflow-y-auto"
          tabIndex={0}
          role="region"
          aria-label={`${label}: numbers`}
        >
          <table className="w-full font-mono text-[11px]">
            <thead>
              <tr className="text-left text-muted">
                {heads.map((head) => (
                  <th key={head} scope="col" className="py-0.5 pr-2 font-normal">
                    {head}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {rows.map((row, k) => (
                <tr key={k} className="border-t border-line">
                  {row.map((cell, column) => (
                    <td key={column} className="py-0.5 pr-2">
                      {cell}
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      </details>
    </>
  );
}
