'use client';

import { AppWindow, Download, History, Keyboard, Redo2, Undo2, Search } from 'lucide-react';
import Link from 'next/link';

import { renameFigure } from '@/core/figure/commands';
import { act, redoLabel, type SaveState, shownFigure, STAGE_NAMES, STAGES, undoLabel } from '@/state';
import { Button, IconButton, Mark, TextField, ThemeButton } from '@/ui/common';
import { useEditor, useEditorState, useWorkshop } from '@/ui/desk';
import { goToStage, undoStep } from '@/ui/keys';

function saveWords(save: SaveState): string {
  switch (save.kind) {
    case 'saved':
      return `saved ${new Date(save.at).toLocaleTimeString([], { hour: '2-digit', minute: '2-digit', hourCycle: 'h23' })}`;
    case 'waiting':
      return 'saving …';
    case 'failing':
      return 'not saved';
    case 'conflict':
    case 'gone':
      return 'not saved';
  }
}

/** The reason why something is not saved, and that it is tried again where it is; nothing where there is none. */
function whyUnsaved(save: SaveState): string | undefined {
  switch (save.kind) {
    case 'failing':
      return `${save.message} Trying again.`;
    case 'conflict':
    case 'gone':
      return save.message;
    default:
      return undefined;
  }
}

function SaveStatus() {
  const save = useEditorState((state) => state.save);
  const bad = save.kind !== 'saved' && save.kind !== 'waiting';
  return (
    <span
      role="status"
      title={whyUnsaved(save)}
      suppressHydrationWarning
      className={`font-mono text-[12px] whitespace-nowrap max-[1180px]:hidden ${bad ? 'text-coral-text max-[1180px]:inline' : 'text-muted'}`}
    >
      {saveWords(save)}
    </span>
  );
}

/** Says that somebody else may change the figure too. */
function Elsewhere() {
  const others = useEditorState((state) => state.others);
  if (others === 0) return null;
  const words = others === 1 ? 'also open in another window' : `also open in ${others} other windows`;
  return (
    <span
      role="status"
      title={`This figure is ${words}. What is saved first counts; nothing is lost.`}
      className="ml-2 flex h-[22px] items-center gap-1.5 rounded-full bg-brass-soft px-2 text-[12px] whitespace-nowrap text-brass-text"
    >
      <AppWindow size={13} strokeWidth={1.8} aria-hidden />
      <span className="max-[1400px]:sr-only">{words}</span>
      <span aria-hidden className="min-[1401px]:hidden">
        +{others}
      </span>
    </span>
  );
}

function StageStrip() {
  const editor = useEditor();
  const stage = useEditorState((state) => state.stage);
  return (
    <nav aria-label="Stages" className="flex items-center">
      {STAGES.map((each, k) => (
        <span key={each} className="flex items-center">
          {k > 0 && <span aria-hidden className="mx-0.5 h-px w-3 bg-line-strong" />}
          <button
            type="button"
            data-guide-at={`stage-${each}`}
            aria-current={each === stage ? 'step' : undefined}
            title={`${STAGE_NAMES[each]} (${k + 1})`}
            onClick={() => goToStage(editor, each)}
            className={`h-[30px] rounded-full px-3.5 text-[14px] font-medium ${each === stage ? 'bg-ink text-field' : 'text-muted hover:text-ink'}`}
          >
            {STAGE_NAMES[each]}
          </button>
        </span>
      ))}
    </nav>
  );
}

interface Props {
  readonly onExport: () => void;
  readonly onKeys: () => void;
  readonly onFind: () => void;
}

/** The bar over the editor: where one is, the stages, whether it is saved, undo, redo, export. */
export function TopBar({ onExport, onKeys, onFind }: Props) {
  const editor = useEditor();
  const { saver } = useWorkshop();
  const name = useEditorState((state) => shownFigure(state).name);
  const back = useEditorState(
    (state) => undoLabel(state.history) ?? (state.history.at > 0 ? 'earlier step' : null),
  );
  const isPast = useEditorState((state) => state.past);
  const forward = useEditorState((state) => redoLabel(state.history));
  return (
    <header className="isolate grid grid-cols-[minmax(0,1fr)_auto_minmax(0,1fr)] items-center gap-3 border-b border-line bg-field px-3.5">
      <div className="flex min-w-0 items-center gap-2">
        <Link
          href="/"
          aria-label="Cyclogon: to the Shelf"
          className="flex shrink-0 items-center gap-2 rounded-ui"
        >
          <Mark />
          <span className="font-title text-[17px] font-bold max-[1180px]:hidden">Cyclogon</span>
        </Link>
        <Link href="/" className="ml-1 shrink-0 rounded-[4px] text-muted hover:text-ink">
          Shelf
        </Link>
        <span aria-hidden className="text-muted">
          /
        </span>
        <h1 className="flex min-w-0 flex-1">
          <TextField
            label="Name of the figure"
            value={name}
            className="h-[28px] w-full max-w-[240px] truncate font-semibold"
            onChange={(next) => act(editor, 'Rename figure', (figure) => renameFigure(figure, next))}
          />
        </h1>
      </div>
      <StageStrip />
      <div className="flex items-center justify-end gap-0.5">
        <button
          type="button"
          aria-label="Find anything"
          aria-keyshortcuts="/"
          title="Find a tool, a setting, a command or a figure (/)"
          onClick={onFind}
          className="mr-2 flex h-[30px] min-w-[33px] shrink-0 items-center gap-2 rounded-ui border border-line-strong bg-field px-2 text-muted hover:border-edge min-[1360px]:w-[118px]"
        >
          <Search size={15} strokeWidth={1.7} aria-hidden className="shrink-0" />
          <span className="flex-1 text-left max-[1359px]:hidden">Find</span>
          <kbd aria-hidden="true" className="font-mono text-[11px] max-[1359px]:hidden">
            /
          </kbd>
        </button>
        <SaveStatus />
        <Elsewhere />
        <span className="w-1.5" />
        <IconButton
          label={back ? `Undo: ${back}` : 'Nothing to undo'}
          disabled={!back}
          onClick={() => undoStep(saver())}
        >
          <Undo2 size={17} strokeWidth={1.7} />
        </IconButton>
        <IconButton
          label={forward ? `Redo: ${forward}` : 'Nothing to redo'}
          disabled={!forward}
          onClick={() => saver()?.redo()}
        >
          <Redo2 size={17} strokeWidth={1.7} />
        </IconButton>
        <IconButton label="History (P)" on={isPast} onClick={() => editor.setState({ past: !isPast })}>
          <History size={17} strokeWidth={1.7} />
        </IconButton>
        <IconButton label="Keys (?)" onClick={onKeys} className="max-[1360px]:hidden">
          <Keyboard size={17} strokeWidth={1.7} />
        </IconButton>
        <ThemeButton />
        <Button tone="main" data-guide-at="export" className="ml-2" onClick={onExport}>
          <Download size={15} strokeWidth={1.8} aria-hidden /> Export
        </Button>
      </div>
    </header>
  );
}
