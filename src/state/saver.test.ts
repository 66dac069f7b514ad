import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';

import { setFold } from '@/core/figure/commands';
import { type Figure, newFigure, wholeSteps } from '@/core/figure';
import { stepBack } from '../../tests/help/editor';
import { isAmong, type HistoryStep, type SavedFigure, type SaveId, type SaveRequest } from '@/protocol';
import { abandonedDrafts, DraftWriter } from './drafts';
import { act, createEditor } from './editor';
import { shownFigure, type Editor } from './editorState';
import { undoLabel } from './history';
import { ownTab } from './presence';
import { followSaves, type Saver } from './saver';

/** A server of one figure that answers as the real one does, and can be made to fail. */
class FakeServer {
  revision = 1;
  step = 0;
  steps: HistoryStep[] = [{ position: 0, label: 'Start', figure: newFigure('Test', 'a') }];
  mode: 'well' | 'gone' | 'slow' | 'dies' = 'well';
  savedBy: SaveId | null = null;
  isDeleted = false;
  /** Folds that it refuses. */
  refuses: number | null = null;
  created: string[] = [];
  requests: SaveRequest[] = [];
  fetches = 0;

  constructor(readonly id: string) {}

  readonly fetch = async (address: string, init: { method: string; body?: string }): Promise<Response> => {
    if (this.mode === 'gone') throw new TypeError('no answer');
    if (this.mode === 'slow') await new Promise<void>((resolve) => held.push(resolve));
    if (address.endsWith('/restore')) {
      this.isDeleted = false;
      return Response.json(this.summary());
    }
    if (init.method === 'POST') {
      const { figure } = JSON.parse(init.body ?? '') as { figure: { name: string } };
      this.created.push(figure.name);
      return Response.json({ id: 'copy', name: figure.name, revision: 1, updatedAt: '' }, { status: 201 });
    }
    if (this.isDeleted) return Response.json({ error: 'no such figure' }, { status: 404 });
    if (init.method === 'GET') return Response.json(this.asked(new URL(address, 'http://x').searchParams));
    const answer = this.saves(JSON.parse(init.body ?? '') as SaveRequest);
    if (this.mode === 'dies') throw new TypeError('no answer');
    return answer;
  };

  private asked(query: URLSearchParams): unknown {
    const before = query.get('before');
    if (before === null) return this.saved();
    this.fetches += 1;
    const [end, count] = [Number(before), Number(query.get('count'))];
    return this.steps.filter(({ position }) => position < end && position >= end - count);
  }

  private saves(request: SaveRequest): Response {
    this.requests.push(request);
    const isTheirs = isAmong(this.savedBy, request.unanswered ?? []);
    if (request.base !== this.revision && !isTheirs)
      return Response.json({ error: 'changed elsewhere' }, { status: 409 });
    const from = request.steps[0]?.position ?? Infinity;
    const kept = this.steps.filter(({ position }) => position < from);
    const steps = [...kept, ...wholeSteps(request.steps, kept[kept.length - 1]?.figure ?? null)];
    if (steps.some(({ figure }) => figure.rounds[0]?.rule.fold === this.refuses))
      return Response.json({ error: 'a fold that is refused' }, { status: 422 });
    this.steps = steps;
    this.step = request.step;
    this.revision += 1;
    this.savedBy = request.by ?? null;
    return Response.json(this.summary());
  }

  private summary() {
    return { id: this.id, name: 'Test', revision: this.revision, updatedAt: '2026-01-01T00:00:00Z' };
  }

  saved(): SavedFigure {
    const { step, steps, revision, savedBy } = this;
    const { figure } = steps.find(({ position }) => position === step)!;
    return { id: this.id, name: 'Test', revision, updatedAt: '', figure, step, steps, savedBy };
  }

  get fold(): number | undefined {
    return this.steps.find(({ position }) => position === this.step)?.figure.rounds[0]?.rule.fold;
  }
}

