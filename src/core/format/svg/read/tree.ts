import { SaxesParser, type SaxesTagPlain } from 'saxes';

import type { Progress } from '@/core/derive';
import { UnreadableSvg } from './unreadable';

/** An element of a file, in the order of the text. */
export interface Element {
  /** Without its prefix. */
  readonly name: string;
  readonly attributes: Readonly<Record<string, string>>;
  readonly parent: Element | null;
  readonly children: Element[];
  /** Of style sheets and titles alone. */
  text: string;
  /** Of text alone: what it says and its elements, in the order in which they are read. */
  readonly content: (string | Element)[];
}

/** Elements in a file. */
const MOST_ELEMENTS = 200_000;
/** Elements within elements. */
const MOST_DEPTH = 200;
/** Characters that are read between two reports of progress. */
const PORTION = 100_000;
/** Elements whose text is made use of. */
const WITH_TEXT = new Set(['style', 'title']);
/** Elements of text, whose order counts. */
const IN_TEXT = new Set(['text', 'tspan', 'a']);

const localName = (name: string): string => name.replace(/^.*:/, '');

/**
 * The elements of an SVG text as a tree, under one that stands for the file. Nothing is run, loaded or looked up: entities of its own
 * are a mistake.
 * @param progress told how far it is, from 0 to 1
 * @throws UnreadableSvg
 */
export function readTree(text: string, progress?: Progress): Element {
  const top: Element = { name: '', attributes: {}, parent: null, children: [], text: '', content: [] };
  let open = top;
  let depth = 0;
  let elements = 0;
  const parser = new SaxesParser();
  const mistakes: Error[] = [];
  parser.on('error', (error) => {
    mistakes.push(error);
  });
  parser.on('opentag', (tag: SaxesTagPlain) => {
    if (mistakes.length > 0) return;
    elements += 1;
    depth += 1;
    if (elements > MOST_ELEMENTS)
      throw new UnreadableSvg(`The file has more than ${MOST_ELEMENTS} elements.`);
    const name = localName(tag.name);
    if (elements === 1 && name !== 'svg') throw new UnreadableSvg('This is not an SVG file.');
    if (depth > MOST_DEPTH)
      throw new UnreadableSvg(`The file has elements within elements more than ${MOST_DEPTH} deep.`);
    const element: Element = {
      name,
      attributes: tag.attributes,
      parent: open,
      children: [],
      text: '',
      content: [],
    };
    open.children.push(element);
    if (IN_TEXT.has(open.name)) open.content.push(element);
    open = element;
  });
  const takeText = (part: string): void => {
    if (WITH_TEXT.has(open.name)) open.text += part;
    if (IN_TEXT.has(open.name)) open.content.push(part);
  };
  parser.on('text', takeText);
  parser.on('cdata', takeText);
  parser.on('closetag', () => {
    depth -= 1;
    open = open.parent ?? top;
  });
  for (let at = 0; at < text.length && mistakes.length === 0; at += PORTION) {
    parser.write(text.slice(at, at + PORTION));
    progress?.(Math.min(text.length, at + PORTION) / text.length);
  }
  if (mistakes.length === 0) parser.close();
  const [mistake] = mistakes;
  if (mistake) throw new UnreadableSvg(`This is not well-formed SVG: ${mistake.message}`);
  if (elements === 0) throw new UnreadableSvg('The file is empty.');
  return top;
}

/** Every element below one, itself left out, in the order of the text. */
export function* below(element: Element): Generator<Element> {
  for (const child of element.children) {
    yield child;
    yield* below(child);
  }
}

/** The first element of each id. */
export function idsIn(top: Element): ReadonlyMap<string, Element> {
  const found = new Map<string, Element>();
  for (const element of below(top)) {
    const { id } = element.attributes;
    if (id !== undefined && !found.has(id)) found.set(id, element);
  }
  return found;
}

/** The id that a reference within the file names; null for what is elsewhere, which is never loaded. */
export const idIn = (reference: string | undefined): string | null =>
  /^\s*#(.+?)\s*$/.exec(reference ?? '')?.[1] ?? null;

export const hrefOf = ({ attributes }: Element): string | undefined =>
  attributes['href'] ?? attributes['xlink:href'];
