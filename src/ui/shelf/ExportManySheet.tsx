'use client';

import { Radio, RadioGroup } from '@headlessui/react';
import { useRef, useState } from 'react';

import { fileName, type Format, formatOf, FORMATS, type Options, parametersOf } from '@/core/format';
import { exportAddress } from '@/state';
import type { FigureSummary } from '@/protocol';
import { Button, downloadBlob, ProgressBar, say, Sheet, zipped } from '@/ui/common';
import { OptionRow } from '@/ui/export';

interface Props {
  /** What leaves; none while it is closed. */
  readonly figures: readonly FigureSummary[];
  readonly onClose: () => void;
}

/** A file name that none of the others has. */
function ownName(name: string, taken: ReadonlySet<string>): string {
  for (let k = 2; ; k += 1) {
    const tried = k === 2 ? name : name.replace(/(\.\w+)?$/, `-${k - 1}$1`);
    if (!taken.has(tried)) return tried;
  }
}

/** The files of figures, one after another. @throws Error with the name of the one that cannot be made */
async function filesOf(
  figures: readonly FigureSummary[],
  format: Format,
  options: Options,
  signal: AbortSignal,
  progress: (done: number) => void,
): Promise<[string, Blob][]> {
  const files: [string, Blob][] = [];
  const taken = new Set<string>();
  for (const [k, { id, name }] of figures.entries()) {
    progress(k);
    const answer = await fetch(exportAddress(id, parametersOf(format, options)), { signal });
    if (!answer.ok) {
      const { error } = (await answer.json().catch(() => ({}))) as { error?: string };
      throw new Error(`“${name}” could not be exported. ${error ?? ''}`);
    }
    const file = ownName(fileName(name, format), taken);
    taken.add(file);
    files.push([file, await answer.blob()]);
  }
  return files;
}

/** Several figures as files of one kind, in one ZIP. */
export function ExportManySheet({ figures, onClose }: Props) {
  const [type, setType] = useState<string>(FORMATS[0].id);
  const [own, setOwn] = useState<Readonly<Record<string, Options>>>({});
  const [done, setDone] = useState<number | null>(null);
  const running = useRef<AbortController | null>(null);
  const format = formatOf(type) ?? FORMATS[0];
  const options = own[type] ?? format.start;
  const close = (): void => {
    running.current?.abort();
    onClose();
  };
  const leave = async (): Promise<void> => {
    const control = new AbortController();
    running.current = control;
    setDone(0);
    try {
      const files = await filesOf(figures, format, options, control.signal, setDone);
      const [only, another] = files;
      if (only && !another) downloadBlob(only[1], only[0]);
      else downloadBlob(await zipped(files), `figures-${format.ending}.zip`);
      onClose();
    } catch (error) {
      if (!control.signal.aborted) say(error, 'The files could not be made.');
    }
    setDone(null);
  };
  return (
    <Sheet
      title={`Export ${figures.length === 1 ? (figures[0]?.name ?? '') : `${figures.length} figures`}`}
      open={figures.length > 0}
      onClose={close}
      wide
    >
      <div className="grid grid-cols-[190px_minmax(0,1fr)] gap-5 max-sm:grid-cols-1">
        <RadioGroup
          value={type}
          onChange={setType}
          aria-label="File type"
          disabled={done !== null}
          className="flex flex-col gap-0.5"
        >
          {FORMATS.map(({ id, name }) => (
            <Radio
              key={id}
              value={id}
              className="flex h-[30px] cursor-pointer items-center rounded-ui px-2.5 hover:bg-line/40 data-[checked]:bg-kelp-soft data-[checked]:font-semibold data-[checked]:text-kelp"
            >
              {name}
            </Radio>
          ))}
        </RadioGroup>
        <div className="flex flex-col gap-3">
          {format.fields
            .filter(({ type: kind, when }) => kind !== 'rounds' && (when?.(options) ?? true))
            .map((field) => (
              <OptionRow
                key={field.key}
                field={field}
                options={options}
                onChange={(next) => setOwn({ ...own, [type]: next })}
              />
            ))}
        </div>
      </div>
      <div className="mt-5 flex items-center justify-end gap-2">
        {done !== null && (
          <>
            <ProgressBar label="Figures exported" share={done / figures.length} />
            <span className="font-mono text-[12px] whitespace-nowrap text-muted">
              {done} of {figures.length}
            </span>
          </>
        )}
        <Button onClick={done === null ? close : () => running.current?.abort()}>
          {done === null ? 'Cancel' : 'Stop'}
        </Button>
        <Button tone="main" disabled={done !== null} onClick={() => void leave()}>
          Export {figures.length === 1 ? 'it' : `${figures.length} files`}
        </Button>
      </div>
    </Sheet>
  );
}
