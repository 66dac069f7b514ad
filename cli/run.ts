import { writeFile } from 'node:fs/promises';
import { parseArgs } from 'node:util';

import type { Figure } from '../src/core/figure/model';
import { readFigure } from '../src/core/format/json';
import { MOST_DECIMALS } from '../src/core/format/svg';
import { closeDatabases, database } from '../src/server/database';
import { exportFigure, type ExportOptions } from '../src/server/exportFigure';
import { loadFigure } from '../src/server/figures';
import { LARGEST_PICTURE } from '../src/server/raster';
import { readText, wholeNumber, WrongCall } from './call';
import { MERGE_USAGE, mergeFile } from './merge';

const USAGE = `Usage: cyclogon export (FIGURE.json | --id ID) --to svg|png [options]

  --id ID          a figure of the data directory (CYCLOGON_DATA, or ./data)
  --out FILE       where to write; without it to standard output
  --size N         PNG: pixels of the longer side, 1 to ${LARGEST_PICTURE} (1024)
  --plain          SVG: every copy a path of its own, instead of symbols and uses
  --decimals N     SVG: decimals of coordinates, 0 to ${MOST_DECIMALS} (4)
  --reveal         SVG: the copies come one after the other when it is shown
  --no-background  without the page's background

${MERGE_USAGE}`;

interface Call {
  readonly file: string | null;
  readonly id: string | null;
  readonly out: string | null;
  readonly options: ExportOptions;
}

/** Ids may begin with a dash, which an option's value of its own may not. */
const withJoinedId = (args: readonly string[]): string[] => {
  const at = args.indexOf('--id');
  const id = at < 0 ? undefined : args[at + 1];
  return id === undefined ? [...args] : [...args.slice(0, at), `--id=${id}`, ...args.slice(at + 2)];
};

function readCall(args: string[]): Call {
  let parsed;
  try {
    parsed = parseArgs({
      args: withJoinedId(args),
      allowPositionals: true,
      options: {
        to: { type: 'string' },
        id: { type: 'string' },
        out: { type: 'string' },
        size: { type: 'string' },
        decimals: { type: 'string' },
        reveal: { type: 'boolean', default: false },
        plain: { type: 'boolean', default: false },
        'no-background': { type: 'boolean', default: false },
      },
    });
  } catch (error) {
    throw new WrongCall(error instanceof Error ? error.message : 'The options could not be read.');
  }
  const { values, positionals } = parsed;
  const [command, file, ...rest] = positionals;
  if (command !== 'export')
    throw new WrongCall(command ? `There is no command “${command}”.` : 'A command is missing.');
  if ((file === undefined) === (values.id === undefined) || rest.length > 0) {
    throw new WrongCall('Name one figure: a file, or a stored one with --id.');
  }
  const background = !values['no-background'];
  const shared = { file: file ?? null, id: values.id ?? null, out: values.out ?? null };
  if (values.to === 'svg') {
    const decimals = wholeNumber(values.decimals, '--decimals', 0, MOST_DECIMALS, 4);
    return {
      ...shared,
      options: {
        to: 'svg',
        svg: { form: values.plain ? 'plain' : 'compact', decimals, background, reveal: values.reveal },
      },
    };
  }
  if (values.to === 'png') {
    return {
      ...shared,
      options: { to: 'png', size: wholeNumber(values.size, '--size', 1, LARGEST_PICTURE, 1024), background },
    };
  }
  throw new WrongCall(values.to ? `--to is svg or png, not “${values.to}”.` : '--to is missing: svg or png.');
}

async function figureOf(call: Call): Promise<Figure> {
  if (call.file !== null) return readFigure(await readText(call.file));
  return (await loadFigure(await database(), call.id ?? '')).figure;
}

/** Does what the arguments of a call say. @returns the status to end with: 0 done, 1 for what is wrong with the input, 2 with the call */
export async function run(args: string[]): Promise<number> {
  if (args.length === 0 || args[0] === 'help' || args.includes('--help')) {
    (args.length === 0 ? console.error : console.log)(USAGE);
    return args.length === 0 ? 2 : 0;
  }
  try {
    if (args[0] === 'merge') {
      await mergeFile(args.slice(1));
      return 0;
    }
    const call = readCall(args);
    const { bytes } = await exportFigure(await figureOf(call), call.options);
    if (call.out !== null) await writeFile(call.out, bytes);
    else process.stdout.write(bytes);
    return 0;
  } catch (error) {
    const wrong = error instanceof WrongCall;
    console.error(`cyclogon: ${error instanceof Error ? error.message : 'this did not work.'}`);
    if (wrong) console.error(`\n${USAGE}`);
    return wrong ? 2 : 1;
  } finally {
    await closeDatabases();
  }
}
