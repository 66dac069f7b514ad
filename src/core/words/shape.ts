/**
 * Text to outlines by a face: letters are substituted, joined and kerned as the face says, marks go with the letter that they are on, and what
 * is written from right to left stands so.
 *
 * @example
 * const made = shapeWords(faceOf(bytes), 'Gezeiten');
 * if (made.ok && made.value.missing.length === 0) show(made.value.run);
 */
import * as fontkit from 'fontkit';

import {
  type Contour,
  contoursOfPaths,
  cubic,
  line,
  mappedContours,
  ORIGIN,
  type Path,
  pathsOfContours,
  type Point,
  scaleMap,
  type Segment,
} from '@/core/curve';
import { failed, finding, ok, type Result } from '@/core/finding';
import { MERGED } from '@/core/merge';
import { NO_TURN } from '@/core/number';
import { MOST_CHARACTERS, type Letter, type Run } from './run';
import { stretchesOf } from './stretches';

export type Face = fontkit.Font;

/** A face of the bytes of a font file; a collection's first. Why there is none, where it cannot be read. */
export function faceOf(bytes: Uint8Array): Result<Face> {
  try {
    const made = fontkit.create(bytes as Parameters<typeof fontkit.create>[0]);
    const face = 'fonts' in made ? made.fonts[0] : made;
    return face && face.numGlyphs > 0 && face.unitsPerEm > 0 ? ok(face) : failed(finding('face.broken'));
  } catch {
    // The library says nothing better of what is no font.
    return failed(finding('face.broken'));
  }
}

/** A quadratic curve as the cubic that it is: degree elevation. */
const raised = (from: Point, over: Point, to: Point): Segment =>
  cubic(
    from,
    { x: from.x + (2 / 3) * (over.x - from.x), y: from.y + (2 / 3) * (over.y - from.y) },
    { x: to.x + (2 / 3) * (over.x - to.x), y: to.y + (2 / 3) * (over.y - to.y) },
    to,
  );

/** A glyph's outlines in ems, y down. */
function outlineOf(glyph: fontkit.Glyph, em: number): Contour[] {
  const paths: Path[] = [];
  let segments: Segment[] = [];
  let at: Point = { x: 0, y: 0 };
  let start = at;
  const close = (): void => {
    if (at.x !== start.x || at.y !== start.y) segments.push(line(at, start));
    if (segments.length > 1) paths.push({ segments, closed: true });
    segments = [];
  };
  for (const { command, args } of glyph.path.commands) {
    const points = Array.from({ length: args.length / 2 }, (_, k): Point => ({
      x: (args[2 * k] ?? 0) / em,
      y: 0 - (args[2 * k + 1] ?? 0) / em,
    }));
    const [a = at, b = at, c = at] = points;
    switch (command) {
      case 'moveTo':
        close();
        start = a;
        at = a;
        break;
      case 'lineTo':
        if (a.x !== at.x || a.y !== at.y) segments.push(line(at, a));
        at = a;
        break;
      case 'quadraticCurveTo':
        segments.push(raised(at, a, b));
        at = b;
        break;
      case 'bezierCurveTo':
        segments.push(cubic(at, a, b, c));
        at = c;
        break;
      case 'closePath':
        close();
        at = start;
        break;
    }
  }
  close();
  return contoursOfPaths(paths);
}

const moved = (contours: readonly Contour[], x: number, y: number): Contour[] =>
  x === 0 && y === 0 ? [...contours] : mappedContours(contours, { a: 1, b: 0, c: 0, d: 1, e: x, f: y });

/** How high capitals are, in ems: as a flat one is drawn, which is not always what the face says. */
function capitalsOf(face: Face): number {
  const [capital] = face.glyphsForString('H');
  const high = capital && capital.id !== 0 ? capital.bbox.maxY : face.capHeight;
  return high > 0 ? high / face.unitsPerEm : 0.7;
}

/** What is no letter by itself: spaces, and characters that only say how others stand. */
const UNSEEN = /[\s\p{Cf}\p{Variation_Selector}]/u;

/** The characters of a text that a face does not have, each once. */
const missingOf = (face: Face, text: string): string[] => [
  ...new Set(
    Array.from(text).filter(
      (letter) => !UNSEEN.test(letter) && !face.hasGlyphForCodePoint(letter.codePointAt(0) ?? 0),
    ),
  ),
];

/** Units of an em in which outlines are united: as large as those that most faces are drawn in. */
const EM = 1000;

/** A letter that is drawn in parts which lie over one another, as the one outline that it is seen as. */
function united(contours: readonly Contour[]): readonly Contour[] {
  if (contours.length < 2) return contours;
  const paths = pathsOfContours(mappedContours(contours, scaleMap(EM, ORIGIN)));
  const operand = { fold: 1, mirror: false, start: NO_TURN, shapes: [{ paths, rule: 'nonzero' as const }] };
  const made = MERGED.run({
    op: 'union',
    among: 'operands',
    outlineOnly: true,
    operands: [operand],
  });
  if (!made.ok) return contours;
  return mappedContours(contoursOfPaths(made.value.flat()), scaleMap(1 / EM, ORIGIN));
}

/** Letters stand apart on a ring: what a face melts together only for looks stays apart. */
const FEATURES = { liga: false, clig: false, dlig: false } as const;

/**
 * The outlines of a line of text.
 * @param edges what becomes of spaces before and after it
 * @returns the run, and the characters that the face does not have, each once
 */
export function shapeWords(
  face: Face,
  text: string,
  edges: 'trim' | 'keep' = 'trim',
): Result<{ run: Run; missing: string[] }> {
  const single = text.replace(/\s+/g, ' ');
  const said = edges === 'trim' ? single.trim() : single;
  if (said.trim() === '') return failed(finding('words.none'));
  if (said.length > MOST_CHARACTERS) return failed(finding('words.many', MOST_CHARACTERS));
  const em = face.unitsPerEm;
  const letters: Letter[] = [];
  const outlines: Contour[][] = [];
  const known = new Map<string, number>();
  const keep = (key: string, contours: Contour[]): number => {
    const before = known.get(key);
    if (before !== undefined) return before;
    known.set(key, outlines.length);
    outlines.push(contours);
    return outlines.length - 1;
  };
  for (const stretch of stretchesOf(said)) {
    const { glyphs, positions } = face.layout(stretch, FEATURES);
    let k = 0;
    while (k < glyphs.length) {
      // A letter and the marks that stand on it without going on: before it where one reads from the right.
      let key = '';
      let pen = 0;
      const contours: Contour[] = [];
      let isOver = false;
      while (k < glyphs.length && !isOver) {
        const [glyph, position] = [glyphs[k], positions[k]];
        if (!glyph || !position) break;
        const [x, y] = [(pen + position.xOffset) / em, (0 - position.yOffset) / em];
        contours.push(...moved(outlineOf(glyph, em), x, y));
        key += `${glyph.id},${x},${y};`;
        pen += position.xAdvance;
        k += 1;
        // Marks that follow belong to it.
        isOver = pen !== 0 && positions[k]?.xAdvance !== 0;
      }
      letters.push({ outline: contours.length > 0 ? keep(key, contours) : null, advance: pen / em });
    }
  }
  if (outlines.length === 0) return failed(finding('words.blank'));
  return ok({
    run: { letters, outlines: outlines.map(united), capHeight: capitalsOf(face) },
    missing: missingOf(face, said),
  });
}
