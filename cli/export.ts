import { mkdir, rename, rm, stat, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { parseArgs } from 'node:util';

import { parse } from 'csv-parse/sync';

import { STRAIGHT } from '@/core/derive';
import type { Figure } from '@/core/figure';
import { readFigure } from '@/core/format/figure';
import {
  fileName,
  type Format,
  FORMAT_IDS,
  formatOf,
  FORMATS,
  type OptionField,
  type Options,
  type OptionValue,
} from '@/core/format';
import { type Setting, withAllSet } from '@/core/trial';
import { database, listFigures, picturesOf, shownFigure, sound } from '@/server';
import type { Took } from '@/server/jobs';
import { MOST_TIME_LIMIT, overAll, TIME_LIMIT, TIME_LIMIT_USAGE, worked } from './aside';
import { readText, understood, wholeNumber, WrongCall } from './call';

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
  field.type !== 'choice' || field.wordMeans === undefined;

/** What follows a word, for the help. */
const valueIn = (field: OptionField<Options>): string =>
  field.type === 'count'
    ? ' N'
    : field.type === 'rounds'
      ? ' NAMES'
      : takesValue(field)
        ? ` ${field.choices.map(([value]) => String(value)).join('|')}`
        : '';

const optionLines = [...OPTIONS].map(([word, { field, names, start }]) => {
  const range = field.type === 'count' ? `, ${field.least} to ${field.most} (${String(start)})` : '';
  return `  ${`--${word}${valueIn(field)}`.padEnd(16)} ${names.join(', ')}: ${field.help}${range}`;
});

export const EXPORT_USAGE = `Usage: cyclogon export (FIGURE.json … | --id ID … | --all) --to ${FORMAT_NAMES}[,…] [options]

  --id ID          a figure of the data directory (CYCLOGON_DATA, or ./data); again for another
  --all            every figure of the Shelf
  --out FILE|DIR   where to write, a directory for several files; without it one file goes to standard output
  --set NAME=V     sets a number or choice of the figures first: fold=16, hub.petal.width=2mm; again for another
  --csv FILE       writes each figure once for each line: names in the first line, values below, what it is called under “name”
${TIME_LIMIT_USAGE}
${optionLines.join('\n')}
                   --size may name several, as 64,128,512`;

/** A format in which every figure is written, with its options. */
interface Wanted {
  readonly format: Format;
  readonly options: Options;
  /** What tells it from the same format in another size. */
  readonly mark: string;
}

interface Call {
  readonly files: readonly string[];
  readonly ids: readonly string[];
  readonly all: boolean;
  readonly out: string | null;
  readonly settings: readonly Setting[];
  /** A file with settings, a line each. */
  readonly csv: string | null;
  readonly wanted: readonly Wanted[];
  /** How long each file may take. */
  readonly seconds: number;
}

/** Ids may begin with a dash, which an option's value of its own may not. */
const withJoinedIds = (args: readonly string[]): string[] =>
  args.flatMap((arg, k) =>
    arg === '--id' ? [`--id=${args[k + 1] ?? ''}`] : args[k - 1] === '--id' ? [] : [arg],
  );

const textOf = (value: unknown): string | null => (typeof value === 'string' ? value : null);

function readCall(args: string[]): Call {
  const parsed = understood(() =>
    parseArgs({
      args: withJoinedIds(args),
      allowPositionals: true,
      options: {
        to: { type: 'string' },
        id: { type: 'string', multiple: true },
        all: { type: 'boolean', default: false },
        out: { type: 'string' },
        set: { type: 'string', multiple: true },
        csv: { type: 'string' },
        'time-limit': { type: 'string' },
        ...Object.fromEntries(
          [...OPTIONS].map(([word, { field }]) => [
            word,
            { type: takesValue(field) ? 'string' : 'boolean' } as const,
          ]),
        ),
      },
    }),
  );
  const { values, positionals: files } = parsed;
  const given = values as Readonly<Record<string, unknown>>;
  const ids = Array.isArray(given['id']) ? given['id'].map(String) : [];
  const all = given['all'] === true;
  if ([files.length > 0, ids.length > 0, all].filter(Boolean).length !== 1)
    throw new WrongCall('Name figures in one way: files, stored ones with --id, or --all.');
  return {
    files,
    ids,
    all,
    out: textOf(given['out']),
    settings: (Array.isArray(given['set']) ? given['set'].map(String) : []).map(settingOf),
    csv: textOf(given['csv']),
    wanted: wantedIn(textOf(given['to']) ?? '', given),
    seconds: wholeNumber(
      textOf(given['time-limit']) ?? undefined,
      '--time-limit',
      1,
      MOST_TIME_LIMIT,
      TIME_LIMIT,
    ),
  };
}

/** `fold=16` as a name and a value. @throws WrongCall */
function settingOf(text: string): Setting {
  const [, name, value] = /^([^=]+)=(.*)$/s.exec(text) ?? [];
  if (!name || !value) throw new WrongCall(`--set wants NAME=VALUE, not “${text}”.`);
  return [name.trim(), value.trim()];
}

/** The formats of a call, and of pictures of pixels each size. @throws WrongCall */
function wantedIn(to: string, values: Readonly<Record<string, unknown>>): Wanted[] {
  const names = [...new Set(to.split(',').filter((each) => each !== ''))];
  if (names.length === 0) throw new WrongCall(`--to is missing: ${FORMAT_NAMES}.`);
  const sizes = [...new Set((textOf(values['size']) ?? '').split(',').filter((each) => each !== ''))];
  return names.flatMap((name): Wanted[] => {
    const format = formatOf(name);
    if (!format) throw new WrongCall(`--to is ${FORMAT_NAMES}, not “${name}”.`);
    const isSized = format.fields.some(({ word }) => word === 'size');
    if (!isSized || sizes.length < 2) return [{ format, options: optionsIn(format, values), mark: '' }];
    return sizes.map((size) => ({
      format,
      options: optionsIn(format, { ...values, size }),
      mark: `-${size}`,
    }));
  });
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
    if (field.type === 'rounds') return [field.key, typed ?? ''];
    return [field.key, wholeNumber(typed, `--${field.word}`, field.least, field.most, Number(start))];
  });
  return Object.fromEntries(chosen);
}

