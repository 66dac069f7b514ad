'use client';

import { Checkbox, Radio, RadioGroup } from '@headlessui/react';
import { Check } from 'lucide-react';
import { useDeferredValue, useMemo, useState } from 'react';

import { contentsOf, type Format, formatOf, FORMATS, type Options } from '@/core/format';
import { excessOf, type FigurePart } from '@/core/figure';
import { activeRound, type EditorState, selectedShapes, shownFigure, workOf } from '@/state';
import { Button, ChoiceRow, Fact, Row, say, Sheet } from '@/ui/common';
import { useEditor, useEditorState, useWorkshop } from '@/ui/desk';
import { ProofRow } from '@/ui/proof';
import { FilePreview } from './FilePreview';
import { handOver, wantedOf } from './handOver';
import { InksTable } from './InksTable';
import { OptionRow } from './OptionRow';
import { handingOf, keepHanding, type Handing } from './remembered';
import { useFile, type FileMade } from './useFile';

/** Hands the figure on as files, and shows them before. */
export function ExportSheet({ open, onClose }: { readonly open: boolean; readonly onClose: () => void }) {
  return (
    <Sheet title="Export" open={open} onClose={onClose} full>
      <ExportForm onClose={onClose} />
    </Sheet>
  );
}

interface TypesProps {
  readonly handing: Handing;
  readonly onChange: (handing: Handing) => void;
}

/** The formats: one that is looked at, and beside them which leave. */
function FileTypes({ handing, onChange }: TypesProps) {
  const { type, also } = handing;
  return (
    <div className="flex gap-1">
      <div role="group" aria-label="Files that leave together" className="flex flex-col gap-0.5">
        {FORMATS.map(({ id, name }) => (
          <Checkbox
            key={id}
            checked={id === type || also.includes(id)}
            disabled={id === type}
            aria-label={`${name} too`}
            title={id === type ? 'The one that is looked at' : `Hand over as ${name} too`}
            onChange={(on) =>
              onChange({ ...handing, also: on ? [...also, id] : also.filter((each) => each !== id) })
            }
            className="group flex size-[30px] shrink-0 cursor-pointer items-center justify-center data-[disabled]:cursor-default"
          >
            <span className="flex size-[17px] items-center justify-center rounded-[4px] border border-line-strong bg-field group-data-[checked]:border-kelp group-data-[checked]:bg-kelp group-data-[checked]:text-field">
              {(id === type || also.includes(id)) && <Check size={13} strokeWidth={2.4} />}
            </span>
          </Checkbox>
        ))}
      </div>
      <RadioGroup
        value={type}
        onChange={(next: string) =>
          onChange({ ...handing, type: next, also: also.filter((id) => id !== next) })
        }
        aria-label="File type"
        className="flex min-w-0 flex-1 flex-col gap-0.5"
      >
        {FORMATS.map(({ id, name }) => (
          <Radio
            key={id}
            value={id}
            className="flex h-[30px] min-w-0 cursor-pointer items-center rounded-ui px-2 hover:bg-line/40 data-[checked]:bg-kelp-soft data-[checked]:font-semibold data-[checked]:text-kelp"
          >
            {name}
          </Radio>
        ))}
      </RadioGroup>
    </div>
  );
}

/** Sizes beside the one that is chosen, for screens of finer pixels. */
function Times({ handing, onChange }: TypesProps) {
  const { times } = handing;
  return (
    <Row caption="Also at">
      <div className="flex gap-1.5" role="group" aria-label="Also at">
        {[2, 3].map((by) => (
          <button
            key={by}
            type="button"
            aria-pressed={times.includes(by)}
            className={`h-[28px] flex-1 rounded-ui border px-3 ${times.includes(by) ? 'border-kelp bg-kelp-soft font-semibold text-kelp' : 'border-line-strong bg-field hover:border-edge'}`}
            onClick={() =>
              onChange({
                ...handing,
                times: times.includes(by) ? times.filter((each) => each !== by) : [...times, by].sort(),
              })
            }
          >
            {by}×
          </button>
        ))}
      </div>
    </Row>
  );
}

const bytes = (size: number): string =>
  size < 1000
    ? `${size} bytes`
    : size < 1e6
      ? `${(size / 1000).toFixed(1)} kB`
      : `${(size / 1e6).toFixed(2)} MB`;

function Contents({ format, file }: { readonly format: Format; readonly file: FileMade }) {
  const shown = useDeferredValue(file);
  const told = useMemo(
    () => (shown.kind === 'made' && shown.text !== null ? contentsOf(format.id, shown.text) : []),
    [format, shown],
  );
  return (
    <section aria-label="In the file" className="flex flex-col gap-1.5 border-t border-line pt-3">
      <h3 className="font-semibold">In the file</h3>
      {told.map(({ caption, value }) => (
        <Fact key={caption} caption={caption}>
          {value}
        </Fact>
      ))}
      <Fact caption="Size of the file">{file.kind === 'made' ? bytes(file.blob.size) : '…'}</Fact>
    </section>
  );
}

