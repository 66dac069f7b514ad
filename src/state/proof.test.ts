import { describe, expect, it } from 'vitest';

import { disc, withForms } from '../../tests/help/figures';
import { editorOf, stepBack } from '../../tests/help/editor';
import { setFold } from '@/core/figure/commands';
import { pathForm } from '@/core/maker';
import { createProving, type Target, TARGETS } from '@/core/proof';
import type { Prover } from '@/worker';
import { shownFigure } from './editorState';
import {
  askedTarget,
  chooseTarget,
  createProofing,
  dropTarget,
  groupsOf,
  leave,
  look,
  mend,
  saveTarget,
} from './proof';

const at = (x: number, y: number) => ({ x, y, kind: 'corner' as const });

/** A filled triangle that is open, beside a disc that lies on another one. */
const spoilt = () =>
  setFold(
    withForms(pathForm([at(0, -50), at(8, -30), at(-8, -30)], false), disc(0, -70, 4), disc(0, -70, 4)),
    'r',
    5,
  );

/** Proofs in this thread; a proof begins when it is let to. */
function here(): Prover & { asked: number } {
  const proving = createProving();
  const prover = {
    asked: 0,
    prove: (figure: Parameters<Prover['prove']>[0], target: Target) => {
      prover.asked += 1;
      return proving.prove(figure, target);
    },
    stop: () => undefined,
  };
  return prover;
}

const settled = async (proofing: ReturnType<typeof createProofing>): Promise<void> => {
  do await new Promise((resolve) => setTimeout(resolve, 5));
  while (proofing.store.getState().running);
};

async function opened() {
  const editor = editorOf(spoilt());
  editor.setState({ stage: 'proof' });
  const prover = here();
  const proofing = createProofing(editor, () => prover);
  const end = proofing.follow();
  await settled(proofing);
  return { editor, proofing, prover, end };
}

describe('the proof of an editor', () => {
  it('lists what is found by kind, the worst first, and anew after each step', async () => {
    const { editor, proofing, end } = await opened();
    const { proof } = proofing.store.getState();
    expect(groupsOf(proof!).map(({ code, severity, count }) => [code, severity, count])).toEqual([
      ['openFilled', 'error', 5],
      ['doubled', 'error', 5],
    ]);
    const [first] = proof!.findings;
    look(proofing.store, first!.key);
    mend(editor, 'Close it', first!.mends);
    await settled(proofing);
    const after = proofing.store.getState();
    expect(groupsOf(after.proof!).map(({ code }) => code)).toEqual(['doubled']);
    // What was looked at is gone, and nothing of its kind is left.
    expect(after.chosen).toBeNull();
    stepBack(editor);
    await settled(proofing);
    expect(groupsOf(proofing.store.getState().proof!)).toHaveLength(2);
    end();
  });

  it('mends all as one step', async () => {
    const { editor, proofing, end } = await opened();
    const { findings } = proofing.store.getState().proof!;
    mend(
      editor,
      'Mend all',
      findings.flatMap(({ mends }) => mends.slice(0, 1)),
    );
    await settled(proofing);
    expect(proofing.store.getState().proof!.findings).toEqual([]);
    expect(editor.getState().history.at).toBe(1);
    end();
  });

  it('keeps with the figure what is left as it is, until its place changes', async () => {
    const { editor, proofing, end } = await opened();
    const [first] = proofing.store.getState().proof!.findings;
    leave(editor, 'Leave', [first!.key], true);
    await settled(proofing);
    const left = () => shownFigure(editor.getState()).proof?.left ?? [];
    expect(left()).toEqual([first!.key]);
    expect(groupsOf(proofing.store.getState().proof!, left()).map(({ code }) => code)).toEqual(['doubled']);
    editor.setState(({ history }) => ({ history }));
    leave(editor, 'Look again', [first!.key], false);
    expect(left()).toEqual([]);
    end();
  });

  it('is for a target, one of its own too, which the figure keeps', async () => {
    const { editor, proofing, end } = await opened();
    const target = () => askedTarget(shownFigure(editor.getState()));
    expect(target().id).toBe(TARGETS[0]!.id);
    saveTarget(editor, { id: 'own', name: 'Plaque', checks: { doubled: {} } });
    await settled(proofing);
    expect([target().name, groupsOf(proofing.store.getState().proof!).map(({ code }) => code)]).toEqual([
      'Plaque',
      ['doubled'],
    ]);
    chooseTarget(editor, 'cutter');
    expect(target().id).toBe('cutter');
    dropTarget(editor, 'own');
    expect(shownFigure(editor.getState()).proof?.own).toEqual([]);
    end();
  });

  it('is ended by hand, says so, and begins again; what failed is told', async () => {
    const editor = editorOf(spoilt());
    editor.setState({ stage: 'proof' });
    let end = (): void => undefined;
    let answers = 0;
    const slow: Prover = {
      prove: () => {
        answers += 1;
        return answers === 1
          ? new Promise((resolve) => (end = () => resolve(null)))
          : Promise.resolve({ problem: 'This cannot be merged.' });
      },
      stop: () => end(),
    };
    const proofing = createProofing(editor, () => slow);
    const unfollow = proofing.follow();
    expect(proofing.store.getState().running).toBe(true);
    proofing.stop();
    await settled(proofing);
    expect(proofing.store.getState().problem).toMatch(/^Stopped/);
    // It is not begun again by itself.
    editor.setState({ stage: 'colour' });
    editor.setState({ stage: 'proof' });
    expect(answers).toBe(1);
    proofing.again();
    await settled(proofing);
    expect(proofing.store.getState().problem).toBe('This cannot be merged.');
    unfollow();
  });

  it('looks at nothing in other stages, and again when it is asked', async () => {
    const editor = editorOf(spoilt());
    const prover = here();
    const proofing = createProofing(editor, () => prover);
    const end = proofing.follow();
    await settled(proofing);
    expect(prover.asked).toBe(0);
    proofing.again();
    await settled(proofing);
    expect([prover.asked, proofing.store.getState().proof?.findings.length]).toEqual([1, 2]);
    end();
  });
});