/** A figure of a call, which is read when its turn comes: a Shelf may have more of them than memory has room for. */
interface Source {
  readonly name: string;
  readonly load: () => Promise<Figure>;
}

const known = (figure: Figure): Source => ({ name: figure.name, load: () => Promise.resolve(figure) });

/** What one line of a table sets, and what its figure is called; null where it does not say. */
interface Line {
  readonly name: string | null;
  readonly settings: readonly Setting[];
}

/** The column that names figures. */
const NAME_COLUMN = 'name';

/** The lines of a table of settings. @throws Error with a sentence */
async function linesOf(file: string): Promise<Line[]> {
  const text = await readText(file);
  const rows = ((): Record<string, string>[] => {
    try {
      return parse(text, { columns: true, bom: true, trim: true, skip_empty_lines: true });
    } catch (error) {
      const reason = error instanceof Error ? error.message : 'it is no table.';
      throw new Error(`“${file}” cannot be read: ${reason}`, { cause: error });
    }
  })();
  if (rows.length === 0) throw new Error(`“${file}” has no line below the names.`);
  return rows.map(({ [NAME_COLUMN]: name, ...rest }) => ({
    name: name === undefined || name === '' ? null : name,
    // What is left empty stays as it is.
    settings: Object.entries(rest).filter(([, value]) => value !== ''),
  }));
}

