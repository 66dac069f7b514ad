import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';

import { afterEach, beforeEach, describe, expect, it } from 'vitest';

import * as unknown from '@/app/api/[...rest]/route';
import * as one from '@/app/api/figures/[id]/route';
import * as duplicates from '@/app/api/figures/[id]/duplicate/route';
import * as exports from '@/app/api/figures/[id]/export/route';
import * as histories from '@/app/api/figures/[id]/history/route';
import * as restores from '@/app/api/figures/[id]/restore/route';
import * as steps from '@/app/api/figures/[id]/steps/route';
import * as all from '@/app/api/figures/route';
import * as faces from '@/app/api/faces/route';
import * as words from '@/app/api/words/route';
import { setFold, setMerge } from '@/core/figure/commands';
import { type Figure, FIGURE_VERSION, type StoredStep, wholeSteps } from '@/core/figure';
import { writeFigure } from '@/core/format/figure';
import {
  OWN_HEADER,
  type FaceName,
  type FigureHistory,
  type FigurePage,
  type FigureSummary,
  type SavedFigure,
  type ShapedWords,
} from '@/protocol';
import { kelpCrown } from '../../demo/pieces/kelpCrown';
import { closeDatabases, database } from './database';
import { migrationSource } from './migrations';

const BASE = 'http://127.0.0.1/api/figures';
let directory = '';

beforeEach(() => {
  directory = mkdtempSync(path.join(tmpdir(), 'cyclogon-'));
  process.env['CYCLOGON_DATA'] = directory;
});

afterEach(async () => {
  await closeDatabases();
  rmSync(directory, { recursive: true });
});

const request = (
  method: string,
  body?: unknown,
  address = BASE,
  headers: Record<string, string> = {},
): Request =>
  new Request(address, {
    method,
    headers: {
      host: '127.0.0.1',
      ...(method !== 'GET' && { [OWN_HEADER]: '1' }),
      ...(body !== undefined && { 'content-type': 'application/json' }),
      ...headers,
    },
    ...(body !== undefined && { body: typeof body === 'string' ? body : JSON.stringify(body) }),
  });

const at = (id: string) => ({ params: Promise.resolve({ id }) });
const json = async <T>(answer: Response): Promise<T> => (await answer.json()) as T;
const problem = async (answer: Response): Promise<string> => (await json<{ error: string }>(answer)).error;

const make = async (body: unknown = { name: 'First' }): Promise<FigureSummary> =>
  json(await all.POST(request('POST', body)));
const load = async (id: string): Promise<SavedFigure> => json(await one.GET(request('GET'), at(id)));
const save = (id: string, base: number, step: number, ...figures: Figure[]): Promise<Response> =>
  one.PUT(
    request('PUT', {
      base,
      step,
      steps: figures.map((figure, k) => ({
        position: step - figures.length + 1 + k,
        label: 'Change',
        figure,
      })),
    }),
    at(id),
  );

