import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';

import { setFold } from '../core/figure/commands';
import { wholeSteps } from '../core/figure/patches';
import { newFigure } from '../core/figure/start';
import type { HistoryStep, SavedFigure, SaveRequest } from '../wire';
import { undoLabel } from './history';
import { act, createEditor, shownFigure, stepBack, type Editor } from './editor';
import { followSaves, type Saver } from './saver';

/** A server of one figure that answers as the real one does, and can be made to fail. */
class FakeServer {
  revision = 1;
  step = 0;
  steps: HistoryStep[] = [{ position: 0, label: 'Start', figure: newFigure('Test', 'a') }];
  mode: 'well' | 'gone' | 'slow' = 'well';
  created: string[] = [];
  release: () => void = () => undefined;

  readonly fetch = async (address: string, init: { method: string; body?: string }): Promise<Response> => {
    if (this.mode === 'gone') throw new TypeError('no answer');
    if (this.mode === 'slow') await new Promise<void>((resolve) => (this.release = resolve));
    if (init.method === 'POST') {
      const { figure } = JSON.parse(init.body ?? '') as { figure: { name: string } };
      this.created.push(figure.name);
      return Response.json({ id: 'copy', name: figure.name, revision: 1, updatedAt: '' }, { status: 201 });
    }
    if (init.method === 'GET') {
      const asked = new URL(address, 'http://x').searchParams.get('before');
      if (asked === null) return Response.json(this.saved());
      const before = Number(asked);
      return Response.json(this.steps.filter(({ position }) => position < before));
    }
    const request = JSON.parse(init.body ?? '') as SaveRequest;
    if (request.base !== this.revision) return Response.json({ error: 'changed elsewhere' }, { status: 409 });
    const from = request.steps[0]?.position ?? Infinity;
    const kept = this.steps.filter(({ position }) => position < from);
    this.steps = [...kept, ...wholeSteps(request.steps, kept[kept.length - 1]?.figure ?? null)];
    this.step = request.step;
    this.revision += 1;
    return Response.json({
      id: 'x',
      name: 'Test',
      revision: this.revision,
      updatedAt: '2026-01-01T00:00:00Z',
    });
  };

  saved(): SavedFigure {
    const { step, steps, revision } = this;
    const { figure } = steps.find(({ position }) => position === step)!;
    return { id: 'x', name: 'Test', revision, updatedAt: '', figure, step, steps };
  }

  get fold(): number | undefined {
    return this.steps.find(({ position }) => position === this.step)?.figure.rounds[0]?.rule.fold;
  }
}

let fake: FakeServer;
let editor: Editor;
let saver: Saver;
let store: Map<string, string>;
let listeners: Map<string, () => void>;

const open = (): void => {
  editor = createEditor(fake.saved());
  saver = followSaves(editor);
};
const fold = (value: number): void => act(editor, 'Set fold', (figure) => setFold(figure, 'a', value));
const shownFold = (): number | undefined => shownFigure(editor.getState()).rounds[0]?.rule.fold;

