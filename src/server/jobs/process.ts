import os from 'node:os';
import { Worker } from 'node:worker_threads';

import workerpool from 'workerpool';

import { MergeFailed } from '../../core/merge/merge';
import { Refused } from '../errors';
import { BEGUN, MOST_MEMORY } from './limits';
import { makeFile } from './makeFile';
import { mergeMotif } from './mergeMotif';
import { proofFigure } from './proofFigure';
import { readPicture } from './readPicture';
import { readFace, shapeText } from './shapeText';
import { takeDrawing } from './takeDrawing';

/** What a process answers: what was made, or why there is none, as errors lose their kind on the way between processes. */
export type Answer<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly sentence: string };

/** What a process does, by names; each is asked with plain data and answers with it. */
export const JOBS = { makeFile, readPicture, mergeMotif, takeDrawing, shapeText, readFace, proofFigure };

const tell = (share: number): void => workerpool.workerEmit(share);

const answering =
  <A, T>(job: (asked: A, progress: (share: number) => void) => Promise<T>) =>
  async (asked: A): Promise<Answer<T>> => {
    workerpool.workerEmit(BEGUN);
    try {
      return { ok: true, value: await job(asked, tell) };
    } catch (error) {
      if (error instanceof MergeFailed || error instanceof Refused)
        return { ok: false, sentence: error.message };
      throw error;
    }
  };

// Whoever opens or saves a figure comes first.
os.setPriority(10);
const guard = new Worker(new URL('./guard.mjs', import.meta.url), {
  workerData: { most: MOST_MEMORY, parent: process.ppid },
  execArgv: [],
});
guard.unref();
workerpool.worker({
  makeFile: answering(JOBS.makeFile),
  readPicture: answering(JOBS.readPicture),
  mergeMotif: answering(JOBS.mergeMotif),
  takeDrawing: answering(JOBS.takeDrawing),
  shapeText: answering(JOBS.shapeText),
  readFace: answering(JOBS.readFace),
  proofFigure: answering(JOBS.proofFigure),
});
