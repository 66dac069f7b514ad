import Database from 'better-sqlite3';
import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';

import type { FigurePage } from '@/protocol';
import { HEAVY } from '../help/heavy';
import { pause, Siege, type Answer } from './server';

/** What came of an attack: what was thrown, what was seen, and whether it held. */
export interface Outcome {
  readonly thrown: string;
  readonly seen: string;
  readonly held: boolean;
}

const svg = (inside: string): Uint8Array =>
  new TextEncoder().encode(
    `<svg xmlns="http://www.w3.org/2000/svg" width="100" height="100">${inside}</svg>`,
  );
const filtered = (filter: string): Uint8Array =>
  svg(`<filter id="f">${filter}</filter><rect width="100" height="100" filter="url(#f)"/>`);

const HOSTILE: readonly Uint8Array[] = [
  filtered('<feMorphology radius="50"/>'),
  filtered('<feGaussianBlur stdDeviation="30"/><feMorphology operator="dilate" radius="40"/>'),
  filtered('<feTurbulence baseFrequency="0.9" numOctaves="40"/>'),
  svg(`${'<g opacity="0.9">'.repeat(900)}<rect width="100" height="100"/>${'</g>'.repeat(900)}`),
  svg('<g>'.repeat(9000) + '</g>'.repeat(9000)),
  new TextEncoder().encode('<svg'),
];

const percentile = (times: readonly number[], share: number): number =>
  [...times].sort((a, b) => a - b)[Math.floor((times.length - 1) * share)] ?? NaN;

const isSentence = ({ text }: Answer): boolean => /"error":"[^"]{10,}"/.test(text);

/** Saves and lists again and again while something else goes on. @returns how long each took, and how many failed */
async function pulse(
  siege: Siege,
  meanwhile: Promise<unknown>,
): Promise<{ times: number[]; failed: number }> {
  const { id } = await siege.create();
  const over = new AbortController();
  void meanwhile.finally(() => over.abort());
  const times: number[] = [];
  let failed = 0;
  for (let position = 1; !over.signal.aborted; position += 1) {
    const answers = [
      await siege.save(id, position, position, 3 + (position % 700)),
      await siege.ask('GET', '/api/figures?count=60'),
    ];
    for (const { status, milliseconds } of answers) {
      times.push(milliseconds);
      if (status !== 200) failed += 1;
    }
    await pause(20);
  }
  return { times, failed };
}

/** Figures that take minutes, hostile pictures, large PNGs and bodies without end, all at once, while others save and list. */
export async function everythingAtOnce(siege: Siege, rounds: number, isShort: boolean): Promise<Outcome> {
  const heavy = isShort ? [HEAVY.weave, HEAVY.dashes] : Object.values(HEAVY);
  const hostile = isShort ? HOSTILE.slice(3) : HOSTILE;
  const figures = await Promise.all(heavy.map((made) => siege.create(made())));
  const sound = await siege.create();
  const answers: Answer[] = [];
  const throwing = async (): Promise<void> => {
    for (let k = 0; k < rounds; k += 1) {
      const thrown = [
        ...figures.map(({ id }) => siege.ask('GET', `/api/figures/${id}/export?to=svg&card=1`)),
        ...hostile.map((picture) => siege.ask('POST', '/api/pictures', picture)),
        ...Array.from({ length: isShort ? 4 : 100 }, () =>
          siege.ask('GET', `/api/figures/${sound.id}/export?to=png&size=4096`),
        ),
        siege.ask('POST', '/api/pictures', endless(400_000_000)),
      ];
      answers.push(...(await Promise.all(thrown)));
    }
  };
  let memory = 0;
  const watching = setInterval(() => (memory = Math.max(memory, siege.memory())), 500);
  const { times, failed } = await pulse(siege, throwing());
  clearInterval(watching);
  const told = answers.filter((answer) => answer.status >= 400 && isSentence(answer)).length;
  const good = answers.filter(({ status }) => status >= 200 && status < 300).length;
  // A body that is cut off may end its connection instead of being answered.
  const silent = answers.filter(({ status }) => status === 0).length;
  const longest = Math.max(...answers.map(({ milliseconds }) => milliseconds)) / 1000;
  return {
    thrown: `${answers.length} heavy figures, hostile pictures, large PNGs and bodies`,
    seen: `${told} refused with a sentence, ${good} done, ${silent} cut off; longest ${longest.toFixed(0)} s. ${times.length} saves and lists meanwhile: ${failed} failed, middle ${percentile(times, 0.5).toFixed(0)} ms, 99 % ${percentile(times, 0.99).toFixed(0)} ms; most memory ${memory.toFixed(0)} MB`,
    held: failed === 0 && told + good + silent === answers.length && silent <= rounds,
  };
}

