/**
 * The keyboard of the editor: which key does what, and where keys are somebody else's.
 *
 * @example
 * const end = followKeys(editor, () => saver.current, openSheet);
 */
import { createKeybindingsHandler, type KeybindingsMap } from 'tinykeys';

import { toggleHalfStep } from '@/core/figure/commands';
import {
  actOnRound,
  type Editor,
  type EditorState,
  MORE_KEY,
  offeredNow,
  type Saver,
  STAGES,
  stopWork,
  takeOffered,
  toolOnKey,
  TRAY_KEYS,
} from '@/state';
import { takesText } from '@/ui/common';
import { duplicateSelection, makeGroup, reorderSelection } from '@/ui/desk';
import { crosshairKeys, finishPath, takeTool, turnArcOrder } from '@/ui/tools';
import {
  changeFold,
  changeMirror,
  focusNextPane,
  goToStage,
  leave,
  nudge,
  remove,
  selectAll,
  undoStep,
} from './keyActions';

/** The keys of our own, for the help sheet and the docs. */
export const KEYS: readonly (readonly [string, string])[] = [
  ['Q … U, A … J', 'tools, as they lie in the tray'],
  ['Z', 'more tools than the tray has room for'],
  ['1 … 6', 'stages'],
  ['[  ]', 'fold − and +'],
  ['\\', 'mirror'],
  ['.', 'half a step'],
  ['X', 'the other order of an arc’s three points'],
  ['C', 'the symmetry that is offered for what was drawn freely, with one copy'],
  ['V', 'outline view'],
  ['N', 'neighbours’ ghosts'],
  ['B', 'Bench wide'],
  ['M', 'Whole wide'],
  ['0', 'show all of it'],
  ['Arrows', 'nudge shapes, nodes, a node’s handle; Shift ten times, Alt a tenth'],
  ['Ctrl ↑ ↓', 'a step forward, backward; with Shift to the front, the back: shapes, or the round'],
  ['Ctrl G', 'group; with Shift ungroup'],
  ['Alt + click', 'deeper into a group'],
  ['F2', 'rename, in the list of the motif'],
  ['Space + drag, wheel', 'move and zoom the view'],
  ['Shift, Alt, Ctrl', 'constrain, copy, no snapping'],
  ['Enter, Esc', 'end, leave'],
  ['F6', 'to the next pane'],
  ['↑ ↓ Space in Proof', 'the next finding, its next place; Enter closer, M mend, L leave'],
  ['Enter on the Bench', 'a cross-hair: arrows move it, Enter presses and lets go'],
  ['O', 'open the drawer of motifs'],
  ['K', 'keep a version, under a name'],
  ['P', 'the past: steps and versions, looked at and taken back'],
  ['/', 'find anything by its name'],
  ['?', 'this list'],
];

export type Sheet = 'export' | 'keys' | 'find' | 'version';

/** What keys reach. */
interface Reach {
  readonly editor: Editor;
  readonly saver: () => Saver | null;
  readonly openSheet: (sheet: Sheet) => void;
}

/** Within a control that uses the space key or Enter itself. */
const isControl = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  target.closest('button, input, [role=radio], [role=menu], [role=dialog], [role=slider], a') !== null;

/** Within a control that uses the arrow keys itself; a row of the motif's list and a colour at hand do not: what was chosen is moved next. */
const usesArrows = (target: EventTarget | null): boolean =>
  isControl(target) && !(target instanceof HTMLElement && target.matches('[data-row], [data-chip]'));

/** Does something on a key, which then does nothing else; unless that answers `false`, as it was not for it. */
type Does = (event: KeyboardEvent) => unknown;

/** A key whether or not Shift and Alt are down. */
const plain = (key: string): string => `[Shift]+[Alt]+${key}`;

/** A sign wherever on the keyboard it is: some have it on a key with Alt Gr, which may count as Control and Alt. */
const onSign = (key: string, does: Does): Record<string, Does> => ({
  [plain(key)]: does,
  [`Control+Alt+[Shift]+${key}`]: does,
});

const listened = (does: Readonly<Record<string, Does>>): ((event: Event) => void) =>
  createKeybindingsHandler(
    Object.fromEntries(
      Object.entries(does).map(([keys, run]): [string, KeybindingsMap[string]] => [
        keys,
        (event) => {
          if (run(event) !== false) event.preventDefault();
        },
      ]),
    ),
    // Held keys go on; where keys are somebody else's is asked before.
    { ignore: () => false },
  );

/** Changes something of the state that is no step of the work. */
const set = (editor: Editor, change: (state: EditorState) => Partial<EditorState>): void =>
  editor.setState(change);

