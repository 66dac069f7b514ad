import { closeDatabases } from '@/server';
import { BACKUP_USAGE, backUpTo, restore } from './backup';
import { WrongCall } from './call';
import { EXPORT_USAGE, exportFigures } from './export';
import { IMPORT_USAGE, importFile } from './import';
import { MERGE_USAGE, mergeFile } from './merge';
import { PROOF_USAGE, proofFigures } from './proof';

const USAGE = `${EXPORT_USAGE}

${IMPORT_USAGE}

${MERGE_USAGE}

${PROOF_USAGE}

${BACKUP_USAGE}`;

/** A command that ends with 0 where it ends well. */
const done =
  (command: (args: string[]) => Promise<void>) =>
  async (args: string[]): Promise<number> => {
    await command(args);
    return 0;
  };

const COMMANDS: ReadonlyMap<string, (args: string[]) => Promise<number>> = new Map<
  string,
  (args: string[]) => Promise<number>
>([
  ['export', done(exportFigures)],
  ['import', done(importFile)],
  ['merge', done(mergeFile)],
  ['proof', proofFigures],
  ['backup', done(backUpTo)],
  ['restore', done(restore)],
]);

/** Does what the arguments of a call say. @returns the status to end with: 0 done, 1 for what is wrong with the input, 2 with the call */
export async function run(args: string[]): Promise<number> {
  if (args.length === 0 || args[0] === 'help' || args.includes('--help')) {
    (args.length === 0 ? console.error : console.log)(USAGE);
    return args.length === 0 ? 2 : 0;
  }
  try {
    const [name = '', ...rest] = args;
    const command = COMMANDS.get(name);
    if (!command) throw new WrongCall(`There is no command “${name}”.`);
    return await command(rest);
  } catch (error) {
    const wrong = error instanceof WrongCall;
    console.error(`cyclogon: ${error instanceof Error ? error.message : 'this did not work.'}`);
    if (wrong) console.error(`\n${USAGE}`);
    return wrong ? 2 : 1;
  } finally {
    await closeDatabases();
  }
}
