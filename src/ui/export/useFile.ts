import { useEffect, useState } from 'react';

import { type Format, type Options, parametersOf } from '@/core/format';
import { type FigurePart, wordOfPart } from '@/core/figure';
import { type Editor, exportAddress, isAllMerged, isFinest, type Saver, sceneOf, shownFigure } from '@/state';

/** How long choices rest before their file is made, in milliseconds. */
const REST = 250;

/** A file that is asked for. */
export interface Asked {
  readonly format: Format;
  readonly options: Options;
  /** Of what. */
  readonly part: FigurePart;
}

/** A file as it will be handed over, and how far it is. */
export type FileMade =
  | { readonly kind: 'making' }
  | { readonly kind: 'made'; readonly blob: Blob; readonly text: string | null }
  | { readonly kind: 'failed'; readonly sentence: string };

/** Has the server make a file of what it has. @throws Error with the reason where it cannot */
async function madeThere(id: string, { format, options, part }: Asked, signal?: AbortSignal): Promise<Blob> {
  const address = exportAddress(id, { ...parametersOf(format, options), part: wordOfPart(part) });
  const answer = await fetch(address, signal ? { signal } : {});
  if (answer.ok) return answer.blob();
  const body = (await answer.json().catch(() => ({}))) as { error?: string };
  throw new Error(body.error ?? 'The server could not make the file.');
}

/** Text that is written here, where its scene already is; null where the server makes the file. */
function textOf(editor: Editor, { format, options, part }: Asked): string | null {
  const state = editor.getState();
  const figure = shownFigure(state);
  // A picture that goes with it is on the server.
  const hasPicture = format.id === 'json' && figure.underlay !== null;
  const isWhole = part.of === 'all' && isAllMerged(state) && isFinest(state);
  if (format.kind !== 'text' || !isWhole || hasPicture) return null;
  return format.write({ figure, scene: sceneOf(state) }, options);
}

/** A file of what is on the screen. @throws Error with the reason where there is none */
export async function fileOf(
  editor: Editor,
  saver: Saver | null,
  asked: Asked,
  signal?: AbortSignal,
): Promise<{ readonly blob: Blob; readonly text: string | null }> {
  const { format } = asked;
  const text = textOf(editor, asked);
  if (text !== null) return { blob: new Blob([text], { type: format.mediaType }), text };
  // The server draws what it has: what is on the screen goes there first.
  await saver?.flush();
  const blob = await madeThere(editor.getState().id, asked, signal);
  return { blob, text: format.kind === 'text' ? await blob.text() : null };
}

/** The file that is asked for, made anew after each choice. @param asked the same object as long as the same is asked for */
export function useFile(editor: Editor, saver: () => Saver | null, asked: Asked): FileMade {
  const [known, setKnown] = useState<{ readonly of: unknown; readonly made: FileMade } | null>(null);
  useEffect(() => {
    const end = new AbortController();
    const say = (made: FileMade): void => {
      if (!end.signal.aborted) setKnown({ of: asked, made });
    };
    const timer = setTimeout(
      () => {
        fileOf(editor, saver(), asked, end.signal).then(
          (file) => say({ kind: 'made', ...file }),
          (error: unknown) =>
            say({
              kind: 'failed',
              sentence: error instanceof Error ? error.message : 'The file could not be made.',
            }),
        );
      },
      asked.format.kind === 'text' ? 0 : REST,
    );
    return () => {
      clearTimeout(timer);
      end.abort();
    };
  }, [editor, saver, asked]);
  return known?.of === asked ? known.made : { kind: 'making' };
}