describe('the routes of figures', () => {
  it('make, list, search, rename, copy, delete and restore', async () => {
    const first = await make();
    const crown = await make({ figure: kelpCrown() });
    const list = async (search: string) =>
      (
        await json<FigurePage>(await all.GET(request('GET', undefined, `${BASE}?search=${search}`)))
      ).figures.map(({ name }) => name);
    expect((await list('')).sort()).toEqual(['First', 'Kelp crown']);
    expect(await list('CROWN%20kelp')).toEqual(['Kelp crown']);
    expect((await one.PATCH(request('PATCH', { name: ' Second ' }), at(first.id))).status).toBe(200);
    expect((await load(first.id)).figure.name).toBe('Second');
    const copy = await json<FigureSummary>(await duplicates.POST(request('POST'), at(crown.id)));
    expect((await load(copy.id)).figure.rounds).toEqual(kelpCrown().rounds);
    expect((await one.DELETE(request('DELETE'), at(crown.id))).status).toBe(204);
    expect((await one.GET(request('GET'), at(crown.id))).status).toBe(404);
    // What lies in the Bin is still pictured, and handed out no more.
    const drawn = (query: string) =>
      exports.GET(request('GET', undefined, `${BASE}/x/export?to=svg&${query}`), at(crown.id));
    expect([(await drawn('card=1')).status, (await drawn('')).status]).toEqual([200, 404]);
    expect((await restores.POST(request('POST'), at(crown.id))).status).toBe(200);
    expect((await list('')).length).toBe(3);
  });

  it('save steps of history, go back in it, and replace what could be redone', async () => {
    const { id } = await make({ figure: kelpCrown() });
    const [five, six, seven] = [5, 6, 7].map((fold) => setFold(kelpCrown(), 'tips', fold));
    expect((await save(id, 1, 2, five!, six!)).status).toBe(200);
    expect((await load(id)).figure).toEqual(six);
    expect((await save(id, 2, 1)).status).toBe(200);
    expect((await load(id)).figure).toEqual(five);
    expect((await load(id)).steps).toHaveLength(3);
    expect((await save(id, 3, 2, seven!)).status).toBe(200);
    const saved = await load(id);
    expect([saved.revision, saved.step, saved.steps.length, saved.figure]).toEqual([4, 2, 3, seven]);
  });

  it('refuse a save against an old revision and keep what is there', async () => {
    const { id } = await make();
    const { figure } = await load(id);
    const mine = { ...figure, name: 'Mine' };
    expect((await save(id, 1, 1, { ...figure, name: 'Theirs' })).status).toBe(200);
    const refused = await save(id, 1, 1, mine);
    expect(refused.status).toBe(409);
    expect(await problem(refused)).toContain('another window');
    expect((await load(id)).figure.name).toBe('Theirs');
  });

  it('take a window that had no answer for who it is, and no request that comes late', async () => {
    const { id } = await make();
    const start = (await load(id)).figure;
    const step = (fold: number): StoredStep => {
      const { id: round } = start.rounds[0]!;
      return { position: 1, label: 'Set fold', figure: setFold(start, round, fold) };
    };
    const put = (fold: number, number: number, from = 1): Promise<Response> => {
      const by = { window: 'one', number };
      const unanswered = number > from ? [{ window: 'one', from, to: number - 1 }] : [];
      return one.PUT(request('PUT', { base: 1, step: 1, steps: [step(fold)], by, unanswered }), at(id));
    };
    expect((await put(10, 1)).status).toBe(200);
    // Its answer was lost, and so was the second; the third has more in its step.
    expect((await put(10, 2)).status).toBe(200);
    expect((await put(15, 3)).status).toBe(200);
    expect((await put(10, 2)).status).toBe(409);
    const there = await load(id);
    expect(there.figure.rounds[0]?.rule.fold).toBe(15);
    expect([there.savedBy, there.steps.length]).toEqual([{ window: 'one', number: 3 }, 2]);
    const { versions } = await json<FigureHistory>(await histories.GET(request('GET'), at(id)));
    expect(versions).toEqual([]);
    const by = { window: 'two', number: 4 };
    const theirs = { base: 4, step: 1, steps: [step(20)], by };
    expect((await one.PUT(request('PUT', theirs), at(id))).status).toBe(200);
    expect((await put(16, 5)).status).toBe(409);
    expect((await one.PUT(request('PUT', { ...theirs, base: 5, by: { window: 'x' } }), at(id))).status).toBe(
      400,
    );
  });

  it('save all or nothing', async () => {
    const { id } = await make();
    const { figure } = await load(id);
    const gap = [1, 3].map((position) => ({ position, label: 'x', figure }));
    expect((await one.PUT(request('PUT', { base: 1, step: 3, steps: gap }), at(id))).status).toBe(400);
    expect((await save(id, 1, 9)).status).toBe(400);
    expect((await save(id, 1, 5, figure)).status).toBe(400);
    const broken = { ...figure, rounds: [{ nonsense: true }] } as unknown as Figure;
    const answer = await save(id, 1, 1, broken);
    expect(answer.status).toBe(422);
    expect(await problem(answer)).toContain('rounds[0]');
    const saved = await load(id);
    expect([saved.revision, saved.step, saved.steps.length]).toEqual([1, 0, 1]);
  });

  it('hand out a long history piece by piece', async () => {
    const { id } = await make();
    const { figure } = await load(id);
    const many = Array.from({ length: 120 }, (_, k) => ({ ...figure, name: `Step ${k + 1}` }));
    await save(id, 1, 120, ...many);
    expect((await load(id)).steps.map(({ position }) => position)).toEqual([120]);
    const answer = await steps.GET(request('GET', undefined, `${BASE}/x/steps?before=80&count=50`), at(id));
    const earlier = wholeSteps(await json<StoredStep[]>(answer));
    // Fifty at least, from the last whole one before.
    expect(earlier.map(({ position }) => position)).toEqual(Array.from({ length: 60 }, (_, k) => 20 + k));
    expect(earlier.map(({ figure: { name } }) => name)).toEqual(
      earlier.map(({ position }) => `Step ${position}`),
    );
    expect((await steps.GET(request('GET', undefined, `${BASE}/x/steps`), at(id))).status).toBe(400);
  });

  it('export SVG and PNG, and refuse sizes that are none', async () => {
    const { id } = await make({ figure: setMerge(kelpCrown(), 'veins', 'union') });
    const ask = (query: string) =>
      exports.GET(request('GET', undefined, `${BASE}/x/export?${query}`), at(id));
    const svg = await ask('to=svg&form=plain&background=0&download=1');
    expect(svg.headers.get('content-type')).toContain('image/svg+xml');
    expect(svg.headers.get('content-disposition')).toBe("attachment; filename*=UTF-8''kelp-crown.svg");
    expect((await ask('to=svg&revision=1')).headers.get('cache-control')).toMatch(/max-age/);
    expect((await ask('to=svg&revision=99')).headers.get('cache-control')).toBe('no-store');
    expect(await svg.text()).toMatch(/^<\?xml[^]*<path [^]*<\/svg>\n$/);
    const png = Buffer.from(await (await ask('to=png&size=200')).arrayBuffer());
    // PNG signature and the width in the header: W3C PNG specification, sections 5.2 and 11.2.1.
    expect(png.subarray(0, 8)).toEqual(Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]));
    expect([png.readUInt32BE(16), png.readUInt32BE(20)]).toEqual([200, 200]);
    for (const query of [
      'to=png&size=0',
      'to=png&size=9000',
      'to=gif',
      '',
      'to=svg&decimals=99',
      'to=svg&what=1',
    ]) {
      expect((await ask(query)).status).toBe(400);
    }
  });

  it('are told page by page, with how many there are', async () => {
    for (let k = 0; k < 5; k += 1) await make({ name: `Figure ${k}` });
    const page = async (query: string): Promise<FigurePage> =>
      json(await all.GET(request('GET', undefined, `${BASE}?${query}`)));
    const names = ({ figures }: FigurePage) => figures.map(({ name }) => name);
    const [front, back] = [await page('count=3'), await page('from=3&count=3')];
    expect([front.total, front.figures.length, back.total, back.figures.length]).toEqual([5, 3, 5, 2]);
    expect(new Set([...names(front), ...names(back)]).size).toBe(5);
    expect(names(await page('search=figure+3'))).toEqual(['Figure 3']);
    expect((await all.GET(request('GET', undefined, `${BASE}?count=0`))).status).toBe(400);
  });

  it('answer every kind of bad call with a status and a sentence', async () => {
    const { id } = await make();
    const cases: [Promise<Response>, number, RegExp][] = [
      [one.GET(request('GET'), at('nope')), 404, /no such figure/],
      [one.PUT(request('PUT', { base: 1, step: 0, steps: [] }), at('nope')), 404, /no such figure/],
      [restores.POST(request('POST'), at('nope')), 404, /no such figure/],
      [one.PATCH(request('PATCH', '{'), at(id)), 400, /not JSON/],
      [one.PATCH(request('PATCH', { name: '' }), at(id)), 400, /name/],
      [one.PATCH(request('PATCH', { name: 'x', more: 1 }), at(id)), 400, /"more" is not allowed/],
      [all.POST(request('POST', { name: 'x'.repeat(121) })), 400, /120 characters/],
      [all.POST(request('POST', { figure: { format: 'other' } })), 422, /not a Cyclogon figure/],
      [
        all.POST(request('POST', { figure: { ...kelpCrown(), version: FIGURE_VERSION + 1 } })),
        422,
        /newer Cyclogon/,
      ],
      [all.POST(request('POST', `"${'x'.repeat(8_000_001)}"`)), 413, /larger than 8 MB/],
      [
        all.POST(request('POST', { name: 'x' }, BASE, { 'sec-fetch-site': 'cross-site' })),
        403,
        /this server/,
      ],
      [all.POST(request('POST', '{"name":"x","__proto__":{"a":1}}')), 400, /a key that is not taken/],
      [one.PUT(request('PUT', { base: '1', step: 0, steps: [] }), at(id)), 400, /must be a number/],
      [
        all.POST(request('POST', { name: 'x' }, BASE, { 'content-type': 'text/plain' })),
        400,
        /application\/json/,
      ],
      [all.POST(request('POST', { name: 'x' }, BASE, { host: 'rebound.example' })), 403, /not one/],
      [
        one.DELETE(request('DELETE', undefined, BASE, { [OWN_HEADER]: '', host: 'evil.example' }), at(id)),
        403,
        /not one/,
      ],
      [
        all.POST(
          request('POST', { figure: { ...kelpCrown(), page: { ...kelpCrown().page, width: 1e-320 } } }),
        ),
        422,
        /A width is at least/,
      ],
      [Promise.resolve(unknown.GET()), 404, /nothing at this address/],
    ];
    for (const [answer, status, sentence] of cases) {
      const answered = await answer;
      expect(answered.status).toBe(status);
      expect(await problem(answered)).toMatch(sentence);
    }
  });
});