beforeEach(() => {
  vi.useFakeTimers();
  fake = new FakeServer();
  store = new Map();
  listeners = new Map();
  const target = {
    addEventListener: (name: string, listener: () => void) => listeners.set(name, listener),
    removeEventListener: (name: string) => listeners.delete(name),
  };
  vi.stubGlobal('fetch', fake.fetch);
  vi.stubGlobal('window', target);
  vi.stubGlobal('document', { ...target, visibilityState: 'visible' });
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => store.get(key) ?? null,
    setItem: (key: string, value: string) => store.set(key, value),
    removeItem: (key: string) => store.delete(key),
  });
  open();
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
    await vi.advanceTimersByTimeAsync(300);
    expect([fake.revision, fake.step, fake.fold]).toEqual([2, 2, 6]);
    expect(editor.getState().save.kind).toBe('saved');
    stepBack(editor);
    await vi.advanceTimersByTimeAsync(300);
    expect([fake.revision, fake.step, fake.fold]).toEqual([3, 1, 5]);
    expect(fake.steps).toHaveLength(3);
  });

  it('goes on with what was done while it was under way', async () => {
    fake.mode = 'slow';
    fold(5);
    await vi.advanceTimersByTimeAsync(300);
    fold(6);
    fake.mode = 'well';
    fake.release();
    await vi.advanceTimersByTimeAsync(600);
    expect([fake.fold, fake.step, editor.getState().save.kind]).toEqual([6, 2, 'saved']);
  });

  it('is tried again until the server is back, and keeps the changes in the browser until then', async () => {
    fake.mode = 'gone';
    fold(5);
    await vi.advanceTimersByTimeAsync(300);
    expect(editor.getState().save).toMatchObject({ kind: 'failing' });
    expect(store.size).toBe(1);
    fold(7);
    await vi.advanceTimersByTimeAsync(10_000);
    fake.mode = 'well';
    await vi.advanceTimersByTimeAsync(20_000);
    expect([fake.fold, editor.getState().save.kind, store.size]).toEqual([7, 'saved', 0]);
  });

  it('takes up at the next visit what only the browser had', async () => {
    fake.mode = 'gone';
    fold(5);
    await vi.advanceTimersByTimeAsync(300);
    saver.end();
    fake.mode = 'well';
    open();
    expect(shownFold()).toBe(5);
    await vi.advanceTimersByTimeAsync(300);
    expect([fake.fold, store.size]).toEqual([5, 0]);
  });

  it('puts it on the Shelf beside the figure where that went on elsewhere', async () => {
    fake.mode = 'gone';
    fold(5);
    await vi.advanceTimersByTimeAsync(300);
    saver.end();
    fake.mode = 'well';
    fake.revision = 9;
    open();
    await vi.advanceTimersByTimeAsync(300);
    expect(shownFold()).toBe(8);
    expect(fake.created).toEqual(['Test (kept in this browser)']);
    expect(store.size).toBe(0);
  });

  it('that arrives only after the next page was opened is no change from elsewhere', async () => {
    fake.mode = 'slow';
    fold(5);
    saver.end();
    const arrive = fake.release;
    // The next page still gets the figure as it was.
    open();
    fake.mode = 'well';
    expect([shownFold(), undoLabel(editor.getState().history)]).toEqual([5, 'Changes kept in this browser']);
    arrive();
    await vi.advanceTimersByTimeAsync(600);
    expect(editor.getState().save.kind).toBe('saved');
    expect([fake.revision, editor.getState().revision, fake.fold, store.size]).toEqual([2, 2, 5, 0]);
    expect(undoLabel(editor.getState().history)).toBe('Set fold');
    fold(6);
    await vi.advanceTimersByTimeAsync(300);
    expect([fake.revision, fake.fold, fake.steps.length]).toEqual([3, 6, 3]);
  });

  it('sends what is unsaved on leaving, also during a save', async () => {
    fold(5);
    listeners.get('pagehide')?.();
    await vi.advanceTimersByTimeAsync(0);
    expect(fake.fold).toBe(5);
    fake.mode = 'slow';
    fold(6);
    await vi.advanceTimersByTimeAsync(300);
    fold(7);
    saver.end();
    expect(store.size).toBe(1);
    fake.mode = 'well';
    fake.release();
    await vi.advanceTimersByTimeAsync(100);
    expect([fake.fold, store.size]).toEqual([7, 0]);
  });

  it('stops at a conflict, keeps this window’s version as a copy, and has nothing left to save then', async () => {
    fake.revision = 2;
    fold(5);
    await vi.advanceTimersByTimeAsync(300);
    expect(editor.getState().save).toEqual({ kind: 'conflict', message: 'changed elsewhere' });
    await vi.advanceTimersByTimeAsync(60_000);
    expect(fake.revision).toBe(2);
    expect(await saver.saveCopy('Test (this window)')).toBe('copy');
    expect(fake.created).toEqual(['Test (this window)']);
    saver.end();
    expect(store.size).toBe(0);
  });

  it('fetches earlier steps when undo gets to them', async () => {
    fake.steps = [3, 4, 5].map((position) => ({
      position,
      label: 'x',
      figure: setFold(newFigure('Test', 'a'), 'a', position),
    }));
    fake.step = 5;
    const all = fake.steps;
    fake.steps = all.slice(2);
    open();
    fake.steps = all;
    expect(shownFold()).toBe(5);
    await saver.undo();
    expect(shownFold()).toBe(4);
  });
});
