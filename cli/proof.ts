import { parseArgs } from 'node:util';

import { isWrong, TARGETS } from '@/core/proof';
import { readFigure } from '@/core/format/figure';
import { writeFile } from 'node:fs/promises';
import { database, listFigures, shownFigure, sound } from '@/server';
import type { Figure } from '@/core/figure';
import type { ProofMade, Took } from '@/server/jobs';
import { MOST_TIME_LIMIT, overAll, TIME_LIMIT, TIME_LIMIT_USAGE, worked } from './aside';
import { readText, understood, wholeNumber, WrongCall } from './call';

export const PROOF_USAGE = `Usage: cyclogon proof (FIGURE.json … | --all) [options]

  --all            every figure of the Shelf
  --target NAME    ${TARGETS.map(({ id }) => id).join(', ')}, or a target of the figure's own; without it the one that it chose
  --json           one object on standard output, for one figure; for several a list of them with their names
  --page FILE      a page of PDF of one figure
${TIME_LIMIT_USAGE}
                   The status is 1 where something is wrong in a figure.`;

interface Call {
  readonly files: readonly string[];
  readonly all: boolean;
  readonly target: string | null;
  readonly json: boolean;
  readonly page: string | null;
  readonly seconds: number;
}

function readCall(args: string[]): Call {
  const parsed = understood(() =>
    parseArgs({
      args,
      allowPositionals: true,
      options: {
        all: { type: 'boolean', default: false },
        target: { type: 'string' },
        json: { type: 'boolean', default: false },
        page: { type: 'string' },
        'time-limit': { type: 'string' },
      },
    }),
  );
  const { values, positionals: files } = parsed;
  if (files.length > 0 === values.all) throw new WrongCall('Name figures in one way: files, or --all.');
  if (values.page !== undefined && files.length !== 1) throw new WrongCall('--page is of one figure.');
  return {
    files,
    all: values.all,
    target: values.target ?? null,
    json: values.json,
    page: values.page ?? null,
    seconds: wholeNumber(values['time-limit'], '--time-limit', 1, MOST_TIME_LIMIT, TIME_LIMIT),
  };
}

/** A figure of a call, which is read when its turn comes. */
interface Source {
  readonly name: string;
  readonly load: () => Promise<Figure>;
}

async function sourcesOf({ files, all }: Call): Promise<Source[]> {
  if (!all)
    return files.map((file) => ({ name: file, load: async () => sound(readFigure(await readText(file))) }));
  const knex = await database();
  return (await listFigures(knex)).map(({ id, name }) => ({ name, load: () => shownFigure(knex, id) }));
}

/** What was found, for people. */
function told({ name, data, passed }: ProofMade): string {
  const { findings } = data;
  const head = `${name}: ${findings.length === 0 ? 'nothing to mend' : `${findings.length} findings`}, ${passed.length} checks passed.`;
  const lines = findings.map(
    ({ severity, count, sentence }) => `  ${severity.padEnd(8)} ${`×${count}`.padStart(6)}  ${sentence}`,
  );
  return [head, ...lines].join('\n');
}

/** Proofs figures, over all cores. @returns the status: 1 where something is wrong @throws WrongCall, Refused, Error */
export async function proofFigures(args: string[]): Promise<number> {
  const call = readCall(args);
  const sources = await sourcesOf(call);
  const proofed = async ({ load }: Source, measured?: (took: Took) => void): Promise<ProofMade> =>
    worked(
      'proofFigure',
      { figure: await load(), target: call.target, page: call.page !== null },
      call.seconds,
      measured,
    );
  const [single, second] = sources;
  const { made, failure } =
    single && !second && !call.all
      ? { made: [await proofed(single)], failure: null }
      : await overAll(
          'figures',
          sources.map((source) => ({ name: source.name, make: (measured) => proofed(source, measured) })),
        );
  const [only] = made;
  if (!only) throw failure ?? new Error('There is no figure on the Shelf.');
  if (call.page !== null && only.page) await writeFile(call.page, only.page);
  const isOne = sources.length === 1 && !call.all;
  const data = isOne ? only.data : made.map((each) => ({ name: each.name, ...each.data }));
  console.log(call.json ? JSON.stringify(data) : made.map(told).join('\n'));
  if (failure) throw failure;
  return made.some((each) => isWrong(each.data)) ? 1 : 0;
}
