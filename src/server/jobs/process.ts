import os from 'node:os';
import { Worker } from 'node:worker_threads';

import workerpool from 'workerpool';

import { MergeFailed } from '@/core/merge';
import { Refused } from '../errors';
import { BEGUN, MOST_MEMORY } from './limits';
import { makeFile } from './makeFile';
import { mergeMotif } from './mergeMotif';
import { proofFigure } from './proofFigure';
import { readPicture } from './readPicture';
import { readFace, shapeText } from './shapeText';
import { takeDrawing } from './takeDrawing';

/** What a process answers: what was made, or why there is none, as errors lose their kind on the way between processes. */
export type Answer<T> = { readonly took: Took } & (
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly sentence: string }
);

/** What a job took. */
export interface Took {
  readonly milliseconds: number;
  /** The most bytes that its process had meanwhile, with some 100 MB that it has by itself. */
  readonly memory: number;
}

/** What a process does, by names; each is asked with plain data and answers with it. */
export const JOBS = { makeFile, readPicture, mergeMotif, takeDrawing, shapeText, readFace, proofFigure };

const tell = (share: number): void => workerpool.workerEmit(share);

/** The most memory that the guard has seen since a job began, shared with its thread. */
const peak = new Float64Array(new SharedArrayBuffer(Float64Array.BYTES_PER_ELEMENT));

const answering =
  <A, T>(job: (asked: A, progress: (share: number) => void) => Promise<T>) =>
  async (asked: A): Promise<Answer<T>> => {
    workerpool.workerEmit(BEGUN);
    const began = performance.now();
    peak[0] = process.memoryUsage.rss();
    const took = (): Took => ({
      milliseconds: performance.now() - began,
      memory: Math.max(peak[0] ?? 0, process.memoryUsage.rss()),
    });
    try {
      return { ok: true, value: await job(asked, tell), took: took() };
    } catch (error) {
      if (error instanceof MergeFailed || error instanceof Refused)
        return { ok: false, sentence: error.message, took: took() };
      throw error;
    }
  };

// Whoever opens or saves a figure comes first.
os.setPriority(10);
const guard = new Worker(new URL('./guard.mjs', import.meta.url), {
  workerData: { most: MOST_MEMORY, parent: process.ppid, peak: peak.buffer },
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
