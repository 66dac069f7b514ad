'use client';

import type { TraceOptions } from '@/core/curve';
import { Button, Row, Segmented, ShareField } from '@/ui/common';
import { traceUnderlay, useEditor } from '@/ui/desk';
import { useWatched } from './useWatched';

interface Props {
  readonly disabled: boolean;
  readonly options: TraceOptions;
  readonly onChange: (options: TraceOptions) => void;
}

/** Makes paths of the underlay. */
export function TracePanel({ disabled, options, onChange }: Props) {
  const editor = useEditor();
  const { work, run } = useWatched();
  const set = (part: Partial<TraceOptions>): void => onChange({ ...options, ...part });
  return (
    <>
      <Row caption="Trace what is">
        <Segmented
          label="Trace what is"
          value={options.light ? 'light' : 'dark'}
          choices={[
            { value: 'dark', label: 'Dark' },
            { value: 'light', label: 'Light' },
          ]}
          onChange={(tone) => set({ light: tone === 'light' })}
        />
      </Row>
      <ShareField
        label="Trace threshold"
        caption="Threshold"
        value={options.threshold}
        least={0.02}
        most={0.98}
        onChange={(threshold) => set({ threshold })}
      />
      <ShareField
        label="Trace smoothness"
        caption="Smoothness"
        unit="px"
        step={0.5}
        value={options.smoothness}
        least={0.2}
        most={20}
        onChange={(smoothness) => set({ smoothness })}
      />
      <ShareField
        label="Leave out specks under"
        caption="Specks under"
        unit="px²"
        step={10}
        value={options.smallest}
        least={0}
        most={100_000}
        onChange={(smallest) => set({ smallest })}
      />
      {work ? (
        <Button disabled={!work.stop} onClick={() => work.stop?.()}>
          Tracing, {Math.round(100 * work.share)} % · stop
        </Button>
      ) : (
        <Button disabled={disabled} onClick={() => run((watch) => traceUnderlay(editor, options, watch))}>
          Trace into the motif
        </Button>
      )}
    </>
  );
}
