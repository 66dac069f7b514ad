'use client';

import { useState } from 'react';
import { toast } from 'sonner';

import { writeFigure } from '@/core/format/json';
import { MOST_DECIMALS, svgOf } from '@/core/format/svg';
import { activeMerges } from '@/state/merges';
import { shownFigure } from '@/state/editor';
import { sceneOf } from '@/state/scene';
import { exportAddress } from '@/state/server';
import { Button } from '../common/Button';
import { download } from '../common/download';
import { CountField } from '../common/NumberField';
import { Row, Sheet } from '../common/Panel';
import { Segmented } from '../common/Choices';
import { useEditor, useWorkshop } from './EditorContext';

type Kind = 'svg' | 'png' | 'figure';
type SvgForm = 'compact' | 'plain';

const ABOUT: Record<Kind, Record<SvgForm, string>> = {
  svg: {
    compact:
      'Each motif once, as a symbol, and a use for every copy. Small, and still symmetric in the file.',
    plain: 'Every copy a path of its own, for programs and machines that know no symbols.',
  },
  png: {
    compact: 'A picture of pixels, drawn on the server.',
    plain: 'A picture of pixels, drawn on the server.',
  },
  figure: { compact: 'The figure itself, to keep or to open elsewhere.', plain: 'The figure itself.' },
};

/** Hands the figure on as a file. */
export function ExportSheet({ open, onClose }: { readonly open: boolean; readonly onClose: () => void }) {
  return (
    <Sheet title="Export" open={open} onClose={onClose}>
      <ExportForm onClose={onClose} />
    </Sheet>
  );
}

function ExportForm({ onClose }: { readonly onClose: () => void }) {
  const editor = useEditor();
  const { saver } = useWorkshop();
  const [kind, setKind] = useState<Kind>('svg');
  const [form, setForm] = useState<SvgForm>('compact');
  const [decimals, setDecimals] = useState(4);
  const [size, setSize] = useState(1024);
  const [background, setBackground] = useState<'with' | 'without'>('with');
  const [reveal, setReveal] = useState(false);
  const [busy, setBusy] = useState(false);
  const state = editor.getState();
  const figure = shownFigure(state);
  const { width, height, unit } = figure.page;
  const pixels =
    width >= height
      ? [size, Math.round((size * height) / width)]
      : [Math.round((size * width) / height), size];
  // How large the SVG would be, from what is on the screen.
  const bytes =
    kind === 'svg' && activeMerges(state) === 0
      ? svgOf(sceneOf(state), { form, decimals, background: background === 'with', reveal }).length
      : null;

  const hand = async (): Promise<void> => {
    setBusy(true);
    try {
      if (kind === 'figure') {
        const address = URL.createObjectURL(new Blob([writeFigure(figure)], { type: 'application/json' }));
        download(address, `${figure.name}.json`);
        setTimeout(() => URL.revokeObjectURL(address), 10_000);
      } else {
        // The server draws what it has: what is on the screen goes there first.
        await saver()?.flush();
        const shared = { to: kind, background: background === 'with' ? '1' : '0' };
        const own: Record<string, string> =
          kind === 'svg'
            ? { form, decimals: String(decimals), reveal: reveal && form === 'compact' ? '1' : '0' }
            : { size: String(size) };
        const answer = await fetch(exportAddress(state.id, { ...shared, ...own }));
        if (!answer.ok) {
          const body = (await answer.json().catch(() => ({}))) as { error?: string };
          throw new Error(body.error ?? 'The server could not make the file.');
        }
        const address = URL.createObjectURL(await answer.blob());
        download(address, `${figure.name}.${kind}`);
        setTimeout(() => URL.revokeObjectURL(address), 10_000);
      }
      onClose();
    } catch (error) {
      toast.error(error instanceof Error ? error.message : 'The file could not be made.');
    } finally {
      setBusy(false);
    }
  };

  return (
    <div className="flex flex-col gap-2">
      <Row caption="As">
        <Segmented
          label="File type"
          value={kind}
          choices={[
            { value: 'svg', label: 'SVG' },
            { value: 'png', label: 'PNG' },
            { value: 'figure', label: 'Figure' },
          ]}
          onChange={setKind}
        />
      </Row>
      {kind === 'svg' && (
        <>
          <Row caption="Copies as">
            <Segmented
              label="Copies as"
              value={form}
              choices={[
                { value: 'compact', label: 'Symbol, uses' },
                { value: 'plain', label: 'Plain paths' },
              ]}
              onChange={setForm}
            />
          </Row>
          <CountField
            label="Decimals"
            caption="Decimals"
            value={decimals}
            least={0}
            most={MOST_DECIMALS}
            onChange={setDecimals}
          />
          {form === 'compact' && (
            <Row caption="Copies come">
              <Segmented
                label="Copies come"
                value={reveal ? 'each' : 'all'}
                choices={[
                  { value: 'all', label: 'All at once' },
                  { value: 'each', label: 'One by one' },
                ]}
                onChange={(value) => setReveal(value === 'each')}
              />
            </Row>
          )}
        </>
      )}
      {kind === 'png' && (
        <CountField
          label="Longer side"
          caption="Longer side"
          unit="px"
          value={size}
          least={1}
          most={8192}
          step={64}
          onChange={setSize}
        />
      )}
      {kind !== 'figure' && (
        <Row caption="Background">
          <Segmented
            label="Background"
            value={background}
            choices={[
              { value: 'with', label: 'With' },
              { value: 'without', label: 'Without' },
            ]}
            onChange={setBackground}
          />
        </Row>
      )}
      <p className="mt-1 min-h-8 text-[12px] leading-4 text-muted">
        {ABOUT[kind][form]}{' '}
        {kind === 'svg' &&
          `${width} × ${height} ${unit}${bytes === null ? '' : `, ${(bytes / 1000).toFixed(1)} kB`}.`}
        {kind === 'png' && `${pixels[0]} × ${pixels[1]} px.`}
      </p>
      <div className="mt-2 flex justify-end gap-2">
        <Button onClick={onClose}>Cancel</Button>
        <Button tone="main" disabled={busy} onClick={() => void hand()}>
          {busy ? 'Making the file …' : 'Download'}
        </Button>
      </div>
    </div>
  );
}