/** A body that goes on for so many bytes, without saying so. */
const endless = (bytes: number): ReadableStream => {
  let sent = 0;
  const part = new Uint8Array(1_000_000);
  return new ReadableStream({
    pull: (controller) => {
      sent += part.length;
      if (sent > bytes) controller.close();
      else controller.enqueue(part);
    },
  });
};

/** The server is killed again and again while it saves: what it had said is saved has to be there. */
export async function crashes(siege: Siege, rounds: number): Promise<Outcome> {
  const { id } = await siege.create();
  let [revision, position, acknowledged, lost] = [1, 0, 0, 0];
  for (let k = 0; k < rounds; k += 1) {
    const over = new AbortController();
    const saving = (async () => {
      while (!over.signal.aborted) {
        const { status } = await siege.save(id, revision, position + 1, 3 + ((position + 1) % 700));
        if (status !== 200) return;
        [revision, position, acknowledged] = [revision + 1, position + 1, acknowledged + 1];
      }
    })();
    await pause(150 + ((k * 97) % 400));
    await siege.kill();
    over.abort();
    await saving;
    await siege.start();
    const there = await siege.load(id);
    // One that was under way may have been saved without being told.
    if (there.step < position || there.step > position + 1) lost += 1;
    if (there.figure.rounds[0]?.rule.fold !== (there.step === 0 ? 8 : 3 + (there.step % 700))) lost += 1;
    [revision, position] = [there.revision, there.step];
  }
  return {
    thrown: `kill -9 ${rounds} times while saving`,
    seen: `${acknowledged} saves acknowledged, ${lost} lost`,
    held: lost === 0 && acknowledged > 0,
  };
}

/** Another program holds the database: first for a while, then for longer than anybody waits. */
export async function locked(siege: Siege): Promise<Outcome> {
  const { id } = await siege.create();
  const other = new Database(path.join(siege.directory, 'cyclogon.sqlite'));
  other.exec('BEGIN IMMEDIATE');
  const waiting = siege.save(id, 1, 1, 5);
  const lists = await Promise.all(
    Array.from({ length: 10 }, () => siege.ask('GET', '/api/figures?count=10')),
  );
  await pause(1500);
  other.exec('COMMIT');
  const waited = await waiting;
  other.exec('BEGIN IMMEDIATE');
  const busy = await siege.save(id, 2, 2, 6);
  other.exec('COMMIT');
  const after = await siege.save(id, 2, 2, 6);
  other.close();
  const slow = Math.max(...lists.map(({ milliseconds }) => milliseconds));
  return {
    thrown: 'a lock of the database by another program, for 1.5 s and for longer than 10 s',
    seen: `saved ${waited.status === 200 ? 'after it' : 'not'}; then ${busy.status}, ${/Another program/.test(busy.text) ? 'said' : 'not said'}; then ${after.status}; lists meanwhile within ${slow.toFixed(0)} ms`,
    held:
      waited.status === 200 &&
      busy.status === 503 &&
      after.status === 200 &&
      lists.every(({ status }) => status === 200),
  };
}

/** A file that may not grow: what was saved is there, what cannot be is said. */
export async function noRoom(port: number): Promise<Outcome> {
  const siege = new Siege(port);
  try {
    // Enough to open, not for many figures: 3 MB in blocks of 512 bytes.
    return await filled(siege, 'a data file that may not grow beyond 3 MB', 6000);
  } finally {
    await siege.end();
  }
}

/** A disk of a few megabytes that gets full, and is then one that cannot be written at all. */
export async function smallDisk(port: number): Promise<Outcome[]> {
  const disk = mkdtempSync(path.join(tmpdir(), 'cyclogon-disk-'));
  const mounted = spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=6m', 'tmpfs', disk]);
  if (mounted.status !== 0) {
    rmSync(disk, { recursive: true, force: true });
    return [{ thrown: 'a disk of 6 MB', seen: 'not tried: this system lets nobody mount one', held: true }];
  }
  const siege = new Siege(port, path.join(disk, 'data'));
  try {
    return [await filled(siege, 'a disk of 6 MB'), await unwritable(siege, disk)];
  } finally {
    await siege.kill();
    spawnSync('umount', ['-l', disk]);
    rmSync(disk, { recursive: true, force: true });
  }
}