interface PartProps {
  readonly state: EditorState;
  readonly part: FigurePart;
  readonly onChange: (part: FigurePart) => void;
}

/** What leaves: all of it, the round that is worked on, its motif once, or what is selected of it. */
function PartChoice({ state, part, onChange }: PartProps) {
  const round = activeRound(state);
  if (!round) return null;
  const shapeIds = selectedShapes(state).map(({ id }) => id);
  const parts: readonly (readonly [FigurePart, string])[] = [
    [{ of: 'all' }, 'All'],
    [{ of: 'round', roundId: round.id }, 'Round'],
    [{ of: 'motif', roundId: round.id }, 'Motif'],
    ...(shapeIds.length > 0 ? [[{ of: 'shapes', roundId: round.id, shapeIds }, 'Selected'] as const] : []),
  ];
  return (
    <ChoiceRow
      label="What leaves"
      value={part.of}
      choices={parts.map(([each, label]) => ({ value: each.of, label }))}
      onChange={(of) => {
        const chosen = parts.find(([each]) => each.of === of)?.[0];
        if (chosen) onChange(chosen);
      }}
    />
  );
}

function ExportForm({ onClose }: { readonly onClose: () => void }) {
  const editor = useEditor();
  const { saver } = useWorkshop();
  const state = editor.getState();
  // Inks are said here, and are a part of the figure.
  const figure = useEditorState(shownFigure);
  const { name, page } = figure;
  const [handing, setHanding] = useState(() => handingOf(state.id, page));
  const [busy, setBusy] = useState(false);
  const format = formatOf(handing.type) ?? FORMATS[0];
  const options = handing.options[format.id] ?? format.start;
  const [part, setPart] = useState<FigurePart>({ of: 'all' });
  const asked = useMemo(() => ({ format, options, part, figure }), [format, options, part, figure]);
  const file = useFile(editor, saver, asked);
  // What is shown of such a figure is not all of it.
  const excess = excessOf(figure, workOf(state));
  const count = wantedOf(name, handing, part).length;
  const change = (next: Handing): void => {
    setHanding(next);
    keepHanding(state.id, next);
  };
  const setOptions = (next: Options): void =>
    change({ ...handing, options: { ...handing.options, [format.id]: next } });

  const hand = async (): Promise<void> => {
    setBusy(true);
    try {
      await handOver(editor, saver(), handing, part, file.kind === 'made' ? file : null);
      editor.setState(({ handedOut }) => ({ handedOut: handedOut + 1 }));
      onClose();
    } catch (error) {
      say(error, 'The file could not be made.');
    } finally {
      setBusy(false);
    }
  };

  return (
    <div className="grid min-h-0 grid-cols-[132px_300px_minmax(0,1fr)] gap-5 max-md:grid-cols-1">
      <div className="flex flex-col gap-3">
        <FileTypes handing={handing} onChange={change} />
        <p className="text-[12px] leading-4 text-muted">
          Ticked ones leave together, as one ZIP. It is remembered for this figure.
        </p>
      </div>
      <div className="flex min-w-0 flex-col gap-3">
        <p className="text-[12px] leading-4 text-muted">{format.about(options, page)}</p>
        <PartChoice state={state} part={part} onChange={setPart} />
        {format.fields
          .filter(({ when }) => when?.(options) ?? true)
          .map((field) => (
            <OptionRow key={field.key} field={field} options={options} onChange={setOptions} />
          ))}
        {format.id === 'pdf' && options['colours'] === 'inks' && <InksTable />}
        {format.kind === 'pixels' && <Times handing={handing} onChange={change} />}
        <Contents format={format} file={file} />
        {excess && (
          <p role="alert" className="text-[12px] leading-4 text-coral-text">
            {excess.sentence}
          </p>
        )}
      </div>
      <div className="flex h-[520px] max-h-[calc(100dvh-150px)] min-w-0 flex-col gap-3 max-md:h-auto">
        <FilePreview editor={editor} asked={asked} file={file} />
        <ProofRow onClose={onClose} />
        <div className="flex flex-wrap justify-end gap-2">
          <Button onClick={onClose}>Cancel</Button>
          <Button tone="main" disabled={busy || excess !== null} onClick={() => void hand()}>
            {busy ? 'Making the files …' : count === 1 ? 'Download' : `Download ${count} files, ZIP`}
          </Button>
        </div>
      </div>
    </div>
  );
}
