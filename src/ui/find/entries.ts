/**
 * All that Find looks through in an editor: tools, stages, sections of the panel, and what can be done.
 *
 * @example
 * ranked(entriesOf(workshop), 'skew')[0]?.run();
 */
import { CHECKS } from '@/core/proof';
import {
  activeRound,
  actOnRound,
  type Editor,
  groupsOf,
  look,
  MORE_KEY,
  type ProofStore,
  type Saver,
  selectedShapes,
  shownFigure,
  STAGE_NAMES,
  STAGES,
  type ToolId,
  toolsBeyond,
  TRAY_KEYS,
  TRAYS,
} from '@/state';
import { setMirror, toggleHalfStep } from '@/core/figure/commands';
import { type MenuEntry, unfold } from '@/ui/common';
import { goToStage, type Sheet, undoStep } from '@/ui/keys';
import { selectionActions } from '@/ui/desk';
import { roundActions } from '@/ui/reach';
import { chooseArtwork } from '@/ui/import';
import { beginGuide } from '@/ui/guide';
import { takeTool, TOOLS } from '@/ui/tools';
import { PLACES, type Place } from './places';
import type { Findable } from './rank';

export interface FindEntry extends Findable {
  readonly id: string;
  /** Where it lives, in words. */
  readonly where: string;
  /** The key that does it. */
  readonly shortcut?: string;
  /** Why it cannot be done now. */
  readonly off?: string;
  readonly run: () => void;
}

/** What entries act on. */
export interface FindContext {
  readonly editor: Editor;
  readonly saver: () => Saver | null;
  readonly openSheet: (sheet: Sheet) => void;
  /** What was found of the figure by the last proof. */
  readonly proof: ProofStore;
}

/** How long a section that was found is lit, in milliseconds. */
const LIT = 1200;

/** Brings a section of the panel into sight, once it is there, and lights it up. */
function showSection(title: string): void {
  requestAnimationFrame(() =>
    requestAnimationFrame(() => {
      const section = [...document.querySelectorAll('[aria-label="Inspector"] section')].find(
        (each) => each.getAttribute('aria-label') === title,
      );
      section?.scrollIntoView({ block: 'start' });
      section?.animate([{ background: 'var(--coral-soft)' }, { background: 'transparent' }], LIT);
      section?.querySelector<HTMLElement>('input, [role=radio], button:not([aria-expanded])')?.focus();
    }),
  );
}

function goToPlace(editor: Editor, { title, stage, level }: Place): void {
  if (stage && editor.getState().stage !== stage) goToStage(editor, stage);
  editor.setState({ level });
  unfold(title);
  showSection(title);
}

const LEVEL_WORDS = { page: 'Page', round: 'the round', shapes: 'the shape' } as const;

function placeEntries(editor: Editor): FindEntry[] {
  const hasShapes = selectedShapes(editor.getState()).length > 0;
  return PLACES.map((place) => ({
    id: `place ${place.title}`,
    name: place.title,
    words: place.words,
    where: `${place.stage ? `${STAGE_NAMES[place.stage]}, ` : ''}panel of ${LEVEL_WORDS[place.level]}`,
    ...(place.level === 'shapes' && !hasShapes && { off: 'Select a shape first' }),
    run: () => goToPlace(editor, place),
  }));
}

function toolEntries(editor: Editor): FindEntry[] {
  const seen = new Set<ToolId>();
  return STAGES.flatMap((stage) =>
    TRAYS[stage].flatMap((row, r) =>
      row.flatMap((tool, column): FindEntry[] => {
        if (seen.has(tool)) return [];
        seen.add(tool);
        return [
          {
            id: `tool ${tool}`,
            name: TOOLS[tool].name,
            words: TOOLS[tool].words,
            where: `${STAGE_NAMES[stage]}, tool`,
            shortcut: (TRAY_KEYS[r]?.[column] ?? '').replace('Key', ''),
            run: () => {
              goToStage(editor, stage);
              takeTool(editor, tool);
            },
          },
        ];
      }),
    ),
  );
}

/** Tools that are in no tray, each in the stage whose others are listed beside it. */
const toolsOfMore = (editor: Editor): FindEntry[] =>
  toolsBeyond('draw')
    .filter((tool) => !STAGES.some((stage) => TRAYS[stage].flat().includes(tool)))
    .map((tool) => ({
      id: `tool ${tool}`,
      name: TOOLS[tool].name,
      words: TOOLS[tool].words,
      where: `${STAGE_NAMES.draw}, More tools`,
      shortcut: MORE_KEY.replace('Key', ''),
      run: () => {
        goToStage(editor, 'draw');
        takeTool(editor, tool);
      },
    }));

const stageEntries = (editor: Editor): FindEntry[] =>
  STAGES.map((stage, k) => ({
    id: `stage ${stage}`,
    name: STAGE_NAMES[stage],
    words: 'stage',
    where: 'stage',
    shortcut: String(k + 1),
    run: () => goToStage(editor, stage),
  }));