/** Keys with the system's own. */
const withSystemKey = ({ editor, saver }: Reach): Record<string, Does> => ({
  '$mod+z': () => undoStep(saver()),
  '$mod+Shift+z': () => saver()?.redo(),
  '$mod+y': () => saver()?.redo(),
  '$mod+d': () => duplicateSelection(editor),
  '$mod+[Shift]+g': (event) => makeGroup(editor, !event.shiftKey),
  '$mod+a': () => selectAll(editor),
  '$mod+[Shift]+ArrowUp': (event) => reorderSelection(editor, event.shiftKey ? 'front' : 'forward'),
  '$mod+[Shift]+ArrowDown': (event) => reorderSelection(editor, event.shiftKey ? 'back' : 'backward'),
  '$mod+s': () => {
    saver()
      ?.flush()
      .catch(() => undefined);
  },
});

/** What is looked at, and how. */
const views = ({ editor, openSheet }: Reach): Record<string, Does> => ({
  [plain('0')]: () => editor.setState({ views: { bench: null, whole: null, lane: null } }),
  [plain('KeyV')]: () => set(editor, ({ outlines }) => ({ outlines: !outlines })),
  [plain('KeyN')]: () => set(editor, ({ ghosts }) => ({ ghosts: !ghosts })),
  [plain('KeyB')]: () => set(editor, ({ wide }) => ({ wide: wide === 'bench' ? null : 'bench' })),
  [plain('KeyM')]: () => set(editor, ({ wide }) => ({ wide: wide === 'whole' ? null : 'whole' })),
  [plain('KeyO')]: () => set(editor, ({ drawer }) => ({ drawer: !drawer })),
  [plain('KeyP')]: () => editor.setState({ past: true }),
  [plain('KeyK')]: () => openSheet('version'),
  ...onSign('?', () => openSheet('keys')),
  ...onSign('/', () => openSheet('find')),
  [plain('Space')]: (event) => {
    if (isControl(event.target)) return false;
    editor.setState({ panning: true });
    return true;
  },
});

/** Stages, tools, and what they draw. */
const hands = ({ editor }: Reach): Record<string, Does> => ({
  [plain('([1-6])')]: (event) => {
    const stage = STAGES[Number(event.key) - 1];
    if (stage) goToStage(editor, stage);
  },
  [plain(`(${TRAY_KEYS.flat().join('|')})`)]: (event) => {
    const tool = toolOnKey(editor.getState().stage, event.code);
    if (!tool) return false;
    takeTool(editor, tool);
    return true;
  },
  [plain(MORE_KEY)]: () => document.querySelector<HTMLElement>('[data-more-tools]')?.click(),
  [plain('KeyX')]: () => {
    const { tool, ways } = editor.getState();
    if (tool !== 'line' || ways.line !== 'arc') return false;
    turnArcOrder(editor);
    return true;
  },
  [plain('KeyC')]: () => {
    if (!offeredNow(editor.getState())) return false;
    takeOffered(editor);
    return true;
  },
  [plain('Enter')]: () => {
    if (!editor.getState().draft) return false;
    finishPath(editor, false);
    return true;
  },
  [plain('Escape')]: () => leave(editor),
});

/** The round, and what is selected of it. */
const changes = ({ editor }: Reach): Record<string, Does> => ({
  ...onSign('[', () => changeFold(editor, -1)),
  ...onSign(']', () => changeFold(editor, 1)),
  ...onSign('\\', () => changeMirror(editor)),
  [plain('.')]: () => actOnRound(editor, 'Half a step', toggleHalfStep),
  [plain('(Delete|Backspace)')]: () => remove(editor),
  [plain('(Arrow.+)')]: (event) =>
    !usesArrows(event.target) && nudge(editor, event.key, event.shiftKey ? 10 : event.altKey ? 0.1 : 1),
});

/** While the history is looked at, keys that draw or change rest. */
const inPast = ({ editor, openSheet }: Reach): Record<string, Does> => ({
  [plain('KeyP')]: () => editor.setState({ past: false }),
  [plain('KeyK')]: () => openSheet('version'),
});

/** Listens to the keyboard for as long as the editor is open. */
export function followKeys(
  editor: Editor,
  saver: () => Saver | null,
  openSheet: (sheet: Sheet) => void,
): () => void {
  const reach: Reach = { editor, saver, openSheet };
  const toPanes = listened({
    F6: () => focusNextPane(1),
    'Shift+F6': () => focusNextPane(-1),
  });
  const past = listened(inPast(reach));
  const present = listened({ ...withSystemKey(reach), ...views(reach), ...hands(reach), ...changes(reach) });
  const crosshair = crosshairKeys(editor);

  const down = (event: KeyboardEvent): void => {
    if (editor.getState().working) {
      if (event.key === 'Escape') stopWork(editor);
      event.preventDefault();
      return;
    }
    if (event.target instanceof HTMLElement && event.target.closest('[role=dialog]')) return;
    toPanes(event);
    if (takesText(event.target)) return;
    if (editor.getState().past) past(event);
    else if (crosshair.down(event)) event.preventDefault();
    else present(event);
  };
  const up = (event: KeyboardEvent): void => {
    if (event.key === ' ') editor.setState({ panning: false });
  };
  window.addEventListener('keydown', down);
  window.addEventListener('keyup', up);
  return () => {
    window.removeEventListener('keydown', down);
    window.removeEventListener('keyup', up);
  };
}
