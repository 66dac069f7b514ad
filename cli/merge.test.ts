import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';

import { afterAll, describe, expect, it } from 'vitest';

import { called } from '../tests/help/calls';
import { signedArea } from '@/core/curve';
import { readSvg } from '@/core/format/svg/read';
import { endProcesses } from '@/server/jobs';

const directory = mkdtempSync(path.join(tmpdir(), 'cyclogon-merge-'));

afterAll(async () => {
  await endProcesses();
  rmSync(directory, { recursive: true });
});

function file(name: string, text: string): string {
  const where = path.join(directory, name);
  writeFileSync(where, text);
  return where;
}

const svg = (inside: string): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 200 200">${inside}</svg>`;

const merged = (...args: string[]) => called('merge', ...args);

describe('cyclogon merge', () => {
  it('counts the cells of circles through the centre, wherever that is', async () => {
    const motif = file('circle.svg', svg('<g transform="translate(100,100)"><circle cy="-40" r="40"/></g>'));
    const { stdout, status } = await merged(
      motif,
      '--fold',
      '12',
      '--centre',
      '100,100',
      '--op',
      'cells',
      '--facts',
    );
    expect(status).toBe(0);
    const facts = JSON.parse(stdout) as {
      cells: number;
      kinds: { size: number; area: number; depth: number }[];
    };
    expect(facts).toMatchObject({ op: 'cells', fold: 12, mirror: false, cells: 72, slivers: 0 });
    const weighted = facts.kinds.reduce((sum, { size, area, depth }) => sum + size * area * depth, 0);
    expect(weighted / (12 * Math.PI * 1600)).toBeCloseTo(1, 9);
  });

  it('writes a file with the whole result, turned and where it was, arcs as arcs', async () => {
    const motif = file('off.svg', svg('<circle cx="100" cy="60" r="10"/><line x2="50" stroke="red"/>'));
    const out = path.join(directory, 'out.svg');
    const call = [
      '--fold',
      '5',
      '--mirror',
      '--centre',
      '100,100',
      '--start',
      '-36',
      '--op',
      'union',
      '--out',
      out,
    ];
    expect(await merged(motif, ...call)).toEqual({
      stdout: '',
      stderr: expect.any(String) as string,
      status: 0,
    });
    const text = readFileSync(out, 'utf8');
    expect(text).toMatch(/A10 10 0/);
    const loops = readSvg(text).flatMap(({ paths }) => paths);
    expect(loops).toHaveLength(5);
    expect(signedArea(loops)).toBeCloseTo(500 * Math.PI, 6);
    // Turned by −36°, one copy stands straight below the centre.
    expect(loops.some(({ segments }) => Math.abs((segments[0]?.from.x ?? 0) - 100) < 1e-6)).toBe(true);
  });

  it('reads lines as lines of cells, covers by the rule asked for, and says where nothing is left', async () => {
    const bars = file('bars.svg', svg('<path d="M0 0V-50" stroke="#000" fill="none"/><circle r="50"/>'));
    const facts = async (...args: string[]) =>
      JSON.parse((await merged(bars, '--fold', '6', '--facts', ...args)).stdout) as object;
    expect(await facts('--op', 'cells')).toMatchObject({ cells: 6, segments: { line: 12, arc: 6 } });
    expect(await facts('--op', 'union')).toMatchObject({ cells: 1, loops: 1, nodes: 2 });
    const twice = file('twice.svg', svg('<path d="M-9-20H9V-40H-9zM-5-25H5V-35H-5z"/>'));
    const area = async (rule: string): Promise<number> => {
      const { stdout } = await merged(twice, '--fold', '3', '--op', 'union', '--facts', '--rule', rule);
      return (JSON.parse(stdout) as { area: number }).area;
    };
    expect(await area('nonzero')).toBeCloseTo(3 * 360, 9);
    expect(await area('evenodd')).toBeCloseTo(3 * 260, 9);
    const none = await merged(twice, '--fold', '3', '--op', 'intersection', '--facts');
    expect(JSON.parse(none.stdout)).toMatchObject({ loops: 0, area: 0 });
  });

  it('says what went wrong: 1 for input, 2 for the call', async () => {
    const good = file('good.svg', svg('<rect width="3" height="4"/>'));
    const cases: [string[], number, RegExp][] = [
      [['/nowhere.svg', '--fold', '3', '--op', 'union', '--facts'], 1, /There is no file/],
      [[file('a.svg', '<html/>'), '--fold', '3', '--op', 'union', '--facts'], 1, /not an SVG file/],
      [[file('b.svg', '<svg><path'), '--fold', '3', '--op', 'union', '--facts'], 1, /not well-formed/],
      [
        [file('c.svg', svg('<path d="M0 0L"/>')), '--fold', '3', '--op', 'union', '--facts'],
        1,
        /cannot be read/,
      ],
      [[good, '--op', 'union', '--facts'], 2, /--fold is missing/],
      [[good, '--fold', '721', '--op', 'union', '--facts'], 2, /from 1 to 720/],
      [[good, '--fold', '3', '--op', 'melt', '--facts'], 2, /not “melt”/],
      [[good, '--fold', '3', '--op', 'toString', '--facts'], 2, /not “toString”/],
      [
        [file('far.svg', svg('<path d="M0 0h1e308v1e308z"/>')), '--fold', '3', '--op', 'union', '--facts'],
        1,
        /coordinates beyond/,
      ],
      [
        [
          file('deep.svg', `<svg>${'<g>'.repeat(5000)}${'</g>'.repeat(5000)}</svg>`),
          '--fold',
          '3',
          '--op',
          'union',
          '--facts',
        ],
        1,
        /200 deep/,
      ],
      [[good, '--fold', '3', '--op', 'union'], 2, /Say what you want/],
      [[good, '--fold', '3', '--op', 'union', '--facts', '--centre', '5'], 2, /two numbers/],
      [[good, '--fold', '3', '--op', 'union', '--facts', '--start', 'x'], 2, /number of degrees/],
      [[good, '--fold', '3', '--op', 'union', '--facts', '--rule', 'both'], 2, /nonzero or evenodd/],
      [['--fold', '3', '--op', 'union', '--facts'], 2, /Name one SVG file/],
    ];
    for (const [args, status, sentence] of cases) {
      const answer = await called('merge', ...args);
      expect([answer.status, answer.stdout]).toEqual([status, '']);
      expect(answer.stderr).toMatch(sentence);
    }
  });
});
