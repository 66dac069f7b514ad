/**
 * Text in an SVG as outlines: what is said where, which faces that ship stand in for the file's own, and where the letters go. The outlines
 * themselves come from who has the faces (see core/words).
 *
 * @example
 * const wanted = wantedLetters(svg);                       // lines of text and the faces that they want
 * const letters = new Map(wanted.map((each) => [keyOfLetters(each), shape(each)]));
 * readDrawing(svg, 'page', letters);
 */
import { mappedContours, type Path, pathsOfContours } from '@/core/curve';
import type { Run } from '@/core/words';
import { LeftOuts } from '../../drawing/leftOut';
import { lengthIn, numbersIn } from './lengths';
import { propertiesIn } from './styles';
import { below, readTree, type Element } from './tree';
import { UnreadableSvg } from './unreadable';

/** A line of text and the face that it is set in. */
export interface WantedLetters {
  readonly text: string;
  readonly face: string;
}

/** The outlines of lines of text, by `keyOfLetters`. */
export type Letters = ReadonlyMap<string, Run>;

export const NO_LETTERS: Letters = new Map();

export const keyOfLetters = ({ text, face }: WantedLetters): string => `${face} ${text}`;

/** More lines of text than this are not set. */
const MOST_LINES = 2000;

/** Properties of text that an element hands on to those inside it. */
export const TEXT_INHERITED = [
  'font-size',
  'font-family',
  'text-anchor',
  'letter-spacing',
  'white-space',
] as const;

type Properties = ReadonlyMap<string, string>;

/** A stretch of text in one look, with what it says of its place. */
export interface TextPiece {
  readonly text: string;
  readonly face: string;
  readonly size: number;
  readonly spacing: number;
  readonly anchor: string;
  /** Where it begins, where it says so; else where the one before ended. */
  readonly x: number | null;
  readonly y: number | null;
  readonly dx: number;
  readonly dy: number;
  /** The element that it lies in. */
  readonly element: Element;
}

const ARABIC = /\p{Script=Arabic}/u;

/** The face that ships and is nearest to those that a file names. */
function faceFor(family: string | undefined, text: string): string {
  if (ARABIC.test(text)) return 'amiri';
  const named = (family ?? '').toLowerCase();
  const isSerif = /(?:^|[^-])serif|times|georgia|garamond|roman/.test(named) && !/sans/.test(named);
  return isSerif ? 'playfair-display' : 'rubik';
}

/** How large text is of which nothing is said (CSS: medium), in the user's unit. */
export const START_SIZE = 16;

/** How large an em is, in the user's unit. */
export function sizeOf(text: string | undefined, outer: number): number {
  const said = text?.trim() ?? '';
  const relative = /^(-?[\d.]+)(em|%)$/.exec(said);
  if (relative) return Number(relative[1]) * (relative[2] === '%' ? outer / 100 : outer);
  if (!/^[-+.\d]/.test(said)) return outer;
  const size = lengthIn(said, outer, 'size of text');
  return size >= 0 ? size : outer;
}

interface Look {
  readonly properties: Properties;
  readonly size: number;
}

const NAMES = new Set(['text', 'tspan', 'a']);

/** The pieces of a `text` element, in the order in which they are read; spaces between words are one each. */
export function piecesOf(
  element: Element,
  properties: (element: Element) => Properties,
  outer: Properties,
): TextPiece[] {
  const pieces: TextPiece[] = [];
  let endsInSpace = true;
  const visit = (each: Element, look: Look): void => {
    const own = properties(each);
    const inherited = TEXT_INHERITED.flatMap((key) => {
      const value = own.get(key);
      return value === undefined || value === 'inherit' ? [] : [[key, value] as const];
    });
    const all = new Map([...look.properties, ...inherited]);
    // What the text itself says of its size is in what is handed to it.
    const said = each === element ? undefined : own.get('font-size');
    const size = sizeOf(said, look.size);
    const first = (key: string): number | null => numbersIn(own.get(key))[0] ?? null;
    let place = { x: first('x'), y: first('y'), dx: first('dx') ?? 0, dy: first('dy') ?? 0 };
    for (const part of each.content) {
      if (typeof part !== 'string') {
        if (NAMES.has(part.name)) visit(part, { properties: all, size });
        continue;
      }
      const text = part.replace(/\s+/g, ' ').replace(endsInSpace ? /^ / : /$^/, '');
      if (text === '') continue;
      endsInSpace = text.endsWith(' ');
      pieces.push({
        text,
        face: faceFor(all.get('font-family'), text),
        size,
        spacing: lengthIn(all.get('letter-spacing')?.replace('normal', '0'), size, 'spacing of letters'),
        anchor: all.get('text-anchor') ?? 'start',
        ...place,
        element: each,
      });
      place = { x: null, y: null, dx: 0, dy: 0 };
    }
  };
  visit(element, { properties: outer, size: sizeOf(outer.get('font-size'), START_SIZE) });
  return pieces;
}