const menuEntries = (prefix: string, where: string, entries: readonly MenuEntry[]): FindEntry[] =>
  entries.map(({ label, onClick, disabled, words = '', shortcut }) => ({
    id: `${prefix} ${label}`,
    name: label,
    words,
    where,
    ...(shortcut && { shortcut }),
    ...(disabled && { off: 'Not possible for what is selected' }),
    run: onClick,
  }));

/** What is done with the view, the history and the file. */
function commonEntries({ editor, saver, openSheet }: FindContext): FindEntry[] {
  const state = editor.getState();
  const round = activeRound(state);
  const entry = (
    name: string,
    words: string,
    where: string,
    shortcut: string | undefined,
    run: () => void,
  ): FindEntry => ({ id: `do ${name}`, name, words, where, ...(shortcut && { shortcut }), run });
  return [
    entry('Undo', 'back revert', 'top bar', 'Ctrl Z', () => undoStep(saver())),
    entry('Redo', 'again forward', 'top bar', 'Ctrl Y', () => saver()?.redo()),
    entry('Export', 'save download svg png file hand over', 'top bar', undefined, () => openSheet('export')),
    entry(
      'Take artwork from a file',
      'import open place vector logo svg dxf',
      'head of the motif’s list',
      undefined,
      chooseArtwork,
    ),
    entry('History', 'past earlier steps versions log back', 'top bar', 'P', () =>
      editor.setState({ past: true }),
    ),
    entry('Keep a version', 'save snapshot milestone name', 'History', 'K', () => openSheet('version')),
    entry('Drawer', 'motifs library stock symbols shapes leaf flower star', 'Bench', 'O', () =>
      editor.setState({ drawer: true }),
    ),
    entry('Keys', 'shortcuts keyboard help', 'top bar', '?', () => openSheet('keys')),
    entry(
      'First figure, step by step',
      'guide tutorial help start begin learn how',
      'strip under the top bar',
      undefined,
      () => beginGuide(editor),
    ),
    entry('Outline view', 'wireframe lines skeleton', 'view', 'V', () =>
      editor.setState({ outlines: !state.outlines }),
    ),
    entry('Neighbours’ ghosts', 'faint copies onion', 'Bench', 'N', () =>
      editor.setState({ ghosts: !state.ghosts }),
    ),
    entry('Bench wide', 'large pane full', 'view', 'B', () => editor.setState({ wide: 'bench' })),
    entry('Whole wide', 'large pane full preview', 'view', 'M', () => editor.setState({ wide: 'whole' })),
    entry('Both panes', 'side by side split', 'view', undefined, () => editor.setState({ wide: null })),
    entry('Show all of it', 'fit zoom window', 'view', '0', () =>
      editor.setState({ views: { bench: null, whole: null, lane: null } }),
    ),
    entry('Artwork alone', 'preview hide marks presentation', 'Whole', undefined, () =>
      editor.setState({ quiet: !state.quiet }),
    ),
    entry(
      round?.rule.mirror ? 'Mirror off' : 'Mirror on',
      'reflect dihedral kaleidoscope symmetry',
      'Whole, fold',
      '\\',
      () =>
        actOnRound(editor, round?.rule.mirror ? 'Mirror off' : 'Mirror on', (figure, id) =>
          setMirror(figure, id, !round?.rule.mirror),
        ),
    ),
    entry('Half a step', 'rotate offset phase between', 'Turn', '.', () =>
      actOnRound(editor, 'Half a step', toggleHalfStep),
    ),
  ];
}

const TITLES = new Map(CHECKS.map(({ id, title }) => [id, title]));

/** What the last proof found and was not left as it is: each is gone to where it can be mended. */
function findingEntries({ editor, proof: store }: FindContext): FindEntry[] {
  const { proof } = store.getState();
  return (proof ? groupsOf(proof, shownFigure(editor.getState()).proof?.left) : []).flatMap(({ findings }) =>
    findings.map(({ key, code, title, sentence, count }) => ({
      id: `finding ${key}`,
      name: title,
      words: `finding mend ${TITLES.get(code) ?? ''} ${sentence}`,
      where: `${STAGE_NAMES.proof}, finding ×${count}`,
      run: () => {
        goToStage(editor, 'proof');
        look(store, key);
      },
    })),
  );
}

/** All entries of an editor as it is now. */
export function entriesOf(context: FindContext): FindEntry[] {
  const { editor } = context;
  const round = activeRound(editor.getState());
  return [
    ...toolEntries(editor),
    ...toolsOfMore(editor),
    ...placeEntries(editor),
    ...commonEntries(context),
    ...findingEntries(context),
    ...stageEntries(editor),
    ...menuEntries('shapes', 'menu of the selection', selectionActions(editor)),
    ...(round ? menuEntries('round', `menu of the round ${round.name}`, roundActions(editor, round)) : []),
  ];
}
