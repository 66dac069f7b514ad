import { writeFile } from 'node:fs/promises';
import { parseArgs } from 'node:util';

import type { Figure } from '../src/core/figure/model';
import { readFigure } from '../src/core/format/figure/json';
import type { Format, OptionField, Options, OptionValue } from '../src/core/format/format';
import { FORMAT_IDS, formatOf, FORMATS } from '../src/core/format/formats';
import { closeDatabases, database } from '../src/server/database';
import { shownFigure } from '../src/server/figures';
import { MOST_TIME_LIMIT, TIME_LIMIT, TIME_LIMIT_USAGE, worked } from './aside';
import { readText, wholeNumber, WrongCall } from './call';
import { IMPORT_USAGE, importFile } from './import';
import { MERGE_USAGE, mergeFile } from './merge';

const FORMAT_NAMES = FORMAT_IDS.join('|');

/** The options of all formats, each once, with the formats that have it. */
const OPTIONS = new Map<string, { field: OptionField<Options>; names: string[]; start: OptionValue }>();
for (const { name, fields, start } of FORMATS)
  for (const field of fields) {
    const known = OPTIONS.get(field.word) ?? { field, names: [], start: start[field.key] ?? 0 };
    OPTIONS.set(field.word, { ...known, names: [...known.names, name] });
  }

/** True for a word that is followed by a value. */
const takesValue = (field: OptionField<Options>): boolean =>
  field.type === 'count' || field.wordMeans === undefined;

/** What follows a word, for the help. */
const valueIn = (field: OptionField<Options>): string =>
  field.type === 'count'
    ? ' N'
    : takesValue(field)
      ? ` ${field.choices.map(([value]) => String(value)).join('|')}`
      : '';

const optionLines = [...OPTIONS].map(([word, { field, names, start }]) => {
  const range = field.type === 'count' ? `, ${field.least} to ${field.most} (${String(start)})` : '';
  return `  ${`--${word}${valueIn(field)}`.padEnd(16)} ${names.join(', ')}: ${field.help}${range}`;
});

const USAGE = `Usage: cyclogon export (FIGURE.json | --id ID) --to ${FORMAT_NAMES} [options]

  --id ID          a figure of the data directory (CYCLOGON_DATA, or ./data)
  --out FILE       where to write; without it to standard output
${TIME_LIMIT_USAGE}
${optionLines.join('\n')}

${IMPORT_USAGE}

${MERGE_USAGE}`;

interface Call {
  readonly file: string | null;
  readonly id: string | null;
  readonly out: string | null;
  readonly to: string;
  readonly options: Options;
  /** How long it may take. */
  readonly seconds: number;
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
        'time-limit': { type: 'string' },
        ...Object.fromEntries(
          [...OPTIONS].map(([word, { field }]) => [
            word,
            { type: takesValue(field) ? 'string' : 'boolean' } as const,
          ]),
        ),
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
  const to = typeof values['to'] === 'string' ? values['to'] : '';
  const format = formatOf(to);
  if (!format)
    throw new WrongCall(to ? `--to is ${FORMAT_NAMES}, not “${to}”.` : `--to is missing: ${FORMAT_NAMES}.`);
  const text = (value: unknown): string | null => (typeof value === 'string' ? value : null);
  return {
    file: file ?? null,
    id: text(values['id']),
    out: text(values['out']),
    to,
    options: optionsIn(format, values),
    seconds: wholeNumber(
      text(values['time-limit']) ?? undefined,
      '--time-limit',
      1,
      MOST_TIME_LIMIT,
      TIME_LIMIT,
    ),
  };
}

/** The value of a choice that was typed. @throws WrongCall where it is none */
function oneOf(
  { word, choices }: Extract<OptionField<Options>, { type: 'choice' }>,
  typed: string,
): OptionValue {
  const found = choices.find(([value]) => String(value) === typed);
  if (!found)
    throw new WrongCall(
      `--${word} is ${choices.map(([value]) => String(value)).join(' or ')}, not “${typed}”.`,
    );
  return found[0];
}

/** The options of a format as a call has them. @throws WrongCall for a number that is none */
function optionsIn(format: Format, values: Readonly<Record<string, unknown>>): Options {
  const chosen = format.fields.map((field): [string, OptionValue] => {
    const value = values[field.word];
    const start = format.start[field.key] ?? 0;
    const typed = typeof value === 'string' ? value : undefined;
    if (field.type === 'choice') {
      if (field.wordMeans !== undefined) return [field.key, value === true ? field.wordMeans : start];
      return [field.key, typed === undefined ? start : oneOf(field, typed)];
    }
    return [field.key, wholeNumber(typed, `--${field.word}`, field.least, field.most, Number(start))];
  });
  return Object.fromEntries(chosen);
}

async function figureOf(call: Call): Promise<Figure> {
  if (call.file !== null) return readFigure(await readText(call.file));
  return shownFigure(await database(), call.id ?? '');
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
    if (args[0] === 'import') {
      await importFile(args.slice(1));
      return 0;
    }
    const call = readCall(args);
    const { to, options, seconds } = call;
    const { bytes } = await worked('makeFile', { figure: await figureOf(call), to, options }, seconds);
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
