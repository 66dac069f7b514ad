/**
 * The picture in the panes while something is dragged. Most moves of a drag change nothing but outlines: those are written into the picture
 * as it stands, at once, and what else is drawn by them (the rim, the rays, how far rounds reach) follows every now and then.
 *
 * @example
 * const { subscribe, snapshot, draws } = pictureOf(editor);
 * const end = draws(item, (d) => path.setAttribute('d', d)); // its outline, as long as it is drawn for this item
 */
import { edgeOf, isReshaped } from '@/core/figure';
import { screenData } from '@/core/format';
import { remembered } from '@/core/remembered';
import { retraced, type SceneItem } from '@/core/scene';
import { type Editor, type EditorState, shownFigure } from './editorState';
import { isSameDrag, restOf } from './rest';
import { layersOnBench, partsShown, sceneOf } from './scene';
import { activeRound } from './selecting';
import { whenCalm } from './whenCalm';

/** Writes the outline of an item where it is drawn, as SVG path data. */
type Write = (d: string) => void;

export interface Picture {
  readonly subscribe: (changed: () => void) => () => void;
  /** The editor's state for what draws panes: the same object while new outlines are all that it needs. Its `pointer` may be old. */
  readonly snapshot: () => EditorState;
  /** Says where an item is drawn. @returns how to say that it is no longer */
  readonly draws: (item: SceneItem, write: Write) => () => void;
}

const NOTHING: ReadonlyMap<SceneItem, SceneItem> = new Map();

/** What reaches past a ray is shown apart from the shape itself, with the round. */
const isWarnedOf = (state: EditorState): boolean =>
  shownFigure(state).rounds.some((round) => round.shapes.some((shape) => edgeOf(round, shape) === 'warn'));

/** What the panes draw of a state. */
const drawnIn = remembered((state: EditorState) => {
  const scene = sceneOf(state);
  const { parts, isLined } = layersOnBench(state, scene);
  return {
    whole: partsShown(state, scene),
    bench: parts,
    lined: isLined ? activeRound(state) : null,
    /** They have items of their own each. */
    areTwo: scene.abutting !== undefined,
  };
});

/** The items that have other outlines, where a hand on a pane changed nothing else; null where the picture is to be drawn anew. */
function retracedBetween(before: EditorState, after: EditorState): ReadonlyMap<SceneItem, SceneItem> | null {
  if (!after.pointer || !isSameDrag(before, after) || isWarnedOf(after)) return null;
  if (!isReshaped(shownFigure(before), shownFigure(after))) return null;
  const [was, is] = [drawnIn(before), drawnIn(after)];
  // Lines of shapes that are part of another outline have no items.
  if (was.areTwo || is.areTwo || was.lined !== is.lined) return null;
  const inWhole = retraced(was.whole, is.whole);
  const onBench = retraced(was.bench, is.bench);
  return inWhole && onBench && inWhole.size > 0 ? inWhole : null;
}

function pictureFor(editor: Editor): Picture {
  const rest = restOf(editor);
  const writers = new Map<SceneItem, Set<Write>>();
  const listeners = new Set<() => void>();
  let shown = rest(editor.getState());
  /** What is written into the picture of `shown`, by the items that it was drawn for. */
  let written = NOTHING;
  let cancel: (() => void) | null = null;

  const write = (now: ReadonlyMap<SceneItem, SceneItem>): void => {
    for (const item of new Set([...written.keys(), ...now.keys()])) {
      const drawn = now.get(item) ?? item;
      if (drawn === (written.get(item) ?? item)) continue;
      const own = writers.get(item);
      if (!own) continue;
      const d = screenData(drawn.paths);
      for (const each of own) each(d);
    }
    written = now;
  };

  const follow = (): void => {
    cancel?.();
    cancel = null;
    // Who draws it anew takes it as it was left.
    write(NOTHING);
    shown = rest(editor.getState());
    for (const changed of listeners) changed();
  };

  const look = (now: EditorState): void => {
    const state = rest(now);
    if (state === shown) return;
    const become = retracedBetween(shown, state);
    if (!become) {
      follow();
      return;
    }
    write(become);
    cancel ??= whenCalm(follow);
  };

  let end: (() => void) | null = null;
  return {
    subscribe: (changed) => {
      listeners.add(changed);
      end ??= editor.subscribe(look);
      return () => {
        listeners.delete(changed);
        if (listeners.size > 0) return;
        cancel?.();
        cancel = null;
        end?.();
        end = null;
      };
    },
    snapshot: () => {
      if (!end) shown = rest(editor.getState());
      return shown;
    },
    draws: (item, own) => {
      const all = writers.get(item) ?? new Set();
      writers.set(item, all.add(own));
      return () => {
        all.delete(own);
        if (all.size === 0) writers.delete(item);
      };
    },
  };
}

/** The picture of an editor. */
export const pictureOf = remembered(pictureFor);