/** What is on its way to a slow server. */
let held: (() => void)[] = [];
let fake: FakeServer;
let editor: Editor;
let saver: Saver;
let listeners: Map<string, () => void>;
let told: string[];
let figures = 0;

/** Lets time pass, and what the browser's store does in it. */
async function pass(milliseconds: number): Promise<void> {
  for (let left = milliseconds; left > 0; left -= 50) {
    await vi.advanceTimersByTimeAsync(Math.min(50, left));
    for (let k = 0; k < 12; k += 1) await new Promise((done) => setImmediate(done));
  }
}

const open = async (): Promise<void> => {
  editor = createEditor(fake.saved());
  const notices = {
    told: (said: string) => void told.push(said),
    unkept: (said: string) => void told.push(said),
  };
  saver = followSaves(editor, notices);
  await saver.restored;
};
const fold = (value: number, mergeKey: string | null = null): void =>
  act(editor, 'Set fold', (figure) => setFold(figure, 'a', value), mergeKey);
const target = {
  addEventListener: (name: string, listener: () => void) => listeners.set(name, listener),
  removeEventListener: (name: string) => listeners.delete(name),
};
/** What a browser tells a page that is left, in its order. */
function leave(): void {
  listeners.get('pagehide')?.();
  vi.stubGlobal('document', { ...target, visibilityState: 'hidden' });
  listeners.get('visibilitychange')?.();
}
/** Lets everything through that is on its way to a slow server. */
function arrive(): void {
  for (const release of held.splice(0)) release();
}
/** A change for a server that answers when it is let, and some time after it. */
async function foldSlowly(milliseconds: number): Promise<void> {
  fake.mode = 'slow';
  fold(5);
  await pass(milliseconds);
}
const shownFold = (): number | undefined => shownFigure(editor.getState()).rounds[0]?.rule.fold;
const drafts = async () => abandonedDrafts(fake.id, await ownTab());
const keptSteps = async () => (await drafts()).map(({ steps }) => steps.length);

beforeEach(async () => {
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout', 'setInterval', 'clearInterval'] });
  fake = new FakeServer(`figure-${(figures += 1)}`);
  listeners = new Map();
  told = [];
  held = [];
  vi.stubGlobal('fetch', fake.fetch);
  vi.stubGlobal('window', target);
  vi.stubGlobal('document', { ...target, visibilityState: 'visible' });
  await open();
});

afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe('saving', () => {
  it('happens a moment after the last change, all steps together', async () => {
    fold(5);
    fold(6);
    expect(editor.getState().save.kind).toBe('waiting');
    expect(fake.revision).toBe(1);
    await pass(400);
    expect([fake.revision, fake.step, fake.fold]).toEqual([2, 2, 6]);
    expect(editor.getState().save.kind).toBe('saved');
    stepBack(editor);
    await pass(400);
    expect([fake.revision, fake.step, fake.fold]).toEqual([3, 1, 5]);
    expect(fake.steps).toHaveLength(3);
    expect(await drafts()).toEqual([]);
  });

  it('goes on with what was done while it was under way', async () => {
    await foldSlowly(300);
    fold(6);
    fake.mode = 'well';
    arrive();
    await pass(600);
    expect([fake.fold, fake.step, editor.getState().save.kind]).toEqual([6, 2, 'saved']);
  });

  it('of what is taken back at once happens before: the server has it, whatever is done then', async () => {
    fold(5);
    void saver.undo();
    fold(9);
    await pass(600);
    expect(fake.requests[0]?.steps).toHaveLength(1);
    expect([fake.fold, fake.requests.length >= 2]).toEqual([9, true]);
    const [first] = wholeSteps(fake.requests[0]?.steps ?? [], newFigure('Test', 'a'));
    expect(first?.figure.rounds[0]?.rule.fold).toBe(5);
  });

  it('is tried again until the server is back, and keeps the changes in the browser until then', async () => {
    fake.mode = 'gone';
    fold(5);
    await pass(300);
    expect(editor.getState().save).toMatchObject({ kind: 'failing' });
    expect(await keptSteps()).toEqual([1]);
    fold(7);
    await pass(10_000);
    expect(await keptSteps()).toEqual([2]);
    fake.mode = 'well';
    await pass(20_000);
    expect([fake.fold, editor.getState().save.kind]).toEqual([7, 'saved']);
    expect(await drafts()).toEqual([]);
  });

  it('goes in portions where it is much', async () => {
    fake.mode = 'gone';
    for (let k = 0; k < 700; k += 1) fold(3 + (k % 600));
    await pass(300);
    expect(await keptSteps()).toEqual([700]);
    fake.mode = 'well';
    fake.requests = [];
    await pass(20_000);
    expect(fake.requests.map(({ steps }) => steps.length)).toEqual([300, 300, 100]);
    expect([fake.steps.length, fake.step, fake.fold]).toEqual([701, 700, 102]);
  });

  it('goes in portions by size: no request is larger than the server takes', async () => {
    const large = 'x'.repeat(1_500_000);
    fake.mode = 'gone';
    for (let k = 0; k < 9; k += 1)
      act(editor, 'Fill', (figure): Figure => ({ ...figure, name: `${k}`, palette: [`${k}${large}`] }));
    // What no figure may hold is for the editor to refuse; here it is the size that counts.
    const { history } = editor.getState();
    const steps = Array.from({ length: 9 }, (_, k) => ({
      position: k + 1,
      label: 'Fill',
      figure: { ...history.steps[0]!.figure, palette: [`${k}${large}`] },
    }));
    editor.setState({ history: { ...history, steps: [history.steps[0]!, ...steps], at: 9, unsavedFrom: 1 } });
    fake.mode = 'well';
    await pass(20_000);
    expect(fake.requests.every((request) => JSON.stringify(request).length < 8_000_000)).toBe(true);
    expect([fake.steps.length, fake.step, editor.getState().save.kind]).toEqual([10, 9, 'saved']);
  });

  it('is freed of what the server refuses by undoing it', async () => {
    fake.refuses = 6;
    fold(5);
    fold(6);
    await pass(300);
    expect(editor.getState().save).toMatchObject({ kind: 'failing', message: 'a fold that is refused' });
    stepBack(editor);
    await pass(16_000);
    expect([fake.fold, editor.getState().save.kind]).toEqual([5, 'saved']);
    fold(7);
    await pass(500);
    expect([fake.fold, editor.getState().save.kind]).toEqual([7, 'saved']);
  });

  it('that arrives only after the next page was opened is no change from elsewhere', async () => {
    fake.mode = 'slow';
    fold(5);
    saver.end();
    await pass(50);
    // The next page still gets the figure as it was.
    await open();
    fake.mode = 'well';
    expect([shownFold(), undoLabel(editor.getState().history)]).toEqual([5, 'Set fold']);
    arrive();
    await pass(600);
    expect(editor.getState().save.kind).toBe('saved');
    expect([editor.getState().revision, fake.fold, fake.steps.length]).toEqual([fake.revision, 5, 2]);
    fold(6);
    await pass(400);
    expect([editor.getState().revision, fake.fold, fake.steps.length]).toEqual([fake.revision, 6, 3]);
    expect(await drafts()).toEqual([]);
  });

  it('that leaves with a page which has no time to note it is no change from elsewhere', async () => {
    await foldSlowly(150);
    expect([await keptSteps(), fake.requests]).toEqual([[1], []]);
    const unwritten = vi.spyOn(DraftWriter.prototype, 'keep').mockResolvedValue();
    saver.end();
    unwritten.mockRestore();
    await pass(50);
    await open();
    fake.mode = 'well';
    arrive();
    await pass(10);
    expect(fake.fold).toBe(5);
    void saver.undo();
    await pass(1000);
    expect([editor.getState().save.kind, fake.fold, shownFold()]).toEqual(['saved', 8, 8]);
  });

  it('is sent once by a page that is left, though it is told twice that it goes', async () => {
    await foldSlowly(150);
    leave();
    await pass(50);
    expect(held).toHaveLength(1);
    arrive();
    await pass(50);
    expect([fake.requests.length, fake.fold]).toEqual([1, 5]);
  });

  it('of a page that is gone is no change from elsewhere, however many of them are still to come', async () => {
    await foldSlowly(300);
    // More than goes into one request.
    for (let k = 0; k < 350; k += 1) fold(6 + (k % 2));
    await pass(50);
    const unwritten = vi.spyOn(DraftWriter.prototype, 'keep').mockResolvedValue();
    leave();
    arrive();
    await pass(10);
    arrive();
    await pass(10);
    expect(fake.requests).toHaveLength(2);
    const gone = saver;
    await open();
    // The last of them comes while the next page is open.
    arrive();
    await pass(10);
    unwritten.mockRestore();
    gone.end();
    fake.mode = 'well';
    expect([shownFold(), fake.fold, fake.requests.length]).toEqual([7, 7, 3]);
    void saver.undo();
    await pass(1000);
    expect([editor.getState().save.kind, fake.fold, shownFold()]).toEqual(['saved', 6, 6]);
  });

  it('has what the browser had no time to keep: the next page begins with that', async () => {
    await foldSlowly(150);
    const unwritten = vi.spyOn(DraftWriter.prototype, 'keep').mockResolvedValue();
    fold(6);
    saver.end();
    arrive();
    await pass(50);
    unwritten.mockRestore();
    fake.mode = 'well';
    await open();
    expect([shownFold(), told]).toEqual([6, []]);
    await pass(1000);
    expect([editor.getState().save.kind, fake.fold, await drafts()]).toEqual(['saved', 6, []]);
  });

  it('is not said to be over while there is more to save', async () => {
    await foldSlowly(300);
    fold(6);
    fake.mode = 'well';
    arrive();
    await pass(50);
    expect([fake.fold, editor.getState().save.kind]).toEqual([5, 'waiting']);
    await pass(600);
    expect([fake.fold, editor.getState().save.kind]).toEqual([6, 'saved']);
  });

  it('that arrives late is gone on from, also where one has gone back or on meanwhile', async () => {
    fake.mode = 'slow';
    fold(5);
    fold(6);
    stepBack(editor);
    saver.end();
    await pass(50);
    await open();
    fake.mode = 'well';
    expect([shownFold(), editor.getState().history.at]).toEqual([5, 1]);
    arrive();
    await pass(10);
    saver.redo();
    fold(7);
    await pass(1000);
    expect([editor.getState().save.kind, fake.fold, fake.steps.length]).toEqual(['saved', 7, 4]);
  });

  it('whose answer is lost is no change from elsewhere, also where its step has more in it since', async () => {
    fold(4);
    fake.mode = 'dies';
    fold(10, 'fold');
    await pass(300);
    expect([fake.fold, editor.getState().save.kind]).toEqual([10, 'failing']);
    fold(14, 'fold');
    fold(15, 'fold');
    await pass(2000);
    fake.mode = 'well';
    await pass(20_000);
    expect(editor.getState().save.kind).toBe('saved');
    expect([fake.fold, fake.steps.length, shownFold(), editor.getState().history.at]).toEqual([15, 3, 15, 2]);
    expect(editor.getState().revision).toBe(fake.revision);
    expect(await drafts()).toEqual([]);
  });

  it('whose answer is lost, and whose page is gone too, is gone on from at the next visit', async () => {
    fake.mode = 'dies';
    fold(10, 'fold');
    await pass(300);
    fake.mode = 'gone';
    fold(14, 'fold');
    saver.end();
    await pass(50);
    fake.mode = 'well';
    await open();
    await pass(600);
    expect([editor.getState().save.kind, shownFold(), fake.fold]).toEqual(['saved', 14, 14]);
    expect([fake.steps.length, editor.getState().history.steps.length]).toEqual([2, 2]);
  });

  it('whose answer is lost gives way to another window that saved after it', async () => {
    fake.mode = 'dies';
    fold(10);
    await pass(300);
    fake.mode = 'well';
    const [start] = fake.steps;
    fake.steps = [start!, { position: 1, label: 'Set fold', figure: setFold(start!.figure, 'a', 77) }];
    fake.revision += 1;
    fake.savedBy = { window: 'another', number: 1 };
    await pass(20_000);
    expect(editor.getState().save.kind).toBe('conflict');
  });

  it('sends what is unsaved on leaving, also during a save', async () => {
    fold(5);
    listeners.get('pagehide')?.();
    await pass(50);
    // The page may live on: it says so.
    expect([fake.fold, editor.getState().save.kind]).toEqual([5, 'saved']);
    fake.mode = 'slow';
    fold(6);
    await pass(300);
    fold(7);
    saver.end();
    await pass(50);
    expect(await keptSteps()).toEqual([2]);
    fake.mode = 'well';
    arrive();
    await pass(100);
    expect(fake.fold).toBe(7);
  });

  it('stops at a conflict, keeps this window’s version as a copy, and has nothing left to save then', async () => {
    fake.revision = 2;
    fold(5);
    await pass(300);
    expect(editor.getState().save).toEqual({ kind: 'conflict', message: 'changed elsewhere' });
    await pass(60_000);
    expect(fake.revision).toBe(2);
    expect(await saver.saveCopy('Test (this window)')).toBe('copy');
    expect(fake.created).toEqual(['Test (this window)']);
    saver.end();
    await pass(50);
    expect(await drafts()).toEqual([]);
  });

  it('stops where the figure was taken off the Shelf, and goes on once it is put back', async () => {
    fake.isDeleted = true;
    fold(5);
    await pass(300);
    expect(editor.getState().save).toEqual({ kind: 'gone', message: 'no such figure' });
    await pass(60_000);
    expect([fake.fold, await keptSteps()]).toEqual([8, [1]]);
    await saver.putBack();
    expect([fake.fold, editor.getState().save.kind]).toEqual([5, 'saved']);
  });
});

