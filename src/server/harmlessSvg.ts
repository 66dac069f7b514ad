import { SaxesParser } from 'saxes';

/** Elements that run, load or embed something; they go with all that is in them. */
const HARMFUL = new Set([
  'script',
  'image',
  'feimage',
  'foreignobject',
  'style',
  'iframe',
  'audio',
  'video',
  'a',
  'animate',
  'set',
]);

const escaped = (text: string): string =>
  text.replace(/[&<>"]/g, (c) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[c] ?? c);

/** What refers to anything but a part of the same file. */
const leadsOut = (name: string, value: string): boolean =>
  name.toLowerCase().startsWith('on') ||
  (/href$/i.test(name) && !value.trim().startsWith('#')) ||
  /url\(\s*['"]?\s*[^#'")\s]/i.test(value) ||
  /javascript:/i.test(value);

/**
 * An SVG without anything that runs, loads or embeds: only its drawing is left. Entities are not expanded, so that none can
 * grow.
 * @throws Error where it is not well-formed
 */
export function harmlessSvg(text: string): string {
  const parser = new SaxesParser({ xmlns: false });
  const parts: string[] = [];
  let inside = 0;
  parser.on('error', (error) => {
    throw error;
  });
  parser.on('opentag', ({ name, attributes }) => {
    const local = name.toLowerCase().replace(/^.*:/, '');
    if (inside > 0 || HARMFUL.has(local)) {
      // A tag that closes itself is told as closed as well.
      inside += 1;
      return;
    }
    const kept = Object.entries(attributes)
      .filter(([key, value]) => !leadsOut(key, value))
      .map(([key, value]) => ` ${key}="${escaped(value)}"`);
    parts.push(`<${name}${kept.join('')}>`);
  });
  parser.on('closetag', ({ name }) => {
    if (inside > 0) inside -= 1;
    else parts.push(`</${name}>`);
  });
  parser.on('text', (value) => {
    if (inside === 0) parts.push(escaped(value));
  });
  parser.write(text).close();
  return parts.join('');
}
