import { useEffect, useRef, useState } from 'react';
import { toast } from 'sonner';

import type { Round, Shape } from '@/core/figure';
import { setForm } from '@/core/figure/commands';
import type { BuiltForm } from '@/core/maker';
import { act, server } from '@/state';
import { useEditor } from '@/ui/desk';
import type { FaceName } from '@/protocol';

export type WordsShape = Shape & { readonly form: Extract<BuiltForm, { kind: 'words' }> };

interface Setting {
  /** Those that there are; none until they are known. */
  readonly faces: readonly FaceName[];
  /** What is being typed; null where it is what the shape says. */
  readonly text: string | null;
  /** Letters that the face has not got. */
  readonly missing: readonly string[];
  readonly problem: string | null;
  readonly type: (text: string) => void;
  /** What was typed is left, and goes where it is nothing. */
  readonly rest: () => void;
  readonly setFace: (id: string) => void;
  /** Takes a font file as a face of one's own, and sets the words in it. */
  readonly bring: (file: File) => void;
}

const messageOf = (error: unknown): string =>
  error instanceof Error ? error.message : 'The words could not be set.';

/** Words of a ring set anew: the server shapes them, and its answer is a step. */
export function useWords(round: Round, shape: WordsShape): Setting {
  const editor = useEditor();
  const { words } = shape.form.params;
  const [faces, setFaces] = useState<readonly FaceName[]>([]);
  const [text, setText] = useState<string | null>(null);
  const [missing, setMissing] = useState<readonly string[]>([]);
  const [problem, setProblem] = useState<string | null>(null);
  const asked = useRef(0);

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
      act(
        editor,
        'Words',
        (figure) => {
          const now = figure.rounds
            .find(({ id }) => id === round.id)
            ?.shapes.find(({ id }) => id === shape.id);
          if (now?.form.kind !== 'words') return figure;
          const params = { ...now.form.params, words: { text: next, face, run: made.run } };
          return setForm(figure, { roundId: round.id, shapeId: shape.id }, { ...now.form, params });
        },
        `words:${shape.id}`,
      );
      setText(null);
    } catch (error) {
      if (turn === asked.current) setProblem(messageOf(error));
    }
  };

  const bring = async (file: File): Promise<void> => {
    try {
      const face = await server.keepFace(file);
      setFaces(await server.faces());
      await set(words.text, face.id);
      toast(`${face.name} is one of your faces now.`);
    } catch (error) {
      setProblem(messageOf(error));
    }
  };

  return {
    faces,
    text,
    missing,
    problem,
    type: (typed) => {
      const next = typed.replace(/\n/g, ' ');
      setText(next);
      if (next.trim() === '') setProblem('There are no words: type some.');
      else void set(next, words.face);
    },
    rest: () => {
      if (text?.trim() === '') setText(null);
    },
    setFace: (face) => void set(text ?? words.text, face),
    bring: (file) => void bring(file),
  };
}