describe('what only the browser had', () => {
  const leave = async (): Promise<void> => {
    await pass(50);
    saver.end();
    await pass(50);
  };

  it('is taken up at the next visit: all steps, and the place in them', async () => {
    fake.mode = 'gone';
    for (let k = 3; k < 403; k += 1) fold(k);
    stepBack(editor);
    stepBack(editor);
    await leave();
    fake.mode = 'well';
    await open();
    const { history } = editor.getState();
    expect([shownFold(), history.at, history.steps.length]).toEqual([400, 398, 401]);
    expect(told).toEqual(['400 changes that only this browser had are back.']);
    await pass(3000);
    expect([fake.fold, fake.step, fake.steps.length]).toEqual([400, 398, 401]);
    expect(await drafts()).toEqual([]);
  });

  it('is one of two versions where the figure went on elsewhere: the person is asked, nothing is put anywhere', async () => {
    fake.mode = 'gone';
    fold(5);
    await leave();
    fake.mode = 'well';
    fake.revision = 9;
    await open();
    await pass(600);
    expect(editor.getState().save.kind).toBe('conflict');
    expect([shownFold(), fake.created, await keptSteps()]).toEqual([5, [], [1]]);
    // Reloading instead of an answer asks again.
    await leave();
    await open();
    expect([editor.getState().save.kind, shownFold()]).toEqual(['conflict', 5]);
  });

  it('is gone on from where the server got part of it after all', async () => {
    fake.mode = 'gone';
    fold(5);
    fold(6);
    await leave();
    const [draft] = await drafts();
    fake.mode = 'well';
    fake.steps = [...fake.steps, draft!.steps[0]!];
    fake.step = 1;
    fake.revision = 2;
    await open();
    await pass(600);
    expect([editor.getState().save.kind, fake.fold, fake.steps.length]).toEqual(['saved', 6, 3]);
  });

  it('is told at once where the browser does not keep it', async () => {
    const put = vi.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
      throw new DOMException('full', 'QuotaExceededError');
    });
    fake.mode = 'gone';
    fold(5);
    await pass(100);
    expect(told).toEqual([expect.stringMatching(/does not keep changes/)]);
    put.mockRestore();
  });
});

