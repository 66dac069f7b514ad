/**
 * Which properties an element has: those of its attributes, over them those of style sheets, over them its own style; what is marked as
 * important is over all (CSS Cascading and Inheritance Level 4, section 6; SVG 2, section 6.4, for attributes).
 *
 * @example
 * const properties = propertiesIn(readTree(text), leftOuts);
 * properties(element).get('fill');
 */
import { compile, type Options } from 'css-select';
import { generate, parse, type Declaration, type Rule, type StyleSheet } from 'css-tree';

import type { LeftOuts } from '../../drawing/leftOut';
import { below, type Element } from './tree';
import { UnreadableSvg } from './unreadable';

interface Declared {
  readonly property: string;
  readonly value: string;
  readonly important: boolean;
}

interface StyleRule {
  readonly matches: (element: Element) => boolean;
  readonly specificity: number;
  readonly declared: readonly Declared[];
}

/** Elements that are tried against rules. */
const MOST_TRIES = 5_000_000;

const ADAPTER: NonNullable<Options<Element, Element>['adapter']> = {
  isTag: (node): node is Element => node.name !== '',
  getAttributeValue: ({ attributes }, name) => attributes[name],
  hasAttrib: ({ attributes }, name) => attributes[name] !== undefined,
  getChildren: ({ children }) => children,
  getName: ({ name }) => name,
  getParent: ({ parent }) => parent,
  getSiblings: (node) => node.parent?.children ?? [node],
  getText: ({ text }) => text,
  removeSubsets: (nodes) => nodes,
};

const declaredOf = ({ property, value, important }: Declaration): Declared => ({
  property: property.toLowerCase(),
  value: generate(value).trim(),
  important: important !== false,
});

/** Declarations of a `style` attribute; what breaks the grammar is passed over, as CSS has it. */
function inlineOf(style: string): Declared[] {
  const list = parse(style, { context: 'declarationList', onParseError: () => undefined });
  if (list.type !== 'DeclarationList') return [];
  return [...list.children].flatMap((each) => (each.type === 'Declaration' ? [declaredOf(each)] : []));
}

/** Ids, then classes, attributes and pseudo-classes, then types: as one number (Selectors Level 4, section 17). */
function specificityOf(selector: string): number {
  const ids = selector.match(/#[\w-]+/g)?.length ?? 0;
  const classes = selector.match(/\.[\w-]+|\[[^\]]*\]|(?<!:):(?!:)[\w-]+/g)?.length ?? 0;
  const types = selector.match(/(?<![\w.#:[-])[a-zA-Z][\w-]*/g)?.length ?? 0;
  return ids * 1_000_000 + classes * 1000 + types;
}

function rulesOf({ prelude, block }: Rule, left: LeftOuts): StyleRule[] {
  if (prelude.type !== 'SelectorList') return [];
  const declared = [...block.children].flatMap((each) =>
    each.type === 'Declaration' ? [declaredOf(each)] : [],
  );
  return [...prelude.children].flatMap((each): StyleRule[] => {
    const selector = generate(each);
    try {
      const matches = compile<Element, Element>(selector, {
        adapter: ADAPTER,
        xmlMode: true,
        cacheResults: false,
      });
      return [{ matches, specificity: specificityOf(selector), declared }];
    } catch {
      left.add('style rule');
      return [];
    }
  });
}

/** The rules of a style sheet that hold on a screen; nothing that it names elsewhere is loaded. */
function sheetRules(sheet: StyleSheet, left: LeftOuts): StyleRule[] {
  return [...sheet.children].flatMap((each): StyleRule[] => {
    if (each.type === 'Rule') return rulesOf(each, left);
    if (each.type !== 'Atrule') return [];
    if (
      each.name === 'media' &&
      each.block &&
      /^(all|screen)?$/.test(each.prelude ? generate(each.prelude) : '')
    )
      return [...each.block.children].flatMap((inner) => (inner.type === 'Rule' ? rulesOf(inner, left) : []));
    if (each.name === 'import') left.add('style sheet elsewhere');
    if (each.name === 'font-face') left.add('font');
    if (each.name === 'keyframes') left.add('animation');
    return [];
  });
}

function rulesIn(top: Element, left: LeftOuts): StyleRule[] {
  const rules = [...below(top)].flatMap((element) => {
    if (element.name !== 'style') return [];
    const sheet = parse(element.text, { onParseError: () => left.add('style rule') });
    return sheet.type === 'StyleSheet' ? sheetRules(sheet, left) : [];
  });
  // Of two that say the same the later one counts: the sort keeps their order.
  return rules.sort((a, b) => a.specificity - b.specificity);
}

/**
 * Tells the properties of elements of a tree.
 * @throws UnreadableSvg where there are too many rules for so many elements
 */
export function propertiesIn(
  top: Element,
  left: LeftOuts,
): (element: Element) => ReadonlyMap<string, string> {
  const rules = rulesIn(top, left);
  const known = new Map<Element, ReadonlyMap<string, string>>();
  let tries = 0;
  return (element) => {
    const before = known.get(element);
    if (before) return before;
    tries += rules.length;
    if (tries > MOST_TRIES)
      throw new UnreadableSvg('The file has too many style rules for so many elements.');
    const matching = rules.filter(({ matches }) => matches(element)).flatMap(({ declared }) => declared);
    const own = element.attributes['style'] === undefined ? [] : inlineOf(element.attributes['style']);
    const all = [...matching, ...own];
    const made = new Map(Object.entries(element.attributes));
    for (const important of [false, true])
      for (const each of all) if (each.important === important) made.set(each.property, each.value);
    known.set(element, made);
    return made;
  };
}