describe('a history', () => {
  const rows = async (id: string) =>
    (await (await database())('steps').where({ figure_id: id }).orderBy('position')) as {
      position: number;
      figure: string | null;
      patch: string | null;
    }[];
  const patchSave = async (id: string, base: number, position: number, patch: unknown): Promise<Response> =>
    one.PUT(request('PUT', { base, step: position, steps: [{ position, label: 'Change', patch }] }), at(id));
  const folded = (fold: number) => [{ op: 'replace', path: ['rounds', 0, 'rule', 'fold'], value: fold }];

  it('stores what changed, and every step is there again, whole ones between', async () => {
    const { id } = await make({ figure: kelpCrown() });
    for (let k = 1; k <= 45; k += 1) expect((await patchSave(id, k, k, folded(k + 2))).status).toBe(200);
    const stored = await rows(id);
    expect(stored.filter(({ figure }) => figure !== null).map(({ position }) => position)).toEqual([
      0, 20, 40,
    ]);
    expect(stored.every(({ figure, patch }) => figure !== null || patch!.length < 200)).toBe(true);
    const saved = await load(id);
    expect(wholeSteps(saved.steps).map(({ figure }) => figure.rounds[0]!.rule.fold)).toEqual([
      42, 43, 44, 45, 46, 47,
    ]);
    expect(saved.figure.rounds[0]!.rule.fold).toBe(47);
    // Back to a step between two whole ones, and on from there.
    expect((await save(id, 46, 33)).status).toBe(200);
    expect((await load(id)).figure.rounds[0]!.rule.fold).toBe(35);
    expect((await patchSave(id, 47, 34, folded(5))).status).toBe(200);
    expect((await rows(id)).length).toBe(35);
    expect((await load(id)).figure).toEqual(setFold(kelpCrown(), kelpCrown().rounds[0]!.id, 5));
  });

  it('refuses what does not fit, and keeps what is there', async () => {
    const { id } = await make({ figure: kelpCrown() });
    for (const patch of [
      [{ op: 'replace', path: ['rounds', 7, 'rule', 'fold'], value: 3 }],
      folded(9000),
      [{ op: 'replace', path: ['__proto__', 'polluted'], value: 1 }],
      [{ op: 'turn', path: ['name'], value: 1 }],
      'nothing',
    ])
      expect((await patchSave(id, 1, 1, patch)).status).toBeGreaterThanOrEqual(400);
    expect((await load(id)).figure).toEqual(kelpCrown());
    expect(({} as { polluted?: number }).polluted).toBeUndefined();
  });

  it('that something else has broken is told, as far as it goes, and can be taken off the Shelf', async () => {
    const knex = await database();
    const { id } = await make({ figure: kelpCrown() });
    for (let k = 1; k <= 22; k += 1) await patchSave(id, k, k, folded(k + 2));
    const broken = JSON.stringify({ ...setFold(kelpCrown(), kelpCrown().rounds[0]!.id, 5), page: 7 });
    // An earlier step: what comes after it is there still.
    await knex('steps').where({ figure_id: id, position: 20 }).update({ figure: broken, patch: null });
    await knex('steps')
      .where({ figure_id: id, position: 21 })
      .update({ figure: writeFigure(kelpCrown()), patch: null });
    const saved = await load(id);
    expect(saved.steps.map(({ position }) => position)).toEqual([21, 22]);
    await knex('steps').where({ figure_id: id, position: 22 }).update({ figure: broken, patch: null });
    const answer = await one.GET(request('GET'), at(id));
    expect(answer.status).toBe(422);
    expect(await problem(answer)).toMatch(/“Kelp crown” cannot be read.*page/);
    const drawn = await exports.GET(request('GET', undefined, `${BASE}/x/export?to=svg`), at(id));
    expect(await problem(drawn)).toMatch(/broken/);
    expect((await one.DELETE(request('DELETE'), at(id))).status).toBe(204);
  });

  it('of whole figures from before is brought over step by step, and back', async () => {
    const knex = await database();
    const { id } = await make({ figure: kelpCrown() });
    for (let k = 1; k <= 25; k += 1) await patchSave(id, k, k, folded(k + 2));
    const before = wholeSteps((await load(id)).steps);
    // Saves, the drawer, the Shelf and the faces first, which came later.
    await knex.migrate.down({ migrationSource });
    await knex.migrate.down({ migrationSource });
    await knex.migrate.down({ migrationSource });
    await knex.migrate.down({ migrationSource });
    await knex.migrate.down({ migrationSource });
    const whole = (await knex('steps').where({ figure_id: id }).orderBy('position')) as { figure: string }[];
    expect(whole.map(({ figure }) => (JSON.parse(figure) as Figure).rounds[0]!.rule.fold)).toEqual([
      kelpCrown().rounds[0]!.rule.fold,
      ...Array.from({ length: 25 }, (_, k) => k + 3),
    ]);
    await knex.migrate.latest({ migrationSource });
    expect((await rows(id)).filter(({ figure }) => figure !== null)).toHaveLength(2);
    expect(wholeSteps((await load(id)).steps)).toEqual(before);
  });
});

