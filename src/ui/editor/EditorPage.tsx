'use client';

import dynamic from 'next/dynamic';
import { useCallback, useEffect, useRef, useState } from 'react';
import { toast } from 'sonner';

import { ok } from '@/core/finding';
import { askOutlines, excessOf } from '@/core/figure';
import {
  createEditor,
  createProofing,
  type Editor,
  followCells,
  followCoats,
  followCopy,
  followMerges,
  followOpen,
  followPage,
  followSaves,
  followTasks,
  keepView,
  noticeLetGo,
  type Notices,
  perform,
  pictureOf,
  type Saver,
  shownFigure,
  workOf,
} from '@/state';
import type { SavedFigure } from '@/protocol';
import { Bench } from '@/ui/bench';
import { writeFigure } from '@/core/format/figure';
import { ContextMenu, downloadBlob, DrawnItems, later, Segmented, useMedia } from '@/ui/common';
import { selectUnder } from '@/ui/tools';
import { ArtworkChooser } from '@/ui/import';
import { Inspector } from '@/ui/inspector';
import { DrawerPanel, followUses } from '@/ui/drawer';
import { HistoryPanes, KeepVersionSheet } from '@/ui/history';
import { FindingsPanel } from '@/ui/proof';
import { Reach } from '@/ui/reach';
import { Whole } from '@/ui/whole';
import { SaveSheets } from './SaveSheets';
import { selectionActions, useEditor, useEditorState, type Workshop, WorkshopContext } from '@/ui/desk';
import { OtherPane } from './OtherPane';
import { PaneDivider, usePaneWidths } from './PaneDivider';
import { followKeys, KeysSheet, type Sheet } from '@/ui/keys';
import { beginGuide, Guide, GUIDE_MARK } from '@/ui/guide';
import { FindSheet } from '@/ui/find';
import { followClipboard } from './clipboard';
import { TopBar } from './TopBar';
import { WorkingCard } from './WorkingCard';

/** The editor of one figure. */
export function EditorPage({ saved }: { readonly saved: SavedFigure }) {
  const [editor] = useState(() => createEditor(saved));
  // What is shown is worked out in the browser, never by the server; outlines that may take long are waited for.
  const [ready, setReady] = useState(false);
  const [restored, setRestored] = useState(false);
  const saver = useRef<Saver | null>(null);
  const merges = useRef<ReturnType<typeof followMerges> | null>(null);
  const [sheet, setSheet] = useState<Sheet | null>(null);
  const closeSheet = useCallback(() => setSheet(null), []);
  const [workshop] = useState<Workshop>(() => ({
    editor,
    proofing: createProofing(editor),
    saver: () => saver.current,
    stopMerge: (roundId) => merges.current?.stop(roundId),
    mergeAgain: (roundId) => merges.current?.again(roundId),
  }));

  useEffect(() => {
    const saving = followSaves(editor, noticesOf(editor));
    saver.current = saving;
    void saving.restored.then(() => setRestored(true));
    const endOutlines = followTasks(editor);
    if (wantsGuide()) beginGuide(editor);
    const figure = shownFigure(editor.getState());
    perform(
      editor,
      'Open',
      (work) => {
        askOutlines(figure, work);
        return ok(figure);
      },
      () => {
        setReady(true);
        const excess = excessOf(figure, workOf(editor.getState()));
        if (excess)
          toast.error(`${excess.sentence} What is too much is shown once, and cannot be exported.`, {
            duration: 30_000,
          });
      },
      true,
    );
    const endKeys = followKeys(editor, () => saver.current, setSheet);
    const endClipboard = followClipboard(editor);
    const endPage = followPage(editor);
    const endView = keepView(editor);
    const endCells = followCells(editor, (sentence) => toast(sentence, { duration: 8000 }));
    const endFollowers = noticeLetGo(editor, (sentence) => toast(sentence, { duration: 8000 }));
    const endCopy = followCopy(editor);
    const endOpen = followOpen(editor);
    const endNotices = noticeSaves(editor);
    const endRefusals = editor.subscribe(({ refusal }, before) => {
      if (refusal && refusal !== before.refusal) toast.error(refusal.message);
    });
    return () => {
      endOutlines();
      endKeys();
      endClipboard();
      endPage();
      endView();
      endCells();
      endFollowers();
      endCopy();
      endOpen();
      endNotices();
      endRefusals();
      saver.current?.end();
    };
  }, [editor]);

  useEffect(() => {
    if (!ready) return undefined;
    const following = followMerges(editor);
    merges.current = following;
    const endCoats = followCoats(editor);
    const endProof = workshop.proofing.follow();
    return () => {
      endProof();
      endCoats();
      following.end();
    };
  }, [editor, ready, workshop]);

  // Only once what an earlier visit left is taken up: that would take the place of a step that was made before.
  useEffect(() => (ready && restored ? followUses(editor) : undefined), [editor, ready, restored]);

  return (
    <WorkshopContext value={workshop}>
      <TabTitle />
      <div className="grid h-dvh grid-rows-[52px_auto_minmax(0,1fr)] overflow-hidden">
        <TopBar
          onExport={() => setSheet('export')}
          onKeys={() => setSheet('keys')}
          onFind={() => setSheet('find')}
        />
        <div>
          <Guide />
        </div>
        <DrawnItems value={pictureOf(editor).draws}>
          {ready ? <Panes listens={restored} onKeep={() => setSheet('version')} /> : <main aria-busy />}
        </DrawnItems>
      </div>
      <WorkingCard />
      <ExportSheet
        wanted={sheet === 'export'}
        ahead={ready}
        onMissing={closeSheet}
        open={sheet === 'export'}
        onClose={closeSheet}
      />
      <KeysSheet open={sheet === 'keys'} onClose={closeSheet} />
      <FindSheet open={sheet === 'find'} onClose={closeSheet} openSheet={setSheet} />
      <KeepVersionSheet open={sheet === 'version'} onClose={closeSheet} />
      <SaveSheets />
      <ArtworkChooser />
      <ArtworkSheets />
    </WorkshopContext>
  );
}