async function filled(siege: Siege, thrown: string, limit?: number): Promise<Outcome> {
  await siege.start(limit);
  let [made, told]: [number, Answer | null] = [0, null];
  for (let k = 0; k < 200 && !told; k += 1) {
    const figure = { ...HEAVY.cutters(), name: `Large ${k}` };
    const answer = await siege.ask('POST', '/api/figures', { figure });
    if (answer.status === 201) made += 1;
    else told = answer;
  }
  await siege.kill();
  await siege.start();
  const list = await siege.ask('GET', '/api/figures?search=Large&count=500');
  const { total } = JSON.parse(list.text) as { total: number };
  return {
    thrown,
    seen: `${made} made, then ${told?.status ?? 'nothing'}: ${told?.text ?? ''}; ${total} there afterwards`,
    held: told !== null && isSentence(told) && total >= made && made > 0,
  };
}

/** A server that starts on a disk that cannot be written: what is there can be read, what cannot be done is said. */
async function unwritable(siege: Siege, disk: string): Promise<Outcome> {
  const thrown = 'a disk that cannot be written';
  const list = await siege.ask('GET', '/api/figures?count=1');
  const [first] = (JSON.parse(list.text) as FigurePage).figures;
  await siege.kill();
  const remounted = spawnSync('mount', ['-o', 'remount,ro', disk], { encoding: 'utf8' });
  if (remounted.status !== 0) return { thrown, seen: `not tried: ${remounted.stderr.trim()}`, held: true };
  await siege.start();
  const read = await siege.ask('GET', `/api/figures/${first?.id}`);
  const refused = await siege.ask('PATCH', `/api/figures/${first?.id}`, { name: 'Other' });
  return {
    thrown,
    seen: `reading ${read.status}; writing ${refused.status}: ${refused.text}`,
    held: isSentence(refused) && read.status === 200,
  };
}

/** Requests of pages that are not ours, and what is no request. */
export async function strangers(siege: Siege): Promise<Outcome> {
  const { id } = await siege.create();
  const own = `http://127.0.0.1:${siege.port}`;
  const tried: [string, string, unknown, Record<string, string>][] = [
    ['DELETE', `/api/figures/${id}`, undefined, { origin: 'http://127.0.0.1:9' }],
    ['DELETE', `/api/figures/${id}`, undefined, { origin: 'null' }],
    ['POST', '/api/figures', { name: 'x' }, { origin: 'https://evil.example' }],
    ['POST', '/api/figures', { name: 'x' }, { 'content-type': 'text/plain' }],
    ['POST', `/api/figures/${id}/duplicate`, undefined, { 'x-cyclogon': '', origin: `${own}0` }],
    ['GET', '/api/figures', undefined, { 'sec-fetch-site': 'same-site' }],
    ['PUT', `/api/figures/${id}`, { base: 'x' }, {}],
    ['PATCH', `/api/figures/${id}`, { name: 'x', more: {} }, {}],
    ['GET', `/api/figures/${id}/export?to=%00`, undefined, {}],
    ['GET', '/api/figures/%', undefined, {}],
    ['GET', `/api/figures/${'x'.repeat(5000)}`, undefined, {}],
    ['GET', '/api/figures?count=999999999999', undefined, {}],
  ];
  const answers = await Promise.all(
    tried.map(([method, part, body, headers]) => siege.ask(method, part, body, headers)),
  );
  const wrong = answers.filter(({ status }) => status < 400 || status >= 500).length;
  const there = (await siege.ask('GET', `/api/figures/${id}`)).status === 200;
  return {
    thrown: `${tried.length} requests of foreign pages, and broken ones`,
    seen: `${answers.length - wrong} refused; the figure is ${there ? 'there' : 'gone'}`,
    held: wrong === 0 && there,
  };
}

/** Very many at once, each with a figure of its own. */
export async function crowd(siege: Siege, clients: number, saves: number): Promise<Outcome> {
  const times: number[] = [];
  let wrong = 0;
  const one = async (): Promise<void> => {
    const { id } = await siege.create();
    for (let k = 1; k <= saves; k += 1) {
      const { status, milliseconds } = await siege.save(id, k, k, 3 + k);
      times.push(milliseconds);
      if (status !== 200) wrong += 1;
    }
    const there = await siege.load(id);
    if (there.step !== saves || there.figure.rounds[0]?.rule.fold !== 3 + saves) wrong += 1;
    if ((await siege.ask('DELETE', `/api/figures/${id}`)).status !== 204) wrong += 1;
  };
  await Promise.all(Array.from({ length: clients }, one));
  return {
    thrown: `${clients} clients at once, ${saves} saves each`,
    seen: `${wrong} wrong; a save took ${percentile(times, 0.5).toFixed(0)} ms in the middle, ${percentile(times, 0.99).toFixed(0)} ms at 99 %`,
    held: wrong === 0,
  };
}
