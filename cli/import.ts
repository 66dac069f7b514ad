import { writeFile } from 'node:fs/promises';
import path from 'node:path';
import { parseArgs } from 'node:util';

import { writeFigure } from '../src/core/format/figure/json';
import { TAKEN_BY, type TakenBy } from '../src/core/format/drawing/taken';
import { database } from '../src/server/database';
import { Refused } from '../src/server/errors';
import { createFigure } from '../src/server/figures';
import { MOST_TIME_LIMIT, TIME_LIMIT, worked } from './aside';
import { readText, understood, wholeNumber, WrongCall } from './call';

export const IMPORT_USAGE = `       cyclogon import FILE.svg|FILE.dxf [--out FIGURE.json] [--shelf] [options]

  --out FILE       writes the figure that the artwork becomes
  --shelf          puts it on the Shelf of the data directory
  --centre C       its centre: ${TAKEN_BY.join(', ')} (page); parts that turn about one have their own
                   prints what was taken and what was left as one JSON object`;

interface ImportCall {
  readonly file: string;
  readonly out: string | null;
  readonly shelf: boolean;
  readonly by: TakenBy;
  /** How long it may take. */
  readonly seconds: number;
}

function readCall(args: string[]): ImportCall {
  const parsed = understood(() =>
    parseArgs({
      args,
      allowPositionals: true,
      options: {
        out: { type: 'string' },
        shelf: { type: 'boolean', default: false },
        centre: { type: 'string' },
        'time-limit': { type: 'string' },
      },
    }),
  );
  const { values, positionals } = parsed;
  const [file, ...rest] = positionals;
  if (file === undefined || rest.length > 0) throw new WrongCall('Name one SVG or DXF file.');
  const by = TAKEN_BY.find((each) => each === (values.centre ?? 'page'));
  if (!by) throw new WrongCall(`--centre is ${TAKEN_BY.join(', ')}, not “${values.centre ?? ''}”.`);
  return {
    file,
    by,
    out: values.out ?? null,
    shelf: values.shelf,
    seconds: wholeNumber(values['time-limit'], '--time-limit', 1, MOST_TIME_LIMIT, TIME_LIMIT),
  };
}

/** Makes a figure of a file of artwork, and prints what was taken. @throws WrongCall, Refused, Error */
export async function importFile(args: string[]): Promise<void> {
  const { file, out, shelf, by, seconds } = readCall(args);
  const text = await readText(file);
  const name = path.basename(file);
  const { figure, left } = await worked('takeDrawing', { text, name, by }, seconds).catch(
    (error: unknown) => {
      throw error instanceof Refused ? new Error(`“${file}”: ${error.message}`, { cause: error }) : error;
    },
  );
  if (out !== null) await writeFile(out, writeFigure(figure));
  const kept = shelf ? await createFigure(await database(), figure) : null;
  const { page, rounds } = figure;
  const count = (list: readonly unknown[] | undefined): number => list?.length ?? 0;
  console.log(
    JSON.stringify({
      shapes: rounds.reduce((sum, round) => sum + count(round.shapes), 0),
      groups: rounds.reduce((sum, round) => sum + count(round.groups), 0),
      rounds: rounds.map(({ name: own, rule }) => ({ name: own, fold: rule.fold })),
      width: page.width,
      height: page.height,
      unit: page.unit,
      ...(kept && { id: kept.id }),
      left,
    }),
  );
}