/** True where the Shelf sent somebody who is to be led; once, so that a reload does not begin again. */
function wantsGuide(): boolean {
  const address = new URL(window.location.href);
  if (!address.searchParams.has(GUIDE_MARK)) return false;
  address.searchParams.delete(GUIDE_MARK);
  window.history.replaceState(window.history.state, '', address);
  return true;
}

/** How a person is told what saving finds on its way. */
const noticesOf = (editor: Editor): Notices => ({
  told: (sentence) => toast(sentence, { duration: 12_000 }),
  unkept: (sentence) =>
    toast.error(sentence, {
      id: 'unkept',
      duration: Infinity,
      action: {
        label: 'Save as a file',
        onClick: () => {
          const figure = shownFigure(editor.getState());
          downloadBlob(new Blob([writeFigure(figure)], { type: 'application/json' }), `${figure.name}.json`);
        },
      },
    }),
});

/** Says once, until it is over, why changes do not reach the server. */
function noticeSaves(editor: Editor): () => void {
  const id = 'save-problem';
  return editor.subscribe(({ save }, before) => {
    if (save.kind === before.save.kind) return;
    if (save.kind === 'failing') toast.error(`${save.message} Trying again.`, { id, duration: Infinity });
    if (save.kind !== 'failing' && save.kind !== 'waiting') toast.dismiss(id);
  });
}

/** The figure's name in the tab, as it is renamed. */
function TabTitle() {
  const name = useEditorState((state) => shownFigure(state).name);
  // Set by hand: the page's own title is there already, and the first of two is what a browser shows.
  useEffect(() => {
    document.title = `${name} · Cyclogon`;
  }, [name]);
  return null;
}

/** The panel's width at first, in pixels. */
const FIRST_PANEL = 290;

/** With all formats in it. */
const ExportSheet = later(() => import('../export/ExportSheet').then((each) => each.ExportSheet));

/** With all that reads artwork from elsewhere. */
const ImportSheet = later(() => import('../import/ImportSheet').then((each) => each.ImportSheet));
const ReadSheet = later(() => import('../import/ReadSheet').then((each) => each.ReadSheet));

/** Artwork on its way in, and shapes on theirs to rounds. */
function ArtworkSheets() {
  const editor = useEditor();
  const isImporting = useEditorState((state) => state.importing !== null);
  const isReading = useEditorState((state) => state.rereading !== null);
  const leave = useCallback(() => editor.setState({ importing: null, rereading: null }), [editor]);
  return (
    <>
      <ImportSheet wanted={isImporting} onMissing={leave} />
      <ReadSheet wanted={isReading} onMissing={leave} />
    </>
  );
}

