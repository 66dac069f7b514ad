import { writeFile } from 'node:fs/promises';
import path from 'node:path';
import { parseArgs } from 'node:util';

import { writeFigure } from '@/core/format/figure';
import { TAKEN_BY, type TakenBy } from '@/core/format/drawing';
import { createFigure, database, Refused } from '@/server';
import type { ReadChoices } from '@/core/rebuild';
import type { TakenDrawing } from '@/server/jobs';
import { MOST_TIME_LIMIT, TIME_LIMIT, worked } from './aside';
import { readText, understood, wholeNumber, WrongCall } from './call';

export const IMPORT_USAGE = `       cyclogon import FILE.svg|FILE.dxf [--out FIGURE.json] [--shelf] [options]

  --out FILE       writes the figure that the artwork becomes
  --shelf          puts it on the Shelf of the data directory
  --as rounds      reads its symmetry: what goes round a centre becomes rounds with their folds
  --within L       how near copies have to be to where they would be, in the file's unit
  --differing W    copies that differ: stay, follow (stay)
  --missing W      copies that are missing: stay, follow (stay)
  --motif M        the motif is the median of its copies, or the nearest to that: median, nearest (median)
  --centre C       its centre: ${TAKEN_BY.join(', ')} (page); parts that turn about one have their own
                   prints what was taken and what was left as one JSON object`;

interface ImportCall {
  readonly file: string;
  readonly out: string | null;
  readonly shelf: boolean;
  readonly by: TakenBy;
  /** How its symmetry is read; null where it stays as it is drawn. */
  readonly rounds: { readonly choices: ReadChoices; readonly within?: number } | null;
  /** How long it may take. */
  readonly seconds: number;
}

const WAYS = ['stay', 'follow'] as const;
const MOTIFS = ['median', 'nearest'] as const;

/** One of some words. @throws WrongCall */
function oneOf<T extends string>(
  value: string | undefined,
  option: string,
  words: readonly T[],
  otherwise: T,
): T {
  const found = words.find((each) => each === (value ?? otherwise));
  if (!found) throw new WrongCall(`${option} is ${words.join(' or ')}, not “${value ?? ''}”.`);
  return found;
}

type RoundsOption = 'as' | 'within' | 'differing' | 'missing' | 'motif';

/** How symmetry is read. @throws WrongCall */
function roundsOf(values: Partial<Record<RoundsOption, string>>): ImportCall['rounds'] {
  const as = oneOf(values.as, '--as', ['drawn', 'rounds'], 'drawn');
  const others = (['within', 'differing', 'missing', 'motif'] as const).filter(
    (key) => values[key] !== undefined,
  );
  if (as === 'drawn' && others.length > 0) throw new WrongCall(`--${others[0] ?? ''} goes with --as rounds.`);
  if (as === 'drawn') return null;
  const within = values.within === undefined ? undefined : Number(values.within);
  if (within !== undefined && !(within > 0 && Number.isFinite(within)))
    throw new WrongCall(`--within is a length above 0, not “${values.within ?? ''}”.`);
  const choices: ReadChoices = {
    motif: oneOf(values.motif, '--motif', MOTIFS, 'median'),
    differing: oneOf(values.differing, '--differing', WAYS, 'stay'),
    missing: oneOf(values.missing, '--missing', WAYS, 'stay'),
  };
  return { choices, ...(within !== undefined && { within }) };
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
        as: { type: 'string' },
        within: { type: 'string' },
        differing: { type: 'string' },
        missing: { type: 'string' },
        motif: { type: 'string' },
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
    rounds: roundsOf(values),
    out: values.out ?? null,
    shelf: values.shelf,
    seconds: wholeNumber(values['time-limit'], '--time-limit', 1, MOST_TIME_LIMIT, TIME_LIMIT),
  };
}

/** What was read, for scripts: lengths in the figure's unit. */
const toldOf = ({
  share,
  far,
  within,
  rounds,
  differing,
  alone,
  otherwise,
}: NonNullable<TakenDrawing['read']>) => ({
  share,
  far,
  within,
  axes: rounds.map(({ mirrored }) => mirrored),
  differing,
  alone,
  otherwise,
});

/** Makes a figure of a file of artwork, and prints what was taken. @throws WrongCall, Refused, Error */
export async function importFile(args: string[]): Promise<void> {
  const { file, out, shelf, by, rounds: asked, seconds } = readCall(args);
  const text = await readText(file);
  const name = path.basename(file);
  const { figure, left, read } = await worked(
    'takeDrawing',
    { text, name, by, ...(asked && { rounds: asked }) },
    seconds,
  ).catch((error: unknown) => {
    throw error instanceof Refused ? new Error(`“${file}”: ${error.message}`, { cause: error }) : error;
  });
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
      ...(read && { read: toldOf(read) }),
    }),
  );
}
