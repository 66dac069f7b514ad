import { useEffect, useRef, useState } from 'react';
import { toast } from 'sonner';

import type { Round, Shape } from '@/core/figure';
import { setForm } from '@/core/figure/commands';
import type { BuiltForm } from '@/core/maker';
import { act, server, shownFigure } from '@/state';
import { useEditorState, useWorkshop } from '@/ui/desk';
import type { FaceName } from '@/protocol';

export type WordsShape = Shape & { readonly form: Extract<BuiltForm, { kind: 'words' }> };

interface Setting {
  /** Those that there are; none until they are known. */
  readonly faces: readonly FaceName[];
  /** What the shape says, now. */
  readonly words: WordsShape['form']['params']['words'];
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

/** What is wrong, and the place in the order of what was begun of that which it is about. */
interface Problem {
  readonly order: number;
  readonly sentence: string;
}

const messageOf = (error: unknown): string =>
  error instanceof Error ? error.message : 'The words could not be set.';

/** Words of a ring set anew: the server shapes them, and its answer is a step. */
export function useWords(round: Round, shape: WordsShape): Setting {
  const { editor, saver } = useWorkshop();
  // As they are now: a panel may be drawn with those of a moment before, and what is typed would go on from these.
  const form = useEditorState(
    (state) =>
      shownFigure(state)
        .rounds.find(({ id }) => id === round.id)
        ?.shapes.find(({ id }) => id === shape.id)?.form,
  );
  const { words } = (form?.kind === 'words' ? form : shape.form).params;
  const [faces, setFaces] = useState<readonly FaceName[]>([]);
  const [text, setText] = useState<string | null>(null);
  const [missing, setMissing] = useState<readonly string[]>([]);
  const [problem, setProblem] = useState<Problem | null>(null);
  const asking = useRef<AbortController | null>(null);
  const begun = useRef(0);
  /** The place of something that begins in the order of all that did. */
  const begin = (): number => (begun.current += 1);
  /** What is wrong with something, or that nothing is; what began after it and was told already stays. */
  const tell = (order: number, sentence: string | null): void =>
    setProblem((now) => {
      if (now && now.order > order) return now;
      return sentence === null ? null : { order, sentence };
    });

  useEffect(() => {
    let isHere = true;
    server.faces().then(
      (list) => isHere && setFaces(list),
      (error: unknown) => isHere && setProblem({ order: 0, sentence: messageOf(error) }),
    );
    return () => {
      isHere = false;
    };
  }, []);

  /**
   * Sets the words anew; only those that were asked for last are waited for, also by undo. Where that waits too long the words are as they
   * were.
   */
  const set = (next: string, face: string, order = begin()): Promise<void> => {
    asking.current?.abort();
    const asked = new AbortController();
    asking.current = asked;
    const step = answered(next, face, order, asked.signal);
    saver()?.awaits(step, () => {
      asked.abort();
      setText(null);
    });
    return step;
  };
  const answered = async (next: string, face: string, order: number, signal: AbortSignal): Promise<void> => {
    try {
      const made = await server.shape(next, face, { signal });
      if (signal.aborted) return;
      setMissing(made.missing);
      tell(order, null);
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
      if (!signal.aborted) tell(order, messageOf(error));
    }
  };

  const bring = async (file: File): Promise<void> => {
    const order = begin();
    try {
      const face = await server.keepFace(file);
      setFaces(await server.faces());
      await set(words.text, face.id, order);
      toast(`${face.name} is one of your faces now.`);
    } catch (error) {
      tell(order, messageOf(error));
    }
  };

  return {
    faces,
    words,
    text,
    missing,
    problem: problem?.sentence ?? null,
    type: (typed) => {
      const next = typed.replace(/\n/g, ' ');
      setText(next);
      if (next.trim() === '') tell(begin(), 'There are no words: type some.');
      else void set(next, words.face);
    },
    rest: () => {
      if (text?.trim() === '') setText(null);
    },
    setFace: (face) => void set(text ?? words.text, face),
    bring: (file) => void bring(file),
  };
}