/** A figure with settings, under a name that tells them. */
function withLine({ name, load }: Source, { name: own, settings }: Line, others: readonly Setting[]): Source {
  const said = settings.map(([key, value]) => `${key} ${value}`).join(' ');
  return {
    name: own ?? (said === '' ? name : `${name} ${said}`),
    load: async () => {
      const made = withAllSet(await load(), [...others, ...settings], STRAIGHT);
      if (!made.ok) throw new Error(made.finding.sentence);
      return made.value;
    },
  };
}

/** The figures of a call with what it sets, each once for each line of its table. */
async function setSources(call: Call): Promise<Source[]> {
  const sources = await sourcesOf(call);
  if (call.settings.length === 0 && call.csv === null) return sources;
  const lines = call.csv === null ? [{ name: null, settings: [] }] : await linesOf(call.csv);
  return sources.flatMap((source) => lines.map((line) => withLine(source, line, call.settings)));
}

/** The figures of a call, in its order. */
async function sourcesOf({ files, ids, all }: Call): Promise<Source[]> {
  if (files.length > 0)
    return Promise.all(files.map(async (file) => known(sound(readFigure(await readText(file))))));
  const knex = await database();
  if (!all) return Promise.all(ids.map(async (id) => known(await shownFigure(knex, id))));
  return (await listFigures(knex)).map(({ id, name }) => ({ name, load: () => shownFigure(knex, id) }));
}

/** A file that is written, under a name that no other of the call has. */
interface Planned extends Wanted {
  readonly source: Source;
  readonly name: string;
}

function planned(sources: readonly Source[], wanted: readonly Wanted[]): Planned[] {
  const taken = new Set<string>();
  return sources.flatMap((source) =>
    wanted.map((each): Planned => {
      const plain = fileName(source.name, each.format);
      const named = (more: string): string => plain.replace(/(\.\w+)$/, `${each.mark}${more}$1`);
      let name = named('');
      for (let k = 2; taken.has(name); k += 1) name = named(`-${k}`);
      taken.add(name);
      return { ...each, source, name };
    }),
  );
}

/** Writes a file whole or not at all. */
async function written(file: string, bytes: Uint8Array): Promise<void> {
  const part = `${file}.${process.pid}.part`;
  try {
    await writeFile(part, bytes);
    await rename(part, file);
  } catch (error) {
    await rm(part, { force: true });
    throw error;
  }
}

/** What is at a place: a directory, a file, or nothing. */
async function kindAt(out: string): Promise<'directory' | 'file' | 'nothing'> {
  const found = await stat(out).catch(() => null);
  if (!found) return 'nothing';
  return found.isDirectory() ? 'directory' : 'file';
}

/** Writes figures as files, over all cores. @throws WrongCall, Refused, Error */
export async function exportFigures(args: string[]): Promise<void> {
  const call = readCall(args);
  const { out, seconds } = call;
  const plans = planned(await setSources(call), call.wanted);
  const made = async (
    { source, format, options }: Planned,
    measured?: (took: Took) => void,
  ): Promise<Uint8Array> => {
    const figure = await source.load();
    const isStored = call.files.length === 0;
    const pictures = isStored && format.id === 'json' ? await picturesOf(await database(), figure) : {};
    const asked = { figure, to: format.id, options, pictures };
    return (await worked('makeFile', asked, seconds, measured)).bytes;
  };
  const [only, another] = plans;
  if (!only) throw new Error('There is no figure on the Shelf.');
  const there = out === null ? 'nothing' : await kindAt(out);
  if (!another && !call.all && there !== 'directory') {
    const bytes = await made(only);
    if (out === null) process.stdout.write(bytes);
    else await written(out, bytes);
    return;
  }
  if (out === null) throw new WrongCall('Say with --out in which directory several files are written.');
  if (there === 'file') throw new Error(`“${out}” is a file: ${plans.length} files want a directory.`);
  await mkdir(out, { recursive: true });
  const { failure } = await overAll(
    'files',
    plans.map((plan) => ({
      name: plan.name,
      make: async (measured) => written(path.join(out, plan.name), await made(plan, measured)),
    })),
  );
  if (failure) throw failure;
}