/** With charts in it: read when it is first shown. */
const LooksPanel = dynamic(() => import('../proof/LooksPanel').then((each) => each.LooksPanel), {
  ssr: false,
  loading: () => <aside aria-label="Looks" aria-busy className="border-l border-line bg-shell" />,
});

/** Proof has findings and looks beside the figure, which has one place. */
function ProofPanes({ listens }: { readonly listens: boolean }) {
  const isBench = useEditorState((state) => state.wide === 'bench');
  const isNarrow = useMedia(NARROW);
  const [side, setSide] = useState<'findings' | 'looks'>('findings');
  return (
    <main
      aria-busy={!listens}
      className="grid min-h-0 grid-rows-[minmax(0,1fr)]"
      style={{ gridTemplateColumns: isNarrow ? '330px minmax(0, 1fr)' : '324px minmax(0, 1fr) 336px' }}
    >
      <div className="grid min-h-0 min-w-0 grid-rows-[auto_minmax(0,1fr)]">
        <div className={isNarrow ? 'border-b border-line bg-shell px-3 py-2' : ''}>
          {isNarrow && (
            <Segmented
              label="Beside the figure"
              value={side}
              choices={[
                { value: 'findings', label: 'Findings' },
                { value: 'looks', label: 'Looks' },
              ]}
              onChange={setSide}
            />
          )}
        </div>
        {isNarrow && side === 'looks' ? <LooksPanel /> : <FindingsPanel />}
      </div>
      <div className={PANE}>
        {isBench ? <Bench /> : <Whole />}
        <OtherPane pane={isBench ? 'whole' : 'bench'} small />
      </div>
      {!isNarrow && <LooksPanel />}
    </main>
  );
}

const PANE = 'relative grid min-h-0 min-w-0';

/** Where Bench and Whole share one place. */
const NARROW = '(max-width: 1100px)';

function Panes({ listens, onKeep }: { readonly listens: boolean; readonly onKeep: () => void }) {
  const editor = useEditor();
  const isPast = useEditorState((state) => state.past);
  const isDrawer = useEditorState((state) => state.drawer);
  const wide = useEditorState((state) => state.wide);
  const isProof = useEditorState((state) => state.stage === 'proof');
  const isNarrow = useMedia(NARROW);
  const widths = usePaneWidths();
  // Bench has the one place unless Whole was asked for.
  const only = isNarrow ? (wide ?? 'bench') : wide;
  const panel = `${isNarrow ? FIRST_PANEL : (widths.panel ?? FIRST_PANEL)}px`;
  const bench = widths.bench === undefined ? 'minmax(300px, 1.26fr)' : `minmax(300px, ${widths.bench}px)`;
  if (isPast) return <HistoryPanes onKeep={onKeep} />;
  if (isProof) return <ProofPanes listens={listens} />;
  const between = only ? 'minmax(0, 1fr)' : `${bench} minmax(280px, 1fr)`;
  return (
    // It is shown before what an earlier visit left is taken up.
    <main
      aria-busy={!listens}
      className="grid min-h-0 grid-rows-[minmax(0,1fr)]"
      style={{ gridTemplateColumns: `112px ${between} ${panel}` }}
    >
      <Reach />
      <ContextMenu
        label="More for the selection"
        entries={() => selectionActions(editor)}
        onOpen={(event) => selectUnder(editor, event.nativeEvent)}
      >
        <div className={only === 'whole' ? 'hidden' : PANE}>
          <Bench isOnly={only === 'bench'} />
          {only === 'bench' && <OtherPane pane="whole" />}
          {!only && <PaneDivider pane="bench" label="Width of the Bench" side="right" />}
        </div>
        <div className={only === 'bench' ? 'hidden' : PANE}>
          <Whole />
          {only === 'whole' && <OtherPane pane="bench" />}
        </div>
      </ContextMenu>
      <div className={PANE}>
        {isDrawer ? <DrawerPanel /> : <Inspector />}
        <PaneDivider pane="panel" label="Width of the panel" side="left" />
      </div>
    </main>
  );
}
