'use client';

import { useDeferredValue, useMemo, useState } from 'react';
import { toast } from 'sonner';

import { fileName, formatOf, FORMATS } from '@/core/format/formats';
import { parametersOf, type Format, type OptionField, type Options } from '@/core/format/format';
import { shownFigure } from '@/state/editor';
import { isFinest } from '@/state/coats';
import { isAllMerged } from '@/state/merges';
import { sceneOf } from '@/state/scene';
import type { ScenePage } from '@/core/scene/scene';
import { excessOf } from '@/core/figure/excess';
import { workOf } from '@/state/work';
import { exportAddress } from '@/state/server';
import { Button } from '../common/Button';
import { download } from '../common/download';
import { CountField } from '../common/NumberField';
import { Row, Sheet } from '../common/Panel';
import { Segmented } from '../common/Choices';
import { useEditor, useWorkshop } from './EditorContext';

/** Hands the figure on as a file. */
export function ExportSheet({ open, onClose }: { readonly open: boolean; readonly onClose: () => void }) {
  return (
    <Sheet title="Export" open={open} onClose={onClose}>
      <ExportForm onClose={onClose} />
    </Sheet>
  );
}

interface FieldProps {
  readonly field: OptionField<Options>;
  readonly options: Options;
  readonly onChange: (options: Options) => void;
}

/** One option of a format, as it asks for it. */
function OptionRow({ field, options, onChange }: FieldProps) {
  const { key, label } = field;
  if (field.type === 'count')
    return (
      <CountField
        label={label}
        caption={label}
        value={Number(options[key])}
        least={field.least}
        most={field.most}
        {...(field.step !== undefined && { step: field.step })}
        {...(field.unit !== undefined && { unit: field.unit })}
        onChange={(value) => onChange({ ...options, [key]: value })}
      />
    );
  const { choices } = field;
  return (
    <Row caption={label}>
      <Segmented
        label={label}
        value={String(options[key])}
        choices={choices.map(([value, name]) => ({ value: String(value), label: name }))}
        onChange={(chosen) => {
          const value = choices.find(([each]) => String(each) === chosen)?.[0];
          if (value !== undefined) onChange({ ...options, [key]: value });
        }}
      />
    </Row>
  );
}

/** The text of a file that is made here, where its scene already is; null where the server makes it. */
function useFileText(format: Format, options: Options): string | null {
  const editor = useEditor();
  const state = editor.getState();
  // What is typed shows at once; the file is printed after it, once for each choice.
  const chosen = useDeferredValue(useMemo(() => ({ format, options }), [format, options]));
  return useMemo(
    () =>
      chosen.format.kind === 'text' && isAllMerged(state) && isFinest(state)
        ? chosen.format.write({ figure: shownFigure(state), scene: sceneOf(state) }, chosen.options)
        : null,
    [chosen, state],
  );
}

/** Has the server make a file. @throws Error with the reason where it cannot */
async function madeThere(figureId: string, format: Format, options: Options): Promise<Blob> {
  const answer = await fetch(exportAddress(figureId, parametersOf(format, options)));
  if (answer.ok) return answer.blob();
  const body = (await answer.json().catch(() => ({}))) as { error?: string };
  throw new Error(body.error ?? 'The server could not make the file.');
}

/** What each format begins with on a page. */
const startsOn = (page: ScenePage): ReadonlyMap<string, Options> =>
  new Map(FORMATS.map(({ id, start, startOn }) => [id, { ...start, ...startOn?.(page) } as Options]));

function ExportForm({ onClose }: { readonly onClose: () => void }) {
  const editor = useEditor();
  const { saver } = useWorkshop();
  const [id, setId] = useState(FORMATS[0].id);
  const [choices, setChoices] = useState(() => startsOn(shownFigure(editor.getState()).page));
  const [busy, setBusy] = useState(false);
  const format = formatOf(id) ?? FORMATS[0];
  const options = choices.get(format.id) ?? format.start;
  const text = useFileText(format, options);
  const state = editor.getState();
  const { name, page } = shownFigure(state);
  // What is shown of such a figure is not all of it.
  const excess = excessOf(shownFigure(state), workOf(state));

  const hand = async (): Promise<void> => {
    setBusy(true);
    try {
      // The server draws what it has: what is on the screen goes there first.
      if (text === null) await saver()?.flush();
      const file =
        text === null
          ? await madeThere(state.id, format, options)
          : new Blob([text], { type: format.mediaType });
      const address = URL.createObjectURL(file);
      download(address, fileName(name, format));
      editor.setState(({ handedOut }) => ({ handedOut: handedOut + 1 }));
      setTimeout(() => URL.revokeObjectURL(address), 10_000);
      onClose();
    } catch (error) {
      toast.error(error instanceof Error ? error.message : 'The file could not be made.');
    } finally {
      setBusy(false);
    }
  };

  return (
    <div className="flex flex-col gap-2">
      <Segmented
        label="File type"
        value={format.id}
        choices={FORMATS.map((each) => ({ value: each.id, label: each.name }))}
        onChange={setId}
      />
      {format.fields
        .filter(({ when }) => when?.(options) ?? true)
        .map((field) => (
          <OptionRow
            key={field.key}
            field={field}
            options={options}
            onChange={(next) => setChoices(new Map([...choices, [format.id, next]]))}
          />
        ))}
      <p className="mt-1 min-h-8 text-[12px] leading-4 text-muted">
        {format.about(options, page)}
        {text !== null && ` ${(new Blob([text]).size / 1000).toFixed(1)} kB.`}
      </p>
      {excess && (
        <p role="alert" className="text-[12px] leading-4 text-coral-text">
          {excess.sentence}
        </p>
      )}
      <div className="mt-2 flex justify-end gap-2">
        <Button onClick={onClose}>Cancel</Button>
        <Button tone="main" disabled={busy || excess !== null} onClick={() => void hand()}>
          {busy ? 'Making the file …' : 'Download'}
        </Button>
      </div>
    </div>
  );
}
