import { mapPath, type Path, pathsOfContours, polarOf } from '@/core/curve';
import { finding } from '@/core/finding';
import { degreesOf, radiansOf, turn, type Turn, turnFromDegrees } from '@/core/number';
import { alongTurn } from '@/core/symmetry';
import { START_WORDS, type Words } from '@/core/words';
import type { Maker } from './construction';

export type WordsParams = {
  readonly words: Words;
  readonly radius: number;
  /** They stand on the line, or hang below it. */
  readonly line: 'above' | 'below';
  /** Read from outside, their tops outward, their middle straight up; or from inside, their tops inward, their middle straight down. */
  readonly side: 'out' | 'in';
  readonly align: 'start' | 'middle' | 'spread';
  readonly sizeBy: 'height' | 'span';
  /** Of capitals. */
  readonly height: number;
  readonly span: Turn;
  /** Between letters, beside what the face has. */
  readonly spacing: number;
};

/** Where letters stand: all lengths in the figure's unit, along the base line's circle. */
interface Setting {
  /** Of the base line. */
  readonly radius: number;
  /** How large an em is. */
  readonly size: number;
  /** Between letters, all told. */
  readonly gap: number;
  /** From where the first begins to where the last ends. */
  readonly total: number;
}

const isWhole = (span: Turn): boolean => span.num === span.den;

/** What follows from the params: the arc's length is the span's angle times the radius of the base line. */
function settingOf({
  words,
  radius,
  line,
  side,
  align,
  sizeBy,
  height,
  span,
  spacing,
}: WordsParams): Setting {
  const { letters, capHeight } = words.run;
  const advance = letters.reduce((sum, letter) => sum + letter.advance, 0);
  // All the way round there is a gap after the last letter too.
  const gaps = letters.length - (isWhole(span) && (align === 'spread' || sizeBy === 'span') ? 0 : 1);
  const angle = radiansOf(span);
  // Hanging below the line, the base line is farther in, or seen from inside farther out, by as much as the capitals are high.
  const hangs = line === 'above' ? 0 : side === 'out' ? capHeight : -capHeight;
  const size =
    sizeBy === 'height' ? height / capHeight : (angle * radius - gaps * spacing) / (advance + angle * hangs);
  const base = radius - hangs * size;
  const free = angle * base - advance * size;
  const gap = align === 'spread' && gaps > 0 ? free / gaps : spacing;
  return { radius: base, size, gap, total: advance * size + (letters.length - 1) * gap };
}

const LONGEST = 2 * Math.PI * (1 + 1e-9);

/** A line of text on a circle about its origin: each letter stands upright on it. */
export const words: Maker<WordsParams> = {
  name: 'Words',
  originName: 'Centre',
  fields: [
    { key: 'words', label: 'Words', type: 'words' },
    { key: 'radius', label: 'Radius', type: 'length' },
    {
      key: 'side',
      label: 'Read from',
      type: 'choice',
      choices: [
        ['out', 'Outside'],
        ['in', 'Inside'],
      ],
    },
    {
      key: 'line',
      label: 'On the line',
      type: 'choice',
      choices: [
        ['above', 'Above'],
        ['below', 'Below'],
      ],
    },
    {
      key: 'sizeBy',
      label: 'Size by',
      type: 'choice',
      choices: [
        ['height', 'Height'],
        ['span', 'Span'],
      ],
    },
    { key: 'height', label: 'Capitals', type: 'length', when: ({ sizeBy }) => sizeBy === 'height' },
    {
      key: 'align',
      label: 'Set from',
      type: 'choice',
      choices: [
        ['start', 'Start'],
        ['middle', 'Middle'],
        ['spread', 'Spread'],
      ],
    },
    {
      key: 'span',
      label: 'Span',
      type: 'turn',
      when: ({ sizeBy, align }) => sizeBy === 'span' || align === 'spread',
    },
    {
      key: 'spacing',
      label: 'Spacing',
      type: 'length',
      mayBeZero: true,
      when: ({ align, sizeBy }) => align !== 'spread' || sizeBy === 'span',
    },
  ],
  start: {
    words: START_WORDS,
    radius: 60,
    line: 'above',
    side: 'out',
    align: 'middle',
    sizeBy: 'height',
    height: 8,
    span: turn(1, 2),
    spacing: 0,
  },
  problem: (params) => {
    const { radius, height, span, words: kept } = params;
    const { letters, outlines, capHeight } = kept.run;
    if (!(radius > 0) || !(height > 0)) return finding('words.size');
    if (!(span.num > 0) || span.num > span.den) return finding('words.span');
    const isKnown = letters.every(({ outline }) => outline === null || outline < outlines.length);
    if (!isKnown || !(capHeight > 0) || !letters.some(({ outline }) => outline !== null))
      return finding('words.blank');
    const setting = settingOf(params);
    if (!(setting.size > 0) || !(setting.radius > 0)) return finding('words.room');
    return setting.total / setting.radius > LONGEST ? finding('words.long') : null;
  },
  paths: (params) => {
    const { letters, outlines } = params.words.run;
    const { radius, size, gap, total } = settingOf(params);
    const isOut = params.side === 'out';
    let pen = params.align === 'start' ? 0 : -total / 2;
    return letters.flatMap(({ outline, advance }): Path[] => {
      const middle = pen + (advance * size) / 2;
      pen += advance * size + gap;
      const contours = outline === null ? [] : (outlines[outline] ?? []);
      // Seen from inside, one reads the other way round the circle.
      const angle = (isOut ? 1 : -1) * (middle / radius);
      const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
      const up = isOut ? -radius : radius;
      const [x, y] = [(-advance * size) / 2, up];
      return pathsOfContours(contours).map((path) =>
        mapPath(path, {
          a: size * cos,
          b: size * sin,
          c: -size * sin,
          d: size * cos,
          e: x * cos - y * sin,
          f: x * sin + y * cos,
        }),
      );
    });
  },
  partSizes: ({ words: { run } }) =>
    run.letters.flatMap(({ outline }) => (outline === null ? [] : [run.outlines[outline]?.length ?? 0])),
  extent: ({ radius }) => radius,
  reached: (params, extent) => ({ ...params, radius: extent }),
  isWithoutCorners: true,
  grips: (params) => {
    const { span, radius, side, sizeBy, align } = params;
    if (sizeBy !== 'span' && align !== 'spread') return [];
    const half = turn((side === 'out' ? 1 : -1) * span.num, 2 * span.den);
    const at = alongTurn(half, side === 'out' ? radius : -radius);
    return [
      {
        id: 'span',
        at,
        drag: (to) => {
          const { degrees } = polarOf(side === 'out' ? to : { x: to.x, y: -to.y });
          const wide = 2 * Math.abs(degrees > 180 ? degrees - 360 : degrees);
          return { span: turnFromDegrees(Math.min(360, Math.max(1, wide))) };
        },
      },
    ];
  },
  facts: (params) => {
    const { size, radius, total } = settingOf(params);
    return [
      { caption: 'Capitals', value: size * params.words.run.capHeight, as: 'length' },
      {
        caption: 'Takes',
        value: degreesOf(turnFromDegrees((total / radius) * (180 / Math.PI))),
        as: 'degrees',
      },
    ];
  },
};
