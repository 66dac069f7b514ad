'use client';

import { useEffect, useRef, useState, type ChangeEvent } from 'react';
import { toast } from 'sonner';

import { setForm } from '@/core/figure/commands';
import type { Round, Shape } from '@/core/figure';
import type { BuiltForm } from '@/core/maker';
import { MOST_CHARACTERS, START_WORDS } from '@/core/words';
import { act, server } from '@/state';
import type { FaceName } from '@/wire';
import { Button, Row } from '@/ui/common';
import { useEditor } from '@/ui/desk';

type WordsForm = Extract<BuiltForm, { kind: 'words' }>;

interface Props {
  readonly round: Round;
  readonly shape: Shape & { readonly form: WordsForm };
  readonly disabled: boolean;
}

const messageOf = (error: unknown): string =>
  error instanceof Error ? error.message : 'The words could not be set.';

/** The text of words on a ring, and the face that they are set in. */
export function WordsFields({ round, shape, disabled }: Props) {
  const editor = useEditor();
  const { words } = shape.form.params;
  const [faces, setFaces] = useState<readonly FaceName[]>([]);
  const [text, setText] = useState<string | null>(null);
  const [missing, setMissing] = useState<readonly string[]>([]);
  const [problem, setProblem] = useState<string | null>(null);
  const asked = useRef(0);
  const file = useRef<HTMLInputElement>(null);

  useEffect(() => {
    let isHere = true;
    server.faces().then(
      (list) => isHere && setFaces(list),
      (error: unknown) => isHere && setProblem(messageOf(error)),
    );
    return () => {
      isHere = false;
    };
  }, []);

  /** Sets the words anew; of answers that overtake one another the last that was asked for counts. */
  const set = async (next: string, face: string): Promise<void> => {
    const turn = (asked.current += 1);
    try {
      const made = await server.shape(next, face);
      if (turn !== asked.current) return;
      setMissing(made.missing);
      setProblem(null);
      const ref = { roundId: round.id, shapeId: shape.id };
      act(
        editor,
        'Words',
        (figure) => {
          const now = figure.rounds
            .find(({ id }) => id === round.id)
            ?.shapes.find(({ id }) => id === shape.id);
          if (now?.form.kind !== 'words') return figure;
          const params = { ...now.form.params, words: { text: next, face, run: made.run } };
          return setForm(figure, ref, { ...now.form, params });
        },
        `words:${shape.id}`,
      );
      setText(null);
    } catch (error) {
      if (turn === asked.current) setProblem(messageOf(error));
    }
  };

  const type = (event: ChangeEvent<HTMLTextAreaElement>): void => {
    const next = event.target.value.replace(/\n/g, ' ');
    setText(next);
    if (next.trim() === '') setProblem('There are no words: type some.');
    else void set(next, words.face);
  };

  const bring = async (list: FileList | null): Promise<void> => {
    const [chosen] = list ?? [];
    if (!chosen) return;
    try {
      const face = await server.keepFace(chosen);
      setFaces(await server.faces());
      await set(words.text, face.id);
      toast(`${face.name} is one of your faces now.`);
    } catch (error) {
      setProblem(messageOf(error));
    }
  };

  const isKnown = faces.length === 0 || faces.some(({ id }) => id === words.face);
  return (
    <>
      <textarea
        aria-label="Words"
        dir="auto"
        rows={2}
        maxLength={MOST_CHARACTERS}
        disabled={disabled}
        autoFocus={words.text === START_WORDS.text}
        className="w-full resize-y rounded-ui border border-line-strong bg-field px-2.5 py-1.5 outline-none focus:outline-2 focus:outline-kelp"
        value={text ?? words.text}
        spellCheck={false}
        onFocus={(event) => event.target.select()}
        onChange={type}
        onBlur={() => {
          if (text?.trim() === '') setText(null);
        }}
        onKeyDown={(event) => {
          event.stopPropagation();
          if (event.key === 'Enter' || event.key === 'Escape') {
            event.preventDefault();
            event.currentTarget.blur();
          }
        }}
      />
      <Row caption="Face">
        <select
          aria-label="Face"
          className="h-[30px] w-full rounded-ui border border-line-strong bg-field px-2"
          value={words.face}
          disabled={disabled || faces.length === 0}
          onChange={(event) => void set(text ?? words.text, event.target.value)}
        >
          {!isKnown && <option value={words.face}>not on this machine</option>}
          {faces.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      </Row>
      <input
        ref={file}
        type="file"
        accept=".ttf,.otf,.woff,.woff2"
        aria-label="Font file"
        className="hidden"
        onChange={(event) => {
          void bring(event.target.files);
          event.target.value = '';
        }}
      />
      <Button
        disabled={disabled}
        title="A font file of your own: TTF, OTF, WOFF, WOFF2"
        onClick={() => file.current?.click()}
      >
        Own face…
      </Button>
      {missing.length > 0 && (
        <p role="alert" className="text-[12px] leading-4 text-coral-text">
          This face has no {missing.slice(0, 12).join(' ')}: another may have{' '}
          {missing.length === 1 ? 'it' : 'them'}.
        </p>
      )}
      {problem && (
        <p role="alert" className="text-[12px] leading-4 text-coral-text">
          {problem}
        </p>
      )}
    </>
  );
}
