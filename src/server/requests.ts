import Joi from 'joi';

import { type Figure, type FigurePart, LIMITS, partOfWord } from '@/core/figure';
import { FORMAT_IDS, formatOf, optionRules } from '@/core/format';
import {
  MOTIF_SET,
  SORTS,
  type MotifSet,
  type SaveRequest,
  type ShelfChange,
  type ShelfQuery,
  type StateRef,
} from '@/protocol';
import type { FileRequest } from './jobs/makeFile';
import { valid } from './respond';
import type { MotifGiven } from './shelf/drawer';

/** Of a label or a collection's name, in characters. */
const MOST_LABEL = 60;
/** Figures that one request changes. */
const MOST_AT_ONCE = 5000;
/** Windows, one after the other, that had no answer to a save. */
const MOST_WINDOWS = 1000;

const name = Joi.string()
  .max(LIMITS.name)
  .custom((text: string, helpers) => (text.trim() === '' ? helpers.error('string.empty') : text.trim()))
  .label('name');

export const createSchema = Joi.object<{ name?: string; figure?: Figure }>({
  name,
  // Checked by checkFigure, which says more of what is wrong.
  figure: Joi.object().unknown(),
}).oxor('name', 'figure');

/** Words to be set; how many there may be is said by who sets them. */
export const wordsSchema = Joi.object<{ text: string; face: string; part: boolean }>({
  text: Joi.string().allow('').max(2000).required().label('text'),
  face: Joi.string().max(60).required().label('face'),
  part: Joi.boolean().default(false),
});

const id = Joi.string().max(40);

export const listSchema = Joi.object<ShelfQuery & { from: number; count: number }>({
  search: Joi.string().allow('').max(200).default(''),
  collection: id,
  label: Joi.string().max(MOST_LABEL),
  sort: Joi.valid(...SORTS).default('changed'),
  binned: Joi.boolean().truthy('1').falsy('0').default(false),
  from: Joi.number().integer().min(0).max(1e9).default(0),
  count: Joi.number().integer().min(1).max(500).default(100),
});

const trimmed = (most: number): Joi.StringSchema =>
  Joi.string()
    .max(most)
    .custom((text: string, helpers) => (text.trim() === '' ? helpers.error('string.empty') : text.trim()));

const ids = Joi.array().items(id).min(1).max(MOST_AT_ONCE).required();

/** What is done to several figures. */
export const changeSchema = Joi.object<ShelfChange>({
  do: Joi.valid('bin', 'putBack', 'duplicate', 'destroy', 'label', 'unlabel', 'collect').required(),
  ids,
  label: Joi.when('do', {
    is: Joi.valid('label', 'unlabel'),
    then: trimmed(MOST_LABEL).label('label').required(),
    otherwise: Joi.forbidden(),
  }),
  collection: Joi.when('do', { is: 'collect', then: id.allow(null).required(), otherwise: Joi.forbidden() }),
});

export const collectionSchema = Joi.object<{ name: string }>({
  name: trimmed(MOST_LABEL).label('name').required(),
});

const motif = {
  name: name.required(),
  labels: Joi.array().items(trimmed(MOST_LABEL)).max(20).required(),
  // Checked by checkFigure, which says more of what is wrong.
  figure: Joi.object().unknown().required(),
};
export const motifSchema = Joi.object<MotifGiven>(motif);
export const motifChangeSchema = Joi.object<Partial<MotifGiven>>(motif)
  .fork(['name', 'labels', 'figure'], (rule) => rule.optional())
  .min(1);
export const motifSetSchema = Joi.object<MotifSet>({
  format: Joi.valid(MOTIF_SET)
    .required()
    .messages({ 'any.only': 'This is no file of motifs', 'any.required': 'This is no file of motifs' }),
  version: Joi.valid(1).required().messages({ 'any.only': 'This file of motifs is of a newer Cyclogon' }),
  motifs: Joi.array().items(Joi.object(motif)).min(1).max(5000).required(),
});

export const windowSchema = Joi.object<{ window: string }>({ window: id.required() });

export const renameSchema = Joi.object<{ name: string }>({ name: name.required() });

