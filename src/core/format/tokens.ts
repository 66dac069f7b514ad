import Joi from 'joi';

import { failed, finding, ok, type Result } from '@/core/finding';
import { type ColourNames, MOST_COLOUR_NAME, type Palette, readColour } from '@/core/paint';
import type { Colour } from '@/core/scene';
import { LIMITS } from '@/core/figure';

/**
 * A palette as design tokens, in the JSON of the Design Tokens Format Module 2025.10 of the W3C's Design Tokens Community Group: a
 * group with a colour token for each by its name, components in sRGB from 0 to 1 and the hex digits beside them.
 */
export function tokensOf({ name, colours, names = {} }: Palette): string {
  const keys = keysOf(colours, names);
  const entries = colours.map((colour, k) => {
    const channel = (at: number): number =>
      Math.round((parseInt(colour.slice(at, at + 2), 16) / 255) * 1e6) / 1e6;
    const alpha = colour.length === 9 ? { alpha: channel(7) } : {};
    return [
      keys[k] ?? `colour-${k + 1}`,
      {
        $value: {
          colorSpace: 'srgb',
          components: [channel(1), channel(3), channel(5)],
          ...alpha,
          hex: colour.slice(0, 7),
        },
      },
    ] as const;
  });
  return `${JSON.stringify({ [tokenName(name)]: { $type: 'color', ...Object.fromEntries(entries) } }, null, 2)}\n`;
}

/** What the tokens of colours are called, each otherwise: their names, or how many they are. */
function keysOf(colours: readonly Colour[], names: ColourNames): string[] {
  const taken = new Set<string>();
  return colours.map((colour, k) => {
    const name = names[colour];
    const wanted = name === undefined ? `${UNNAMED}${k + 1}` : tokenName(name);
    let key = wanted;
    for (let n = 2; taken.has(key); n += 1) key = `${wanted} ${n}`;
    taken.add(key);
    return key;
  });
}

/** What a colour without a name is called in a file. */
const UNNAMED = 'colour-';

/** Names of tokens may not begin with $ nor hold braces or dots. */
const tokenName = (name: string): string =>
  name.replace(/[{}.]/g, ' ').replace(/^\$+/, '').trim() || 'Palette';

const MOST_BYTES = 1_000_000;

/** Digits of a colour, 0 to 255. */
const digits = (share: number): string =>
  Math.round(255 * Math.min(1, Math.max(0, share)))
    .toString(16)
    .padStart(2, '0');

const components = Joi.object({
  colorSpace: Joi.string().required(),
  components: Joi.array().items(Joi.number(), Joi.valid('none')).min(3).max(4).required(),
  alpha: Joi.number().min(0).max(1),
  hex: Joi.string(),
}).unknown(true);

/** A token's value as a colour: the object of 2025.10 or the string of the drafts before; null where it is none. */
function colourOfToken(value: unknown): Colour | null {
  if (typeof value === 'string') return readColour(value);
  const { error, value: read } = components.validate(value) as {
    error?: unknown;
    value: { colorSpace: string; components: (number | 'none')[]; alpha?: number; hex?: string };
  };
  if (error) return null;
  const [a = 0, b = 0, c = 0] = read.components.map((each) => (each === 'none' ? 0 : each));
  const alpha = read.alpha === undefined || read.alpha === 1 ? '' : digits(read.alpha);
  if (read.colorSpace === 'srgb') return `#${digits(a)}${digits(b)}${digits(c)}${alpha}`;
  // Other spaces as CSS writes them; what no reader knows falls back on the hex digits, as the format says.
  const css = {
    oklch: `oklch(${a} ${b} ${c})`,
    oklab: `oklab(${a} ${b} ${c})`,
    hsl: `hsl(${a} ${b}% ${c}%)`,
  }[read.colorSpace];
  const colour = readColour(css ?? `color(${read.colorSpace} ${a} ${b} ${c})`) ?? readColour(read.hex ?? '');
  return colour && colour.slice(0, 7) + alpha;
}

/** All colour tokens of a file, in order, each colour once; or why there are none. */
export function readTokens(text: string): Result<Palette> {
  if (text.length > MOST_BYTES) return failed(finding('tokens.large'));
  let root: unknown;
  try {
    root = JSON.parse(text);
  } catch {
    return failed(finding('tokens.json'));
  }
  const found = new Map<Colour, string>();
  let broken = 0;
  const names: string[] = [];
  const walk = (node: unknown, key: string, inherited: string | null, depth: number): void => {
    if (typeof node !== 'object' || node === null || Array.isArray(node) || depth > 20) return;
    const own = node as Record<string, unknown>;
    const type = typeof own['$type'] === 'string' ? own['$type'] : inherited;
    if ('$value' in own) {
      if (type !== 'color') return;
      const colour = colourOfToken(own['$value']);
      if (colour) found.set(colour, found.get(colour) ?? key);
      else broken += 1;
      return;
    }
    if (key !== '' && Object.values(own).some(isToken)) names.push(key);
    for (const [next, child] of Object.entries(own))
      if (!next.startsWith('$')) walk(child, next, type, depth + 1);
  };
  walk(root, '', null, 0);
  const colours = [...found.keys()];
  if (colours.length === 0)
    return failed(broken > 0 ? finding('tokens.broken', broken) : finding('tokens.none'));
  if (colours.length > LIMITS.palette) return failed(finding('tokens.many', colours.length, LIMITS.palette));
  const named = [...found].filter(([, key]) => key.trim() !== '' && !key.startsWith(UNNAMED));
  const called = Object.fromEntries(
    named.map(([colour, key]) => [colour, key.trim().slice(0, MOST_COLOUR_NAME)]),
  );
  return ok({ name: names[0] ?? 'Palette', colours, ...(named.length > 0 && { names: called }) });
}

const isToken = (node: unknown): boolean => typeof node === 'object' && node !== null && '$value' in node;