/** What of a piece is set, with the spaces around it; of spaces alone nothing is. */
const linesIn = ({ text, face }: TextPiece): WantedLetters[] => (text.trim() === '' ? [] : [{ text, face }]);

/** How wide a space is that stands alone, in ems (common practice: a quarter). */
const SPACE = 0.25;

const advanceOf = ({ letters }: Run): number => letters.reduce((sum, { advance }) => sum + advance, 0);

/** A piece with its outlines where it lies. */
export interface SetPiece {
  readonly piece: TextPiece;
  readonly paths: readonly Path[];
}

/** Pieces in a row that begin where one says so, and are anchored as one (SVG 2, "Text chunks"). */
function chunksOf(pieces: readonly TextPiece[]): TextPiece[][] {
  const chunks: TextPiece[][] = [];
  for (const piece of pieces) {
    const last = chunks[chunks.length - 1];
    if (last && piece.x === null && piece.y === null) last.push(piece);
    else chunks.push([piece]);
  }
  return chunks;
}

/** Where all letters of pieces go; what is not among the outlines is left out. */
export function setPieces(pieces: readonly TextPiece[], letters: Letters): SetPiece[] {
  let at = { x: 0, y: 0 };
  return chunksOf(pieces).flatMap((chunk) => {
    const widths = chunk.map(({ text, face, size, spacing }) => {
      const run = letters.get(keyOfLetters({ text, face }));
      const wide = run ? advanceOf(run) * size + run.letters.length * spacing : 0;
      return { run, wide: text.trim() === '' ? SPACE * size : wide };
    });
    const [first] = chunk;
    const total = widths.reduce((sum, { wide }) => sum + wide, 0);
    const share = first?.anchor === 'middle' ? 0.5 : first?.anchor === 'end' ? 1 : 0;
    at = { x: (first?.x ?? at.x) - share * total, y: first?.y ?? at.y };
    return chunk.map((piece, k): SetPiece => {
      const { run, wide = 0 } = widths[k] ?? {};
      at = { x: at.x + piece.dx, y: at.y + piece.dy };
      let pen = at.x;
      const paths = (run?.letters ?? []).flatMap(({ outline, advance }): Path[] => {
        const contours = outline === null ? [] : (run?.outlines[outline] ?? []);
        const map = { a: piece.size, b: 0, c: 0, d: piece.size, e: pen, f: at.y };
        pen += advance * piece.size + piece.spacing;
        return pathsOfContours(mappedContours(contours, map));
      });
      at = { x: at.x + wide, y: at.y };
      return { piece, paths };
    });
  });
}

/** The lines of text in a file, each once; none where it cannot be read. */
export function wantedLetters(svg: string): readonly WantedLetters[] {
  if (!/<(?:[\w-]+:)?text[\s>]/.test(svg)) return [];
  try {
    const top = readTree(svg);
    const properties = propertiesIn(top, new LeftOuts());
    const wanted = new Map<string, WantedLetters>();
    for (const element of below(top)) {
      if (element.name !== 'text') continue;
      for (const line of piecesOf(element, properties, handedDown(element, properties)).flatMap(linesIn))
        wanted.set(keyOfLetters(line), line);
    }
    return [...wanted.values()].slice(0, MOST_LINES);
  } catch (error) {
    // Why is said when it is read for what it draws.
    if (error instanceof UnreadableSvg) return [];
    throw error;
  }
}

/** The text properties that the elements round one hand on to it. */
function handedDown(element: Element, properties: (element: Element) => Properties): Properties {
  const all = new Map<string, string>();
  for (let each = element.parent; each; each = each.parent)
    for (const key of TEXT_INHERITED) {
      const value = properties(each).get(key);
      if (value !== undefined && value !== 'inherit' && !all.has(key)) all.set(key, value);
    }
  return all;
}