const position = Joi.number().integer().min(0).max(1e9);

const MOST_CHANGES = 200_000;
const change = Joi.object({
  op: Joi.valid('add', 'remove', 'replace').required(),
  path: Joi.array()
    .items(Joi.string().invalid('__proto__', 'constructor', 'prototype'), Joi.number().integer().min(0))
    .max(40)
    .required(),
  value: Joi.any(),
});

const count = Joi.number().integer().min(1);

export const saveSchema = Joi.object<SaveRequest>({
  base: Joi.number().integer().min(1).required(),
  by: Joi.object({ window: id.required(), number: count.required() }),
  unanswered: Joi.array()
    .items(Joi.object({ window: id.required(), from: count.required(), to: count.required() }))
    .max(MOST_WINDOWS),
  step: position.required(),
  steps: Joi.array()
    .items(
      Joi.object({
        position: position.required(),
        label: Joi.string().max(200).required(),
        // Checked by checkFigure, once what changed is put to what is stored.
        figure: Joi.object().unknown(),
        patch: Joi.array().items(change).max(MOST_CHANGES),
      }).xor('figure', 'patch'),
    )
    .max(500)
    .required(),
});

/** A state of a figure, and a name for what is made of it. */
const state = { step: position, version: id };
export const versionSchema = Joi.object<StateRef & { name: string }>({
  ...state,
  name: name.required(),
}).oxor('step', 'version');
export const copySchema = Joi.object<StateRef & { name?: string }>({ ...state, name }).oxor(
  'step',
  'version',
);
export const stateSchema = Joi.object<StateRef>(state).oxor('step', 'version');

export const stepsSchema = Joi.object<{ before: number; count: number }>({
  before: position.required(),
  count: Joi.number().integer().min(1).max(200).default(50),
});

/** Of every export, whatever its format. */
const SHARED = {
  to: Joi.valid(...FORMAT_IDS).required(),
  download: Joi.boolean().truthy('1', 'yes').falsy('0', 'no').default(false),
  /** The state that it is of; as it is without either. */
  step: position,
  version: id,
  /** Which one is meant, so that the answer may be kept: a revision, or the time at which a step was made. */
  revision: Joi.number().integer(),
  made: Joi.string().max(40),
  /** For a card on the Shelf: made when nothing else is, and given up sooner. */
  card: Joi.boolean().truthy('1').falsy('0').default(false),
  /** Of the figure only this. */
  part: Joi.string()
    .max(100_000)
    .custom((word: string, helpers) => partOfWord(word) ?? helpers.error('any.invalid')),
};

/** A file that an address asks for. */
interface ExportRequest extends Omit<FileRequest, 'figure' | 'pictures'> {
  readonly state: StateRef;
  readonly made?: string;
  readonly download: boolean;
  readonly card: boolean;
  /** Of the figure only this. */
  readonly part?: FigurePart;
  readonly revision?: number;
}

/** What an address asks for. @throws Joi.ValidationError */
interface ProofAsked {
  readonly target: string | null;
  readonly as: 'json' | 'pdf';
}

const proofAsked = Joi.object<ProofAsked>({
  target: Joi.string().max(120).default(null),
  as: Joi.valid('json', 'pdf').default('json'),
});

/** What is asked of a proof. @throws Refused */
export const proofOf = (parameters: URLSearchParams): ProofAsked =>
  valid(proofAsked, Object.fromEntries(parameters), 'address');

export function exportOf(parameters: URLSearchParams): ExportRequest {
  const asked = Object.fromEntries(parameters);
  const format = formatOf(asked['to'] ?? '');
  const schema = Joi.object<Omit<ExportRequest, 'options' | 'state'> & StateRef>({
    ...SHARED,
    ...(format && optionRules(format)),
  });
  const { to, download, card, revision, made, step, version, part, ...options } = valid(
    schema,
    asked,
    'address',
  );
  return {
    to,
    download,
    card,
    options,
    state: { ...(step !== undefined && { step }), ...(version !== undefined && { version }) },
    ...(made !== undefined && { made }),
    ...(part && { part }),
    ...(revision !== undefined && { revision }),
  };
}