describe('undo', () => {
  /** A long history, of which only its last step is here. */
  const long = async (): Promise<void> => {
    const steps = Array.from({ length: 601 }, (_, position) => ({
      position,
      label: `Step ${position}`,
      figure: setFold(newFigure('Test', 'a'), 'a', position + 3),
    }));
    fake.steps = steps.slice(600);
    fake.step = 600;
    await open();
    fake.steps = steps;
  };

  it('fetches earlier steps once for many, and ends at the right one', async () => {
    await long();
    const undone = Array.from({ length: 500 }, () => saver.undo());
    await Promise.all(undone);
    expect([editor.getState().history.at, shownFold()]).toEqual([100, 103]);
    expect(fake.fetches).toBeLessThan(6);
    saver.redo();
    expect(editor.getState().history.at).toBe(101);
  });

  it('waits for a step that is on its way, and takes that back; redo brings it again', async () => {
    await open();
    fold(7);
    let come: () => void = () => undefined;
    const step = new Promise<void>((done) => (come = done)).then(() => fold(11));
    saver.awaits(step, () => told.push('left'));
    const undone = saver.undo();
    saver.redo();
    expect(shownFold()).toBe(7);
    const again = saver.undo();
    come();
    await undone;
    await again;
    await pass(50);
    expect([shownFold(), editor.getState().history.at, told]).toEqual([7, 1, []]);
    saver.redo();
    expect(shownFold()).toBe(11);
  });

  it('does not wait for what failed, and takes back what is too long on its way by leaving it', async () => {
    await open();
    fold(7);
    fold(9);
    saver.awaits(Promise.reject(new Error('no answer')), () => told.push('left'));
    await saver.undo();
    await pass(50);
    expect([shownFold(), told]).toEqual([7, []]);
    saver.awaits(new Promise(() => undefined), () => told.push('left'));
    const undone = saver.undo();
    const again = saver.undo();
    await pass(8000);
    await undone;
    await again;
    // One undo took back the step that did not come, the other what was done before it.
    expect([editor.getState().history.at, told]).toEqual([0, ['left']]);
  });

  it('whose steps arrive late takes back nothing that was done meanwhile', async () => {
    await long();
    fake.mode = 'slow';
    const late = saver.undo();
    await pass(50);
    fold(720);
    fake.mode = 'well';
    arrive();
    await late;
    expect([shownFold(), editor.getState().history.at]).toEqual([720, 601]);
    await saver.undo();
    expect(shownFold()).toBe(603);
  });

  it('goes back over more than is kept here, to the very beginning', async () => {
    for (let k = 1; k <= 700; k += 1) {
      fold(3 + (k % 600));
      if (k % 50 === 0) await pass(400);
    }
    const { steps, at } = editor.getState().history;
    expect([fake.steps.length, at, shownFold()]).toEqual([701, 700, 103]);
    expect(steps.length).toBeLessThanOrEqual(350);
    for (let k = 0; k < 700; k += 1) await saver.undo();
    expect([editor.getState().history.at, shownFold()]).toEqual([0, 8]);
    await pass(1000);
    expect([fake.step, fake.steps.length, editor.getState().save.kind]).toEqual([0, 701, 'saved']);
  });

  it('stays where it is where there is nothing earlier', async () => {
    await saver.undo();
    expect([editor.getState().history.at, shownFold()]).toEqual([0, 8]);
  });
});
