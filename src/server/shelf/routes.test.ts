import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';

import { afterEach, beforeEach, describe, expect, it } from 'vitest';

import * as one from '@/app/api/drawer/[id]/route';
import * as drawer from '@/app/api/drawer/route';
import * as set from '@/app/api/drawer/set/route';
import * as duplicate from '@/app/api/figures/[id]/duplicate/route';
import * as history from '@/app/api/figures/[id]/history/route';
import * as open from '@/app/api/figures/[id]/open/route';
import * as state from '@/app/api/figures/[id]/state/route';
import * as version from '@/app/api/figures/[id]/versions/[version]/route';
import * as versions from '@/app/api/figures/[id]/versions/route';
import * as changes from '@/app/api/figures/changes/route';
import * as figures from '@/app/api/figures/route';
import * as backup from '@/app/api/shelf/backup/route';
import * as bin from '@/app/api/shelf/bin/route';
import * as collection from '@/app/api/shelf/collections/[id]/route';
import * as collections from '@/app/api/shelf/collections/route';
import * as facts from '@/app/api/shelf/route';
import * as target from '@/app/api/shelf/targets/[id]/route';
import * as targets from '@/app/api/shelf/targets/route';
import * as thinning from '@/app/api/shelf/thinning/route';
import { stockFigure } from '@/core/stock';
import {
  OWN_HEADER,
  type Collection,
  type FigureHistory,
  type FigureSummary,
  type MotifEntry,
  type ShelfFacts,
  type VersionEntry,
} from '@/protocol';
import { closeDatabases } from '../database';

const BASE = 'http://127.0.0.1/api';
let directory = '';

beforeEach(() => {
  directory = mkdtempSync(path.join(tmpdir(), 'cyclogon-shelf-routes-'));
  process.env['CYCLOGON_DATA'] = directory;
});
afterEach(async () => {
  await closeDatabases();
  rmSync(directory, { recursive: true });
});

const asked = (method: string, body?: unknown, address = ''): Request =>
  new Request(`${BASE}${address}`, {
    method,
    headers: {
      host: '127.0.0.1',
      ...(method !== 'GET' && { [OWN_HEADER]: '1' }),
      ...(body !== undefined && { 'content-type': 'application/json' }),
    },
    ...(body !== undefined && { body: JSON.stringify(body) }),
  });
const at = (id: string) => ({ params: Promise.resolve({ id }) });
const json = async <T>(answer: Response | Promise<Response>): Promise<T> =>
  (await (await answer).json()) as T;
const status = async (answer: Promise<Response>): Promise<number> => (await answer).status;
const make = (name: string): Promise<FigureSummary> => json(figures.POST(asked('POST', { name })));

