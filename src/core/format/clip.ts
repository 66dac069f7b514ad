import type { Work } from '@/core/derive';
import Joi from 'joi';
import { SaxesParser } from 'saxes';

import { boundsOfPaths } from '@/core/curve';
import {
  groupSchema,
  LIMITS,
  type Motif,
  resolvedShapes,
  type Shape,
  shapeSchema,
  treeProblem,
} from '@/core/figure';
import { pathsOfForm } from '@/core/maker';
import { type LengthUnit, NO_TURN } from '@/core/number';
import { escapeXml, svgOf } from './svg/svg';

/** Marks the part of an SVG file that holds its shapes as they are edited. */
const MARK = 'cyclogon-shapes';

const keptList = Joi.array<Shape[]>().items(shapeSchema).min(1).max(LIMITS.shapes).required();

/** A motif; of older texts shapes alone. */
const keptSchema = Joi.alternatives(
  Joi.object<Motif>({ shapes: keptList, groups: Joi.array().items(groupSchema).max(LIMITS.shapes) }),
  keptList,
);

/**
 * A motif for the clipboard: an SVG drawing that other programs can read, cut to what it shows, with the shapes and groups
 * themselves as metadata, so that numbers stay numbers when they come back.
 */
export function clipOf(motif: Motif, unit: LengthUnit, work: Work): string {
  const shapes = resolvedShapes(motif, work).filter(({ visible }) => visible);
  const widest = Math.max(0, ...shapes.map(({ paint }) => paint.stroke?.width ?? 0));
  const box = boundsOfPaths(shapes.flatMap(({ form }) => pathsOfForm(form, work)));
  const items = shapes.map(({ id, form, paint, rule }) => ({
    origin: { of: 'shape', shapeId: id } as const,
    paths: pathsOfForm(form, work),
    paint,
    rule,
    mirrored: false,
  }));
  const svg = svgOf(
    {
      page: {
        width: box.right - box.left + widest || 1,
        height: box.bottom - box.top + widest || 1,
        unit,
        background: null,
        bleed: 0,
        centre: { x: -(box.left + box.right) / 2, y: -(box.top + box.bottom) / 2 },
      },
      layers: [{ roundId: '', copies: [{ turn: NO_TURN }], items }],
    },
    { form: 'plain', decimals: 6, background: false },
  );
  const kept = `  <metadata id="${MARK}">${escapeXml(JSON.stringify(motif))}</metadata>\n`;
  return svg.replace('</svg>', `${kept}</svg>`);
}

/** The text of the element that holds shapes as they are edited; null where there is none. */
function keptText(svg: string): string | null {
  let inside = false;
  // What is not ours is looked for before a large text is read twice.
  if (!svg.includes(MARK)) return null;
  let text: string | null = null;
  const parser = new SaxesParser();
  parser.on('opentag', ({ name, attributes }) => {
    if (name === 'metadata' && attributes['id'] === MARK) inside = true;
  });
  parser.on('text', (part) => {
    if (inside) text = (text ?? '') + part;
  });
  parser.on('closetag', () => {
    inside = false;
  });
  parser.on('error', () => undefined);
  parser.write(svg).close();
  return text;
}

/** The motif in an SVG text of ours, as it was; null in any other. */
export function motifOfClip(svg: string): Motif | null {
  const text = keptText(svg);
  if (text === null) return null;
  try {
    const result = keptSchema.validate(JSON.parse(text), { convert: false });
    if (result.error) return null;
    const motif = Array.isArray(result.value) ? { shapes: result.value } : result.value;
    return treeProblem(motif) === null ? motif : null;
  } catch {
    return null;
  }
}

export const isSvgText = (text: string): boolean => /^\s*(<\?xml|<!--|<!DOCTYPE svg|<svg[\s>])/i.test(text);
