'use client';

import { aboveZero } from '@/core/finding';
import { useEditor, useEditorState, useWork } from '@/ui/desk';
import type { Shape } from '@/core/figure';
import { isSolved, pathsOfForm, STOCK_IDS, stockName } from '@/core/maker';
import { nodesOfPath } from '@/core/curve';
import { type EditorState, shownFigure } from '@/state';
import { Button, CountField, LengthField, Row, Section, Segmented, ShareField } from '@/ui/common';
import { partsOfShapes, setStamps } from '@/ui/tools';

const CHIP = 'h-[28px] rounded-ui border px-2 text-[12px]';

/** What the Stamp sets, and how. */
export function StampPanel({ chosen }: { readonly chosen: readonly Shape[] }) {
  const work = useWork();
  const editor = useEditor();
  const stamp = useEditorState((state) => state.stamp);
  const unit = useEditorState((state) => shownFigure(state).page.unit);
  const set = (part: Partial<EditorState['stamp']>): void =>
    editor.setState((state) => ({ stamp: { ...state.stamp, ...part } }));
  const { source } = stamp;
  const own = typeof source !== 'string';
  const [line, another] = chosen.length === 1 && chosen[0] ? pathsOfForm(chosen[0].form, work) : [];
  const lineId = chosen[0] && !isSolved(chosen[0].form) ? chosen[0].id : undefined;
  return (
    <Section title="Stamp" note={own ? (source[0]?.name ?? '') : stockName(source)}>
      <div className="grid grid-cols-4 gap-1.5" role="group" aria-label="What is stamped">
        {STOCK_IDS.map((id) => (
          <button
            key={id}
            type="button"
            aria-pressed={source === id}
            className={`${CHIP} ${source === id ? 'border-kelp bg-kelp-soft text-kelp' : 'border-line-strong bg-field hover:border-edge'}`}
            onClick={() => set({ source: id })}
          >
            {stockName(id)}
          </button>
        ))}
      </div>
      <Button
        disabled={chosen.length === 0}
        title="Takes the selected shapes as they are now"
        onClick={() => set({ source: partsOfShapes(chosen, work) })}
      >
        {own
          ? `Stamps ${source.length === 1 ? '1 own shape' : `${source.length} own shapes`}`
          : 'Stamp what is selected'}
      </Button>
      {!own && (
        <LengthField
          label="Stamp size"
          caption="Size"
          value={stamp.size}
          in={unit}
          refuse={aboveZero('A size')}
          onChange={(size) => set({ size })}
        />
      )}
      <LengthField
        label="Stamp spacing"
        caption="Spacing"
        value={stamp.spacing}
        in={unit}
        refuse={aboveZero('A spacing')}
        onChange={(spacing) => set({ spacing })}
      />
      <Row caption="Spaced">
        <Segmented
          label="Stamps are spaced"
          value={stamp.spread}
          choices={[
            { value: 'even', label: 'To fit' },
            { value: 'exact', label: 'Exactly' },
          ]}
          onChange={(spread) => set({ spread })}
        />
      </Row>
      <Row caption="Turned">
        <Segmented
          label="Stamps are turned"
          value={stamp.facing}
          choices={[
            { value: 'path', label: 'With line' },
            { value: 'upright', label: 'Upright' },
          ]}
          onChange={(facing) => set({ facing })}
        />
      </Row>
      <ShareField
        label="Stamp sizes vary"
        caption="Sizes vary"
        value={stamp.sizes}
        least={0}
        most={0.9}
        onChange={(sizes) => set({ sizes })}
      />
      <ShareField
        label="Stamp colours vary"
        caption="Colours vary"
        value={stamp.colours}
        least={0}
        most={1}
        onChange={(colours) => set({ colours })}
      />
      {(stamp.sizes > 0 || stamp.colours > 0) && (
        <CountField
          label="Stamp seed"
          caption="Seed"
          value={stamp.seed}
          least={1}
          most={9999}
          onChange={(seed) => set({ seed })}
        />
      )}
      {line && !another ? (
        <Button onClick={() => setStamps(editor, { closed: line.closed, nodes: nodesOfPath(line) }, lineId)}>
          Stamp along {chosen[0]?.name}
        </Button>
      ) : (
        <p className="text-[12px] leading-4 text-muted">
          Drag a line to stamp along, or select one path to stamp along it exactly.
        </p>
      )}
    </Section>
  );
}
