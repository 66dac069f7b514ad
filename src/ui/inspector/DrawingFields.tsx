'use client';

import { zeroOrMore } from '@/core/finding';
import { useState } from 'react';
import { toast } from 'sonner';

import {
  formProblem,
  MOST_PLACES,
  type PlacedFigure,
  radiusOfParts,
  scattered,
  withPlaces,
} from '@/core/maker';
import { NO_TURN } from '@/core/number';
import { shownFigure } from '@/state';
import { Button, CountField, LengthField, Row, Segmented, ShareField } from '@/ui/common';
import { usePanelState } from '@/ui/desk';
import { usePageLength } from './usePageLength';

interface Props {
  readonly form: PlacedFigure;
  readonly disabled: boolean;
  /** The form as it is now: the panel is shown a little behind, and a second click comes before it is. */
  readonly current: () => PlacedFigure;
  readonly onChange: (form: PlacedFigure) => void;
}

/** Where a placed figure is shown: one place after the other by hand, or scattered over the page from a seed. */
export function DrawingFields({ form, disabled, current, onChange }: Props) {
  const { parts, places } = form.params;
  const put = (next: PlacedFigure['params']['places']): void => {
    const changed = withPlaces(current(), next);
    const problem = formProblem(changed);
    if (problem !== null) toast.error(problem.sentence);
    else onChange(changed);
  };
  const [first] = places;
  return (
    <>
      {first && places.length === 1 && (
        <ShareField
          label="Size of the placed figure"
          caption="Size"
          unit="×"
          step={0.05}
          value={first.size}
          least={0.001}
          most={1000}
          disabled={disabled}
          onChange={(size) => put([{ ...first, size }])}
        />
      )}
      <Button
        disabled={disabled || places.length >= MOST_PLACES}
        onClick={() => {
          const now = current().params.places;
          const last = now[now.length - 1] ?? { x: 0, y: 0, size: 1, turn: NO_TURN };
          const aside = radiusOfParts(parts) * last.size;
          put([...now, { ...last, x: last.x + aside, y: last.y - aside }]);
        }}
      >
        Show it at one place more
      </Button>
      <ScatterFields form={form} disabled={disabled} onScatter={put} />
    </>
  );
}

interface ScatterProps {
  readonly form: PlacedFigure;
  readonly disabled: boolean;
  readonly onScatter: (places: PlacedFigure['params']['places']) => void;
}

/** How places lie over the page by chance. */
function ScatterFields({ form, disabled, onScatter }: ScatterProps) {
  const { page } = shownFigure(usePanelState());
  const [count, setCount] = useState(30);
  const [sizes, setSizes] = useState({ smallest: 0.1, largest: 0.3 });
  const [gap, setGap] = usePageLength(0.5);
  const [seed, setSeed] = useState(1);
  const [turned, setTurned] = useState(true);
  const scatter = (): void => {
    const made = scattered({
      width: page.width,
      height: page.height,
      middle: { x: -page.centre.x - form.at.x, y: -page.centre.y - form.at.y },
      radius: radiusOfParts(form.params.parts),
      smallest: Math.min(sizes.smallest, sizes.largest),
      largest: Math.max(sizes.smallest, sizes.largest),
      gap,
      count,
      seed,
      turned,
    });
    if (made.length === 0) {
      toast.error('Not one of this size fits on the page: take smaller ones.');
      return;
    }
    if (made.length < count) toast(`${made.length} of ${count} fit without overlap.`);
    onScatter(made);
  };
  return (
    <>
      <CountField
        label="How many are scattered"
        caption="Scatter"
        value={count}
        least={1}
        most={MOST_PLACES}
        onChange={setCount}
      />
      <ShareField
        label="Smallest scattered"
        caption="Smallest"
        unit="×"
        step={0.05}
        value={sizes.smallest}
        least={0.005}
        most={100}
        onChange={(smallest) => setSizes({ ...sizes, smallest })}
      />
      <ShareField
        label="Largest scattered"
        caption="Largest"
        unit="×"
        step={0.05}
        value={sizes.largest}
        least={0.005}
        most={100}
        onChange={(largest) => setSizes({ ...sizes, largest })}
      />
      <LengthField
        label="Gap between scattered"
        caption="Gap"
        value={gap}
        in={page.unit}
        refuse={zeroOrMore('A gap')}
        onChange={setGap}
      />
      <CountField
        label="Seed of the scatter"
        caption="Seed"
        value={seed}
        least={1}
        most={9999}
        onChange={setSeed}
      />
      <Row caption="Turned">
        <Segmented
          label="Scattered are turned"
          value={turned ? 'by' : 'up'}
          choices={[
            { value: 'by', label: 'By chance' },
            { value: 'up', label: 'Upright' },
          ]}
          onChange={(value) => setTurned(value === 'by')}
        />
      </Row>
      <Button disabled={disabled} onClick={scatter}>
        Scatter over the page
      </Button>
    </>
  );
}