describe('the routes of the Shelf', () => {
  it('label, collect, copy, bin, give back and empty; what is asked wrongly is refused', async () => {
    const { id } = await make('Whelk');
    const change = (body: unknown): Promise<number> => status(changes.POST(asked('POST', body)));
    const { id: shells } = await json<Collection>(collections.POST(asked('POST', { name: ' Shells ' })));
    expect(await status(collections.POST(asked('POST', { name: 'shells' })))).toBe(400);
    expect(await change({ do: 'collect', ids: [id], collection: shells })).toBe(204);
    expect(await change({ do: 'label', ids: [id], label: 'sea' })).toBe(204);
    expect(await change({ do: 'duplicate', ids: [id] })).toBe(204);
    const seen = await json<ShelfFacts>(facts.GET(asked('GET')));
    expect([seen.total, seen.collections[0]?.count, seen.labels[0]]).toEqual([
      2,
      2,
      { label: 'sea', count: 2 },
    ]);
    expect(await status(collection.PATCH(asked('PATCH', { name: 'Sea shells' }), at(shells)))).toBe(204);
    expect(await status(collection.DELETE(asked('DELETE'), at(shells)))).toBe(204);
    expect(await change({ do: 'bin', ids: [id] })).toBe(204);
    expect((await json<ShelfFacts>(facts.GET(asked('GET')))).binned).toBe(1);
    expect(await json(bin.DELETE(asked('DELETE')))).toEqual({ gone: 1 });
    for (const wrong of [
      { do: 'burn', ids: [id] },
      { do: 'label', ids: [id] },
      { do: 'bin', ids: [] },
      { do: 'bin', ids: [id], label: 'x' },
    ])
      expect(await change(wrong)).toBe(400);
    expect(await change({ do: 'bin', ids: ['nope'] })).toBe(404);
  });

  it('tell a history, keep, rename and drop a version, and hand out any state', async () => {
    const { id } = await make('Whelk');
    const kept = await json<VersionEntry>(versions.POST(asked('POST', { name: 'First' }), at(id)));
    const where = { params: Promise.resolve({ id, version: kept.id }) };
    expect(await status(version.PATCH(asked('PATCH', { name: 'Second' }), where))).toBe(204);
    const { steps, versions: list } = await json<FigureHistory>(history.GET(asked('GET'), at(id)));
    expect([steps.length, list.map(({ name }) => name)]).toEqual([1, ['Second']]);
    const old = (query: string): Promise<Response> =>
      state.GET(asked('GET', undefined, `/x?${query}`), at(id));
    expect((await json<{ name: string }>(old(`version=${kept.id}`))).name).toBe('Whelk');
    expect(
      await Promise.all(
        ['step=0', 'step=7', 'step=0&version=x', 'version=nope'].map((each) => status(old(each))),
      ),
    ).toEqual([200, 404, 400, 404]);
    const copy = await json<FigureSummary>(
      duplicate.POST(asked('POST', { version: kept.id, name: 'Own' }), at(id)),
    );
    expect(copy.name).toBe('Own');
    expect(await status(version.DELETE(asked('DELETE'), where))).toBe(204);
    expect(await status(versions.POST(asked('POST', { name: '' }), at(id)))).toBe(400);
  });

  it('say how long steps are kept, and take other rules', async () => {
    expect(await json(thinning.GET(asked('GET')))).toEqual({ all: 1, hourly: 30 });
    expect(await status(thinning.PUT(asked('PUT', { all: null, hourly: 3 })))).toBe(200);
    expect(await json(thinning.GET(asked('GET')))).toEqual({ all: null, hourly: 3 });
    expect(await status(thinning.PUT(asked('PUT', { all: 0, hourly: 3 })))).toBe(400);
  });

  it('keep targets of proofs for all figures, one in place of itself, and no broken one', async () => {
    const plaque = { id: 'plaque', name: 'Plaque', checks: { thin: { width: 2 } } };
    expect(await json(targets.GET(asked('GET')))).toEqual([]);
    await targets.PUT(asked('PUT', { ...plaque, id: 'other', name: 'Other' }));
    await targets.PUT(asked('PUT', plaque));
    const changed = { ...plaque, checks: { thin: { width: 3 } } };
    expect(await json(targets.PUT(asked('PUT', changed)))).toEqual([
      { ...plaque, id: 'other', name: 'Other' },
      changed,
    ]);
    expect(await status(targets.PUT(asked('PUT', { ...plaque, checks: { thin: { width: 'wide' } } })))).toBe(
      400,
    );
    await target.DELETE(asked('DELETE'), at('other'));
    expect(await json(targets.GET(asked('GET')))).toEqual([changed]);
  });

  it('count windows that have a figure open', async () => {
    const { id } = await make('Whelk');
    const tell = (window: string) => json(open.POST(asked('POST', { window }), at(id)));
    expect([await tell('a'), await tell('b')]).toEqual([{ others: 0 }, { others: 1 }]);
    expect((await json<ShelfFacts>(facts.GET(asked('GET')))).open).toEqual({ [id]: 2 });
    for (const window of ['a', 'b']) await open.DELETE(asked('DELETE', { window }), at(id));
    expect((await json<ShelfFacts>(facts.GET(asked('GET')))).open).toEqual({});
  });

  it('hand out a backup, and take it in; nothing is left in the data folder', async () => {
    await make('Whelk');
    const out = await backup.GET(asked('GET'));
    const bytes = new Uint8Array(await out.arrayBuffer());
    expect(out.headers.get('content-disposition')).toMatch(/shelf-\d{4}-\d\d-\d\d\.sqlite/);
    expect(Number(out.headers.get('content-length'))).toBe(bytes.length);
    const take = (body: Uint8Array<ArrayBuffer>): Promise<Response> =>
      backup.POST(
        new Request(BASE, { method: 'POST', headers: { host: '127.0.0.1', [OWN_HEADER]: '1' }, body }),
      );
    expect(await json(take(bytes))).toEqual({ added: 0, same: 1 });
    expect(await status(take(bytes.slice(0, 5000)))).toBe(400);
    expect(await status(take(new Uint8Array(0)))).toBe(400);
    expect(readdirSync(directory).filter((name) => name.startsWith('passing'))).toEqual([]);
  });

  it('keep, change and hand out motifs', async () => {
    const figure = stockFigure('stock-leaf')!;
    const kept = await json<MotifEntry>(drawer.POST(asked('POST', { name: 'Leaf', labels: ['a'], figure })));
    const list = await json<MotifEntry[]>(drawer.GET(asked('GET')));
    expect(list[0]).toMatchObject({ name: 'Leaf', stock: false });
    const changed = await json<MotifEntry>(one.PATCH(asked('PATCH', { figure }), at(kept.id)));
    expect(changed.revision).toBe(2);
    const all: unknown = await json(set.GET(asked('GET', undefined, '/drawer/set')));
    expect(await json(set.POST(asked('POST', all)))).toEqual({ added: 1 });
    expect(await status(set.POST(asked('POST', { format: 'other' })))).toBe(400);
    expect(await status(one.PATCH(asked('PATCH', {}), at(kept.id)))).toBe(400);
    expect(await status(one.DELETE(asked('DELETE'), at(kept.id)))).toBe(204);
    expect(await status(one.GET(asked('GET'), at(kept.id)))).toBe(404);
    expect(await json<MotifEntry[]>(drawer.GET(asked('GET', undefined, '/drawer?out=1')))).toHaveLength(1);
  });
});
