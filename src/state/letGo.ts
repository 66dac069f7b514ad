import { letGo } from '@/core/figure';
import type { Editor } from './editorState';
import { figureOf } from './history';

/** The step that lets go by choice, of which nothing has to be said. */
export const LET_GO = 'Let go';

/** Tells of constructions that a step made follow a shape no more, as when one is moved by itself. @returns ends it */
export function noticeLetGo(editor: Editor, say: (sentence: string) => void): () => void {
  return editor.subscribe(({ history }, { history: before }) => {
    if (history === before || history.at <= before.at) return;
    const [was, is] = [figureOf(before), figureOf(history)];
    if (history.steps.at(-1)?.label === LET_GO) return;
    const gone = is.rounds.flatMap((round) => {
      const earlier = was.rounds.find(({ id }) => id === round.id);
      return earlier ? letGo(earlier, round) : [];
    });
    const [first, another] = gone;
    if (!first) return;
    say(
      another
        ? `${gone.length} shapes no longer follow what they were made of.`
        : `${first.name} no longer follows ${first.source}. Undo to have it follow again.`,
    );
  });
}
