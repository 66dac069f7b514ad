import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';

import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';

import { hatchIris } from '../demo/pieces/hatchIris';
import { addShapes } from '@/core/figure/commands';
import { newShape, START_PAINT } from '@/core/figure';
import { writeFigure } from '@/core/format/figure';
import { pathForm } from '@/core/maker';
import type { ProofData } from '@/core/proof';
import { closeDatabases } from '@/server';
import { endProcesses } from '@/server/jobs';
import { called } from '../tests/help/calls';

/** Of the scripts that people write, three. */
const NAME = 'Hatch iris – Ирис אירוס';
const directory = mkdtempSync(path.join(tmpdir(), 'cyclogon-proof-'));
const [good, bad] = ['good.json', 'bad.json'].map((name) => path.join(directory, name)) as [string, string];
const at = (x: number, y: number) => ({ x, y, kind: 'corner' as const });

beforeAll(() => {
  vi.stubEnv('CYCLOGON_DATA', directory);
  const figure = hatchIris();
  const open = newShape('open', 'Sail', pathForm([at(0, -60), at(6, -50), at(-6, -50)], false), START_PAINT);
  writeFileSync(good, writeFigure(figure));
  writeFileSync(bad, writeFigure({ ...addShapes(figure, figure.rounds[0]!.id, [open]), name: NAME }));
});

afterAll(async () => {
  vi.unstubAllEnvs();
  await closeDatabases();
  await endProcesses();
  rmSync(directory, { recursive: true });
});

describe('cyclogon proof', () => {
  it('ends with 1 where something is wrong, and says what, where and how often, as one object', async () => {
    const { status, stdout } = await called('proof', bad, '--target', 'cutter', '--json');
    expect(status).toBe(1);
    const told = JSON.parse(stdout) as ProofData;
    expect(told.target).toBe('cutter');
    const found = told.findings.find(({ code }) => code === 'openFilled');
    expect(found).toMatchObject({ severity: 'error', count: 8 });
    expect(found?.sentence).toContain('Sail is filled and open');
    expect(found?.where[0]).toEqual({ x: 0, y: -60, round: hatchIris().rounds[0]!.name });
  });

  it('of several tells what each took, and goes on past one that cannot be read', async () => {
    const broken = path.join(directory, 'broken.json');
    writeFileSync(broken, '{');
    const { status, stdout, stderr } = await called('proof', good, broken, bad, '--target', 'cutter');
    expect(status).toBe(1);
    expect(stdout).toMatch(/Hatch iris: [^]*Sail is filled and open/);
    expect(stderr).toMatch(/3 of 3 figures: /);
    expect(stderr).toMatch(/good\.json \(\d+\.\d s, \d+ MB\)/);
    expect(stderr).toMatch(/1 of 3 figures could not be made\.\n.*broken\.json: /);
  });

  it('ends with 0 where nothing is, for people in words, and of several as a list', async () => {
    const one = await called('proof', good, '--target', 'screen');
    expect([one.status, one.stdout]).toEqual([0, expect.stringContaining('checks passed') as string]);
    const both = await called('proof', good, bad, '--json');
    expect(both.status).toBe(1);
    const list = JSON.parse(both.stdout) as (ProofData & { name: string })[];
    expect(list.map(({ name, target }) => [name, target])).toEqual([
      ['Hatch iris', 'screen'],
      [NAME, 'screen'],
    ]);
  });

  it('writes a page that another reader reads', async () => {
    const page = path.join(directory, 'page.pdf');
    await called('proof', bad, '--target', 'Stencil', '--page', page);
    const document = await getDocument({ data: new Uint8Array(readFileSync(page)), verbosity: 0 }).promise;
    expect(document.numPages).toBe(1);
    const { items } = await (await document.getPage(1)).getTextContent();
    const text = items.map((item) => ('str' in item ? item.str : '')).join(' ');
    expect(text).toContain('Hatch iris – Ирис');
    expect(text).toContain('אירוס');
    expect(text).toContain('Proof for: Stencil');
    expect(text).toContain('Sail is filled and open');
    await document.destroy();
  });

  it('refuses a target that is none, and figures named in two ways', async () => {
    const none = await called('proof', good, '--target', 'moon');
    expect([none.status, none.stderr]).toEqual([
      1,
      expect.stringContaining('There is no target “moon”') as string,
    ]);
    expect((await called('proof', good, '--all')).status).toBe(2);
    expect((await called('proof')).status).toBe(2);
  });
});
