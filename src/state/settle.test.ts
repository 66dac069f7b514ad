import { describe, expect, it } from 'vitest';

import { editorOf, stepBack } from '../../tests/help/editor';
import { addShapes, combinedOf, combineShapes, makeBands, moveShapes } from '@/core/figure/commands';
import { type Figure, newFigure, newShape, resolvedShapes, START_PAINT } from '@/core/figure';
import type { Work } from '@/core/derive';
import { failed, finding, ok, type Result } from '@/core/finding';
import { pathForm, pathsOfForm } from '@/core/maker';
import type { TaskWorker } from '@/worker';
import { actAndSelect, commit } from './editor';
import { preview, stopWork } from './settle';
import { shownFigure, type Editor } from './editorState';
import { followTasks, perform } from './settle';
import { workOf } from './work';

/** A ring of many corners about a place: too much to be combined in passing. */
const ring = (id: string, x: number, corners = 700) =>
  newShape(
    id,
    id,
    pathForm(
      Array.from({ length: corners }, (_, k) => ({
        x: x + 30 * Math.cos((2 * Math.PI * k) / corners),
        y: 30 * Math.sin((2 * Math.PI * k) / corners),
        kind: 'corner' as const,
      })),
      true,
    ),
    START_PAINT,
  );

/** Does what is asked of it only when it is let. */
class SlowWorker implements TaskWorker {
  private waiting: { end: (answer: Result<unknown> | null) => void; work: () => Result<unknown> }[] = [];
  asked = 0;

  do: TaskWorker['do'] = (task, progress) => {
    this.asked += 1;
    progress(0.5);
    return new Promise((end) => this.waiting.push({ end, work: () => task.run() }));
  };

  stop = (): void => this.waiting.splice(0).forEach(({ end }) => end(null));

  /** Does the next task. */
  async let(answer?: Result<unknown>): Promise<void> {
    const next = this.waiting.shift();
    next?.end(answer ?? next.work());
    await new Promise((resolve) => setTimeout(resolve, 0));
  }
}

function open(): { editor: Editor; worker: SlowWorker; figure: Figure; combined: Figure } {
  const figure = addShapes(newFigure('Test', 'a'), 'a', [ring('p', 0), ring('q', 20)]);
  const editor = editorOf(figure);
  const worker = new SlowWorker();
  followTasks(editor, worker);
  const combined = combineShapes(figure, 'a', new Set(['p', 'q']), 'subtract', () => 'g');
  return { editor, worker, figure, combined };
}

const combinedNow = (editor: Editor) => {
  const round = shownFigure(editor.getState()).rounds[0]!;
  return combinedOf(round, round.shapes)?.op ?? null;
};

describe('a step whose outlines take long', () => {
  it('is taken when they are there, and nothing else meanwhile', async () => {
    const { editor, worker, combined, figure } = open();
    commit(editor, 'Subtract', combined);
    expect(editor.getState().working?.label).toBe('Subtract');
    expect(shownFigure(editor.getState())).toBe(figure);
    commit(editor, 'Other', moveShapes(figure, 'a', new Set(['p']), { x: 1, y: 0 }));
    expect(editor.getState().refusal?.message).toMatch(/still being worked out/);
    await worker.let();
    expect(editor.getState().working).toBeNull();
    expect(combinedNow(editor)).toBe('subtract');
    expect(resolvedShapes(shownFigure(editor.getState()).rounds[0]!, workOf(editor.getState()))).toHaveLength(
      1,
    );
    // Back is there at once, and forward again too.
    stepBack(editor);
    expect(shownFigure(editor.getState())).toBe(figure);
    expect(worker.asked).toBe(1);
  });

  it('leaves all as it was where it is stopped', async () => {
    const { editor, worker, combined, figure } = open();
    commit(editor, 'Subtract', combined);
    stopWork(editor);
    await worker.let();
    const { working, refusal, history } = editor.getState();
    expect(working).toBeNull();
    expect(refusal?.message).toBe('Subtract was stopped. Nothing was changed.');
    expect(shownFigure(editor.getState())).toBe(figure);
    expect(history.at).toBe(0);
    // The next step is taken as ever.
    commit(editor, 'Move', moveShapes(figure, 'a', new Set(['p']), { x: 1, y: 0 }));
    expect(editor.getState().history.at).toBe(1);
  });

  it('is refused with the reason where they cannot be made', async () => {
    const { editor, worker, combined, figure } = open();
    commit(editor, 'Subtract', combined);
    await worker.let(failed(finding('merge.crossings')));
    expect(editor.getState().refusal?.message).toMatch(/cross in too many places/);
    expect(shownFigure(editor.getState())).toBe(figure);
  });

  it('is opened as far as it goes: what cannot be combined is shown by itself', async () => {
    const { editor, worker, combined } = open();
    let seen = 0;
    const look = (work: Work): Result<number> => ok(resolvedShapes(combined.rounds[0]!, work).length);
    perform(editor, 'Open', look, (count) => (seen = count), true);
    stopWork(editor);
    await worker.let();
    expect(seen).toBe(2);
  });
});

describe('a drag whose outlines take long', () => {
  it('shows the newest when it is there, skips those between, and ends where it was let go', async () => {
    const { editor, worker, combined, figure } = open();
    const moved = (by: number): Figure => moveShapes(combined, 'a', new Set(['p']), { x: by, y: 0 });
    const [a, b, c] = [moved(1), moved(2), moved(3)];
    for (const each of [a, b, c]) preview(editor, each);
    expect(shownFigure(editor.getState())).toBe(figure);
    expect(worker.asked).toBe(1);
    await worker.let();
    expect(shownFigure(editor.getState())).toBe(a);
    // Let go while the newest is not shown yet: that one is meant.
    commit(editor, 'Move', shownFigure(editor.getState()));
    while (editor.getState().working) await worker.let();
    expect(shownFigure(editor.getState())).toBe(c);
    expect(editor.getState().wanted).toBeNull();
    expect(worker.asked).toBeLessThan(4);
  });

  it('is left by going back to the last step', async () => {
    const { editor, worker, combined, figure } = open();
    preview(editor, combined);
    preview(editor, null);
    await worker.let();
    expect(shownFigure(editor.getState())).toBe(figure);
  });
});

it('a long line is made a band in a worker', async () => {
  const { editor, worker } = open();
  let n = 0;
  actAndSelect(editor, 'Band', 'a', (figure, work) =>
    makeBands(figure, 'a', new Set(['p']), () => `n${(n += 1)}`, work),
  );
  while (editor.getState().working) await worker.let();
  const band = shownFigure(editor.getState()).rounds[0]!.shapes.find(({ form }) => form.kind === 'band')!;
  expect(worker.asked).toBe(1);
  expect(pathsOfForm(band.form, workOf(editor.getState()))).toHaveLength(2);
});
