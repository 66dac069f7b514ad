import { writeFile } from 'node:fs/promises';
import { parseArgs } from 'node:util';

import { turnFromDegrees } from '@/core/number';
import { Refused } from '@/server';
import { type MotifRequest, OPERATIONS } from '@/server/jobs';
import { MOST_TIME_LIMIT, TIME_LIMIT, worked } from './aside';
import { readText, understood, wholeNumber, WrongCall } from './call';

export const MERGE_USAGE = `       cyclogon merge MOTIF.svg --fold N --op union|intersection|exclusion|cells [options]

  --fold N         copies about the centre, 1 to 720
  --mirror         each reflected as well, about the axis that points straight up from the centre
  --centre X,Y     the centre, in the coordinates of the file (0,0)
  --start DEG      turns the whole, in degrees clockwise (0)
  --rule R         how paths cover: nonzero or evenodd (as each path says)
  --out FILE       writes the result as SVG
  --facts          prints counts and measures as one JSON object`;

interface MergeCall extends Omit<MotifRequest, 'text'> {
  readonly file: string;
  readonly out: string | null;
  readonly facts: boolean;
  /** How long it may take. */
  readonly seconds: number;
}

const NUMBER = String.raw`[-+]?(?:\d+\.?\d*|\.\d+)(?:e[-+]?\d+)?`;

function readCall(args: string[]): MergeCall {
  const parsed = understood(() =>
    parseArgs({
      args: args.map((arg, k) => (/^--(centre|start)$/.test(args[k - 1] ?? '') ? `\u0000${arg}` : arg)),
      allowPositionals: true,
      options: {
        fold: { type: 'string' },
        mirror: { type: 'boolean', default: false },
        centre: { type: 'string' },
        start: { type: 'string' },
        op: { type: 'string' },
        rule: { type: 'string' },
        out: { type: 'string' },
        facts: { type: 'boolean', default: false },
        'time-limit': { type: 'string' },
      },
    }),
  );
  const { values, positionals } = parsed;
  const [file, ...rest] = positionals;
  if (file === undefined || rest.length > 0) throw new WrongCall('Name one SVG file with the motif.');
  const centre = (values.centre ?? '0,0').replace('\u0000', '');
  const pair = new RegExp(`^(${NUMBER}),(${NUMBER})$`, 'i').exec(centre);
  if (!pair) throw new WrongCall(`--centre is two numbers with a comma, not “${centre}”.`);
  const start = (values.start ?? '0').replace('\u0000', '');
  if (!new RegExp(`^${NUMBER}$`, 'i').test(start) || Math.abs(Number(start)) > 1e6)
    throw new WrongCall(`--start is a number of degrees, not “${start}”.`);
  if (values.op === undefined || !Object.hasOwn(OPERATIONS, values.op))
    throw new WrongCall(
      `--op is union, intersection, exclusion or cells${values.op ? `, not “${values.op}”` : ''}.`,
    );
  const { rule } = values;
  if (rule !== undefined && rule !== 'nonzero' && rule !== 'evenodd')
    throw new WrongCall(`--rule is nonzero or evenodd, not “${rule}”.`);
  if (values.out === undefined && !values.facts)
    throw new WrongCall('Say what you want of it: --out FILE, --facts, or both.');
  return {
    file,
    fold: wholeNumber(values.fold, '--fold', 1, 720, null),
    mirror: values.mirror,
    centre: { x: Number(pair[1]), y: Number(pair[2]) },
    start: turnFromDegrees(Number(start)),
    op: values.op,
    rule: rule ?? null,
    out: values.out ?? null,
    facts: values.facts,
    seconds: wholeNumber(values['time-limit'], '--time-limit', 1, MOST_TIME_LIMIT, TIME_LIMIT),
  };
}

/** Merges the copies of a motif from a file. @throws WrongCall, Refused, Error */
export async function mergeFile(args: string[]): Promise<void> {
  const { file, out, facts: wantsFacts, seconds, ...motif } = readCall(args);
  const text = await readText(file);
  const { svg, facts } = await worked('mergeMotif', { ...motif, text }, seconds).catch((error: unknown) => {
    throw error instanceof Refused ? new Error(`“${file}”: ${error.message}`, { cause: error }) : error;
  });
  if (out !== null) await writeFile(out, svg);
  if (wantsFacts) console.log(JSON.stringify(facts));
}
