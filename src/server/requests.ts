import Joi from 'joi';

import { figureSchema } from '../core/figure/schema';
import { LIMITS, type Figure } from '../core/figure/model';
import { DEFAULT_SVG, MOST_DECIMALS } from '../core/format/svg';
import type { SaveRequest } from '../wire';
import type { ExportOptions } from './exportFigure';
import { LARGEST_PICTURE } from './raster';

const name = Joi.string().trim().min(1).max(LIMITS.name).label('name');

export const createSchema = Joi.object<{ name?: string; figure?: Figure }>({
  name,
  // Checked by checkFigure, which says more of what is wrong.
  figure: Joi.object().unknown(),
}).oxor('name', 'figure');

export const renameSchema = Joi.object<{ name: string }>({ name: name.required() });

const position = Joi.number().integer().min(0).max(1e9);

export const saveSchema = Joi.object<SaveRequest>({
  base: Joi.number().integer().min(1).required(),
  step: position.required(),
  steps: Joi.array()
    .items(
      Joi.object({
        position: position.required(),
        label: Joi.string().max(200).required(),
        figure: figureSchema.required(),
      }),
    )
    .max(500)
    .required(),
});

export const stepsSchema = Joi.object<{ before: number; count: number }>({
  before: position.required(),
  count: Joi.number().integer().min(1).max(200).default(50),
});

const flag = Joi.boolean().truthy('1', 'yes').falsy('0', 'no').default(true);

const exportSchema = Joi.object<{
  to: 'svg' | 'png';
  form: 'compact' | 'plain';
  decimals: number;
  reveal: boolean;
  background: boolean;
  size: number;
  download: boolean;
  revision?: number;
}>({
  to: Joi.valid('svg', 'png').required(),
  form: Joi.valid('compact', 'plain').default(DEFAULT_SVG.form),
  decimals: Joi.number().integer().min(0).max(MOST_DECIMALS).default(DEFAULT_SVG.decimals),
  reveal: flag.default(false),
  background: flag,
  size: Joi.number().integer().min(1).max(LARGEST_PICTURE).default(1024),
  download: flag.default(false),
  revision: Joi.number().integer(),
});

/** Export options from the parameters of an address. @throws Joi.ValidationError */
export function exportOptionsOf(parameters: URLSearchParams): { options: ExportOptions; download: boolean } {
  const result = exportSchema.validate(Object.fromEntries(parameters));
  if (result.error) throw result.error;
  const { to, form, decimals, reveal, background, size, download } = result.value;
  return {
    options: to === 'svg' ? { to, svg: { form, decimals, background, reveal } } : { to, size, background },
    download,
  };
}
