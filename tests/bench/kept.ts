/**
 * What benchmarks measured, as ratios to the reference of their own run, kept in docs/speed.json with a table in docs/speed.md, so that one
 * sees what became slower.
 *
 * @example
 * const kept = keeping('drag');
 * kept.add('a node of 60, fold 120', 8.3);
 * await kept.write();
 */
import { execFileSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';

import { format, resolveConfig } from 'prettier';

/** What a benchmark is of; each has its own reference. */
const SECTIONS = {
  core: 'In Node, as multiples of a loop of two million square roots',
  drag: 'From pointer to picture in the built application, as multiples of a dot that follows the pointer (middle)',
  cells:
    'Twenty thousand cells in the built application, as multiples of a dot that follows the pointer (middle)',
  stages:
    'The main gesture of each stage in the built application, as multiples of a dot that follows the pointer (middle)',
} as const;
type Section = keyof typeof SECTIONS;

interface Run {
  readonly date: string;
  readonly commit: string;
  readonly ratios: Readonly<Record<string, number>>;
}

type Runs = Readonly<Partial<Record<Section, readonly Run[]>>>;

const DATA = 'docs/speed.json';
const PAGE = 'docs/speed.md';
/** What lies after it on the page is written anew. */
const MARK = '<!-- What follows is written by the benchmarks with --keep. -->';
const MOST_RUNS = 6;
/** More than so many times the run before counts as slower: less is what one and the same code differs by. */
const SLOWER = 1.3;

const printed = (ratio: number): string => (ratio < 10 ? ratio.toFixed(2) : ratio.toFixed(1));

/** A table of runs, the newest first, by what was measured in the newest. */
export function tableOf(runs: readonly Run[]): string {
  const [newest] = runs;
  if (!newest) return '';
  const cellOf = (name: string, k: number): string => {
    const [now, before] = [runs[k]?.ratios[name], runs[k + 1]?.ratios[name]];
    if (now === undefined) return '';
    return `${printed(now)}${before !== undefined && now > SLOWER * before ? ' slower' : ''}`;
  };
  const row = (cells: readonly string[]): string => `| ${cells.join(' | ')} |`;
  return [
    row(['what', ...runs.map(({ date, commit }) => `${date} ${commit}`)]),
    row(['---', ...runs.map(() => '---:')]),
    ...Object.keys(newest.ratios).map((name) => row([name, ...runs.map((_, k) => cellOf(name, k))])),
  ].join('\n');
}

/** Takes ratios of one benchmark; `write` keeps them where the call was made with `--keep`. */
export function keeping(section: Section) {
  const ratios: Record<string, number> = {};
  return {
    add: (name: string, ratio: number): void => {
      ratios[name] = Number(ratio.toPrecision(4));
    },
    write: async (): Promise<void> => {
      if (!process.argv.includes('--keep')) return;
      const known = JSON.parse(readFileSync(DATA, 'utf8')) as Runs;
      const commit = execFileSync('git', ['rev-parse', '--short', 'HEAD'], { encoding: 'utf8' }).trim();
      const run = { date: new Date().toISOString().slice(0, 10), commit, ratios };
      const runs: Runs = { ...known, [section]: [run, ...(known[section] ?? [])].slice(0, MOST_RUNS) };
      writeFileSync(DATA, `${JSON.stringify(runs, null, 2)}\n`);
      const tables = (Object.keys(SECTIONS) as Section[]).map(
        (each) => `### ${SECTIONS[each]}\n\n${tableOf(runs[each] ?? [])}\n`,
      );
      const [words = ''] = readFileSync(PAGE, 'utf8').split(MARK);
      const page = `${words}${MARK}\n\n${tables.join('\n')}`;
      writeFileSync(PAGE, await format(page, { ...(await resolveConfig(PAGE)), filepath: PAGE }));
    },
  };
}
