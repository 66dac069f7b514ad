/** Tells the server, again and again, that this window has the figure open, and hears in how many others it is. */
import type { Editor } from './editorState';
import { server } from './server';

/** How often, in milliseconds; the server forgets who is silent for longer than twice that. */
const TOLD_EVERY = 15_000;

/** Follows for as long as the editor is open. @returns what ends it */
export function followOpen(editor: Editor): () => void {
  const { id } = editor.getState();
  // A name for this visit: a window that is opened twice is two.
  const name = crypto.randomUUID();
  let ended = false;
  const tell = (): void => {
    server.noteOpen(id, name).then(
      ({ others }) => {
        if (!ended && editor.getState().others !== others) editor.setState({ others });
      },
      // Saving says what there is to say of a server that does not answer.
      () => undefined,
    );
  };
  const leave = (): void => {
    // A server that does not answer would be told late, when it is not true any more: it forgets by itself.
    if (editor.getState().save.kind !== 'failing') void server.noteClosed(id, name).catch(() => undefined);
  };
  tell();
  const timer = setInterval(tell, TOLD_EVERY);
  window.addEventListener('pagehide', leave);
  window.addEventListener('focus', tell);
  return () => {
    ended = true;
    clearInterval(timer);
    window.removeEventListener('pagehide', leave);
    window.removeEventListener('focus', tell);
    leave();
  };
}
