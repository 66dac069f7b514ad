'use client';

import { aboveZero } from '@/core/finding';
import { setLight, setRelief } from '@/core/figure/commands';
import type { Round } from '@/core/figure';
import type { Light, Relief } from '@/core/paint';
import { turnFromDegrees } from '@/core/number';
import { actOnRound, shownFigure } from '@/state';
import { LengthField, Row, Section, Segmented, ShareField, TurnField } from '@/ui/common';
import { useEditor, useEditorState } from '@/ui/desk';

const START: Light = { from: turnFromDegrees(-45), depth: 25, faces: 'across' };

const WORDS: Record<Light['faces'], string> = {
  across: 'Each side of a copy’s axis faces its own way, as the halves of a fold.',
  out: 'Each part faces away from the centre, as the sides of a dome.',
};

/** Light from a direction: each facet, copy or cell is as bright as the way that it faces makes it. */
export function LightPanel({ round }: { readonly round: Round }) {
  const editor = useEditor();
  const unit = useEditorState((state) => shownFigure(state).page.unit);
  const { light, relief } = round;
  const setWire = (next: Relief | null, key: string | null = null): void =>
    actOnRound(editor, next ? 'Wire' : 'No wire', (figure, id) => setRelief(figure, id, next), key);
  const set = (next: Light | null, key: string | null = null): void =>
    actOnRound(editor, next ? 'Light' : 'No light', (figure, id) => setLight(figure, id, next), key);
  return (
    <Section title="Light" note={light || relief ? undefined : 'off'}>
      <Row caption="Parts face">
        <Segmented
          label="Parts face"
          value={light?.faces ?? 'off'}
          disabled={round.locked}
          choices={[
            { value: 'off', label: 'Off' },
            { value: 'across', label: 'Across' },
            { value: 'out', label: 'Outward' },
          ]}
          onChange={(faces) => set(faces === 'off' ? null : { ...START, ...light, faces })}
        />
      </Row>
      {light && (
        <>
          <p className="text-[12px] leading-4 text-muted">{WORDS[light.faces]}</p>
          <TurnField
            label="Light from"
            caption="From"
            unit="°"
            step={15}
            value={light.from}
            disabled={round.locked}
            onChange={(from) => set({ ...light, from }, 'light-from')}
          />
          <ShareField
            label="Depth of the light"
            caption="Depth"
            unit="°"
            least={0}
            most={89}
            step={5}
            value={light.depth}
            disabled={round.locked}
            onChange={(depth) => set({ ...light, depth }, 'light-depth')}
          />
        </>
      )}
      <Row caption="Wire">
        <Segmented
          label="Wire"
          value={relief?.how ?? 'flat'}
          disabled={round.locked}
          choices={[
            { value: 'flat', label: 'Flat' },
            { value: 'raised', label: 'Raised' },
            { value: 'sunken', label: 'Sunken' },
          ]}
          onChange={(how) => setWire(how === 'flat' ? null : { edge: 1, ...relief, how })}
        />
      </Row>
      {relief && (
        <>
          <LengthField
            label="Edge of the wire"
            caption="Edge"
            value={relief.edge}
            in={unit}
            step={0.25}
            disabled={round.locked}
            refuse={aboveZero('The width of an edge')}
            onChange={(edge) => setWire({ ...relief, edge }, 'relief-edge')}
          />
          <p className="text-[12px] leading-4 text-muted">
            All that the round draws. {light ? '' : 'Lit from the upper left.'}
          </p>
        </>
      )}
    </Section>
  );
}