describe('the routes of words', () => {
  const shaped = (text: string, face: string): Promise<Response> =>
    words.POST(request('POST', { text, face }));

  it('set text in faces that are there, and keep a font file once under the name that it has', async () => {
    const list = await json<FaceName[]>(await faces.GET(request('GET')));
    expect(list.length).toBeGreaterThan(3);
    for (const { id } of list) {
      const { run, missing } = await json<ShapedWords>(await shaped('Tide', id));
      expect(run.letters).toHaveLength(4);
      expect(missing).toEqual([]);
    }
    const bytes = readFileSync(
      path.join(process.cwd(), 'node_modules/@expo-google-fonts/rubik/900Black/Rubik_900Black.ttf'),
    );
    const sent = (body: Uint8Array): Promise<Response> =>
      faces.POST(
        new Request(BASE, {
          method: 'POST',
          headers: { host: '127.0.0.1', [OWN_HEADER]: '1', 'content-type': 'font/ttf' },
          body: new Uint8Array(body),
        }),
      );
    const own = await json<FaceName>(await sent(bytes));
    expect(own.name).toBe('Rubik Black');
    expect(await json<FaceName>(await sent(bytes))).toEqual(own);
    expect(await json<FaceName[]>(await faces.GET(request('GET')))).toHaveLength(list.length + 1);
    expect((await shaped('Tide', own.id)).status).toBe(200);
  });

  it('refuse what is no face, what is not there, and what cannot be seen, with a sentence', async () => {
    const sent = await faces.POST(
      new Request(BASE, {
        method: 'POST',
        headers: { host: '127.0.0.1', [OWN_HEADER]: '1', 'content-type': 'font/ttf' },
        body: 'OTTO and nothing more',
      }),
    );
    expect(sent.status).toBe(400);
    expect(await problem(sent)).toMatch(/no face that can be read/);
    expect((await shaped('Tide', 'nope')).status).toBe(404);
    expect(await problem(await shaped('  ', 'rubik'))).toMatch(/no words/);
    expect(await problem(await shaped('x'.repeat(300), 'rubik'))).toMatch(/240 characters/);
  });
});

describe('the database', () => {
  it('writes ahead, holds foreign keys, and can be taken down and set up again', async () => {
    const knex = await database();
    const pragma = async (name: string) =>
      Object.values((await knex.raw<Record<string, unknown>[]>(`PRAGMA ${name}`))[0]!)[0];
    expect([await pragma('journal_mode'), await pragma('foreign_keys'), await pragma('synchronous')]).toEqual(
      ['wal', 1, 2],
    );
    await expect(
      knex('steps').insert({ figure_id: 'nope', position: 0, label: '', figure: '' }),
    ).rejects.toThrow(/FOREIGN KEY/);
    await knex.migrate.rollback({ migrationSource });
    expect(await knex.schema.hasTable('figures')).toBe(false);
    await knex.migrate.latest({ migrationSource });
    expect(await knex.schema.hasTable('steps')).toBe(true);
  });
});
