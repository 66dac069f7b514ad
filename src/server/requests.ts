import Joi from 'joi';

import { partOfWord, type FigurePart } from '../core/figure/part';
import { LIMITS, type Figure } from '../core/figure/model';
import { FORMAT_IDS, formatOf } from '../core/format/formats';
import { optionRules } from '../core/format/format';
import type { SaveRequest } from '../wire';
import type { FileRequest } from './jobs/makeFile';
import { valid } from './respond';

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

export const listSchema = Joi.object<{ search: string; from: number; count: number }>({
  search: Joi.string().allow('').max(200).default(''),
  from: Joi.number().integer().min(0).max(1e9).default(0),
  count: Joi.number().integer().min(1).max(500).default(100),
});

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

export const saveSchema = Joi.object<SaveRequest>({
  base: Joi.number().integer().min(1).required(),
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

export const stepsSchema = Joi.object<{ before: number; count: number }>({
  before: position.required(),
  count: Joi.number().integer().min(1).max(200).default(50),
});

/** Of every export, whatever its format. */
const SHARED = {
  to: Joi.valid(...FORMAT_IDS).required(),
  download: Joi.boolean().truthy('1', 'yes').falsy('0', 'no').default(false),
  revision: Joi.number().integer(),
  /** For a card on the Shelf: made when nothing else is, and given up sooner. */
  card: Joi.boolean().truthy('1').falsy('0').default(false),
  /** Of the figure only this. */
  part: Joi.string()
    .max(100_000)
    .custom((word: string, helpers) => partOfWord(word) ?? helpers.error('any.invalid')),
};

/** A file that an address asks for. */
interface ExportRequest extends Omit<FileRequest, 'figure' | 'pictures'> {
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
  const schema = Joi.object<Omit<ExportRequest, 'options'>>({
    ...SHARED,
    ...(format && optionRules(format)),
  });
  const { to, download, card, revision, part, ...options } = valid(schema, asked, 'address');
  return {
    to,
    download,
    card,
    options,
    ...(part && { part }),
    ...(revision !== undefined && { revision }),
  };
}
