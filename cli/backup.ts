import { parseArgs } from 'node:util';

import { backUp, checkBackup, lastGoodBackup, putInPlace, takeBackup } from '@/server/shelf';
import { database, dataDirectory } from '@/server';
import { understood, WrongCall } from './call';

export const BACKUP_USAGE = `Usage: cyclogon backup FILE
       cyclogon restore (FILE | --last) [--beside]
       cyclogon restore FILE --check

  backup           the whole Shelf as one file, also while the server runs
  restore          puts a backup in the place of the data, which is kept beside it; the server is stopped before
  --last           the newest of those that the server makes every night
  --beside         adds what is not there instead, also while the server runs
  --check          reads every figure of the backup, and changes nothing`;

const counted = (count: number): string => (count === 1 ? '1 figure' : `${count} figures`);

/** Writes a backup, and reads it again. */
export async function backUpTo(args: string[]): Promise<void> {
  const { positionals } = understood(() => parseArgs({ args, allowPositionals: true, options: {} }));
  const [file, ...more] = positionals;
  if (file === undefined || more.length > 0) throw new WrongCall('backup takes one FILE.');
  await database();
  await backUp(dataDirectory(), file);
  const { figures } = await checkBackup(file);
  console.log(`${counted(figures)} in ${file}.`);
}

interface Call {
  readonly file: string;
  readonly how: 'instead' | 'beside' | 'check';
}

function readCall(args: string[]): Call {
  const { values, positionals } = understood(() =>
    parseArgs({
      args,
      allowPositionals: true,
      options: {
        last: { type: 'boolean', default: false },
        beside: { type: 'boolean', default: false },
        check: { type: 'boolean', default: false },
      },
    }),
  );
  if (positionals.length + Number(values.last) !== 1) throw new WrongCall('Name one FILE, or --last.');
  if (values.beside && values.check) throw new WrongCall('--check changes nothing: leave --beside out.');
  const file = values.last ? lastGoodBackup(dataDirectory()) : (positionals[0] ?? null);
  if (file === null) throw new Error('There is no backup that can be read.');
  return { file, how: values.check ? 'check' : values.beside ? 'beside' : 'instead' };
}

/** Takes a backup in: in place of the data, beside it, or only to look at. */
export async function restore(args: string[]): Promise<void> {
  const { file, how } = readCall(args);
  if (how === 'check') {
    const { figures } = await checkBackup(file);
    console.log(`${counted(figures)} in ${file}: all can be read.`);
  } else if (how === 'beside') {
    const { added, same } = await takeBackup(await database(), file);
    console.log(`${counted(added)} put on the Shelf, ${same} there already.`);
  } else {
    const before = await putInPlace(dataDirectory(), file);
    console.log(`${file} is in place.${before === null ? '' : ` What was there is in ${before}.`}`);
  }
}
