import sharp from 'sharp';
import { afterAll, describe, expect, it } from 'vitest';

import { kelpCrown } from '../../../demo/pieces/kelpCrown';
import { Busy, Refused } from '../errors';
import { MOST_WAITING } from './limits';
import { aside, endProcesses, startProcesses } from './pool';

afterAll(endProcesses);

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
const svg = (inside: string): Uint8Array =>
  bytes(`<svg xmlns="http://www.w3.org/2000/svg" width="100" height="100">${inside}</svg>`);

/** A filter that keeps a renderer busy for minutes. */
const ENDLESS = svg(
  '<filter id="f"><feMorphology radius="50"/></filter><rect width="100" height="100" filter="url(#f)"/>',
);
/** Layers within layers, each as large as the picture. */
const LARGE = svg(`${'<g opacity="0.9">'.repeat(900)}<rect width="100" height="100"/>${'</g>'.repeat(900)}`);
const GOOD = svg('<rect width="100" height="100" fill="#113d4c"/>');

const reason = async (job: Promise<unknown>): Promise<unknown> =>
  job.then(
    () => null,
    (error: unknown) => error,
  );

describe('Jobs aside', () => {
  it('are ended where they take too long, in code that nothing in its thread can stop; the next goes on', async () => {
    const error = await reason(aside('readPicture', ENDLESS, { time: 1500 }));
    expect(error).toBeInstanceOf(Refused);
    expect((error as Error).message).toMatch(/longer than 1\.5 seconds/);
    expect(await aside('readPicture', GOOD)).toMatchObject({ type: 'image/png', width: 2000 });
  });

  it('have all their time, however long the start of a process takes', async () => {
    await endProcesses();
    // A process takes longer than this to start, and so small a picture a small part of it, on a busy machine too.
    const small = await sharp({ create: { width: 4, height: 4, channels: 3, background: '#113d4c' } })
      .png()
      .toBuffer();
    expect(await aside('readPicture', small, { time: 800 })).toMatchObject({ type: 'image/png' });
  });

  it('are ended where they take too much memory', async () => {
    const error = await reason(aside('readPicture', LARGE, { time: 30_000 }));
    expect(error).toBeInstanceOf(Refused);
    expect((error as Error).message).toMatch(/memory|broken/);
  });

  it('say what is wrong with what they are given', async () => {
    expect(await reason(aside('readPicture', bytes('<svg')))).toEqual(
      new Refused('This SVG cannot be read: it is broken, or empty.'),
    );
    const request = { figure: kelpCrown(), to: 'nothing', options: {} };
    expect(await reason(aside('makeFile', request))).toBeInstanceOf(Refused);
  });

  it('are done beside each other by as many processes as were asked for', async () => {
    await endProcesses();
    startProcesses(2);
    const gone = new AbortController();
    const endless = reason(aside('readPicture', ENDLESS, { signal: gone.signal, time: 60_000 }));
    expect(await aside('readPicture', GOOD)).toMatchObject({ type: 'image/png' });
    gone.abort();
    expect(await endless).not.toBeInstanceOf(Refused);
  });

  it('are refused where they have waited too long, and leave the row', async () => {
    await endProcesses();
    startProcesses(1);
    const gone = new AbortController();
    const endless = reason(aside('readPicture', ENDLESS, { signal: gone.signal, time: 60_000 }));
    const [late, card] = await Promise.all(
      [false, true].map((each) => reason(aside('readPicture', GOOD, { card: each, patience: 30 }))),
    );
    expect(late).toBeInstanceOf(Busy);
    expect(card).toBeInstanceOf(Busy);
    gone.abort();
    await endless;
    expect(await aside('readPicture', GOOD, { patience: 60_000 })).toMatchObject({ type: 'image/png' });
  });

  it('wait in a row that has an end; who goes leaves it, and cards are last', async () => {
    await endProcesses();
    startProcesses(1);
    const gone = new AbortController();
    const turn = { signal: gone.signal, time: 60_000 };
    const waiting = [
      aside('readPicture', ENDLESS, turn),
      ...Array.from({ length: MOST_WAITING }, () => aside('readPicture', ENDLESS, { ...turn, card: true })),
    ].map(reason);
    expect(await reason(aside('readPicture', GOOD))).toBeInstanceOf(Busy);
    gone.abort();
    for (const error of await Promise.all(waiting)) expect(error).toBeInstanceOf(Error);
    const order: string[] = [];
    await Promise.all([
      aside('readPicture', GOOD).then(() => order.push('first')),
      aside('readPicture', GOOD, { card: true }).then(() => order.push('card')),
      aside('readPicture', GOOD).then(() => order.push('second')),
    ]);
    expect(order).toEqual(['first', 'second', 'card']);
  });
});
