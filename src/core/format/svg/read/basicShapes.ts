import { lengthIn } from './lengths';

/**
 * The path data of a basic shape (SVG 2, chapter 10); empty for shapes without size, null for elements that are none.
 * @param whole what percentages are of
 * @throws UnreadableSvg
 */
export function dataOf(
  name: string,
  attribute: (name: string) => string | undefined,
  whole: { readonly width: number; readonly height: number },
): string | null {
  const along = (key: string): number => lengthIn(attribute(key), whole.width, `${key} of a ${name}`);
  const down = (key: string): number => lengthIn(attribute(key), whole.height, `${key} of a ${name}`);
  const across = (key: string): number =>
    lengthIn(attribute(key), Math.hypot(whole.width, whole.height) / Math.SQRT2, `${key} of a ${name}`);
  switch (name) {
    case 'path': {
      const data = attribute('d') ?? '';
      return data === 'none' ? '' : data.replace(/^path\(\s*["']|["']\s*\)$/g, '');
    }
    case 'line':
      return `M${along('x1')} ${down('y1')}L${along('x2')} ${down('y2')}`;
    case 'polyline':
    case 'polygon': {
      const points = attribute('points')?.trim() ?? '';
      return points === '' ? '' : `M${points}${name === 'polygon' ? 'Z' : ''}`;
    }
    case 'circle':
    case 'ellipse': {
      const rx = name === 'circle' ? across('r') : along('rx');
      const ry = name === 'circle' ? rx : down('ry');
      if (!(rx > 0 && ry > 0)) return '';
      const [x, y] = [along('cx'), down('cy')];
      return `M${x} ${y - ry}A${rx} ${ry} 0 0 1 ${x} ${y + ry}A${rx} ${ry} 0 0 1 ${x} ${y - ry}Z`;
    }
    case 'rect': {
      const [x, y, w, h] = [along('x'), down('y'), along('width'), down('height')];
      if (!(w > 0 && h > 0)) return '';
      const rx = Math.min(w / 2, attribute('rx') === undefined ? down('ry') : along('rx'));
      const ry = Math.min(h / 2, attribute('ry') === undefined ? along('rx') : down('ry'));
      if (!(rx > 0 && ry > 0)) return `M${x} ${y}h${w}v${h}h${-w}Z`;
      const corner = (dx: number, dy: number): string => `a${rx} ${ry} 0 0 1 ${dx} ${dy}`;
      return (
        `M${x + rx} ${y}H${x + w - rx}${corner(rx, ry)}V${y + h - ry}${corner(-rx, ry)}` +
        `H${x + rx}${corner(-rx, -ry)}V${y + ry}${corner(rx, -ry)}Z`
      );
    }
    default:
      return null;
  }
}
