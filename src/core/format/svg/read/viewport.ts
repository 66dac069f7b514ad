import { type Affine, IDENTITY, moveMap } from '@/core/curve';
import { isLengthUnit, type LengthUnit } from '@/core/number';
import { lengthIn, lengthParts, numbersIn } from './lengths';

/** A rectangle of user units that is shown in another. */
interface Sides {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

const viewBoxIn = (text: string | undefined): Sides | null => {
  const [x = 0, y = 0, width = 0, height = 0] = numbersIn(text);
  return width > 0 && height > 0 ? { x, y, width, height } : null;
};

const SHARES: Readonly<Record<string, number>> = { min: 0, mid: 0.5, max: 1 };

/** From a view box to the place where it is shown (SVG 2, section 8.2, "Computing the equivalent transform of an SVG viewport"). */
function shownIn(box: Sides, place: Sides, aspect: string | undefined): Affine {
  const [, alignX = 'mid', alignY = 'mid', how = 'meet'] =
    /x(min|mid|max)\s*y(min|mid|max)(?:\s+(meet|slice))?/i
      .exec(aspect ?? '')
      ?.map((each) => each.toLowerCase()) ?? [];
  const [wide, high] = [place.width / box.width, place.height / box.height];
  const even = how === 'slice' ? Math.max(wide, high) : Math.min(wide, high);
  const [sx, sy] = aspect?.trim().startsWith('none') ? [wide, high] : [even, even];
  return {
    a: sx,
    b: 0,
    c: 0,
    d: sy,
    e: place.x - box.x * sx + (place.width - box.width * sx) * (SHARES[alignX] ?? 0.5),
    f: place.y - box.y * sy + (place.height - box.height * sy) * (SHARES[alignY] ?? 0.5),
  };
}

type Attribute = (name: string) => string | undefined;

/** What a file without any size is: as browsers have it (CSS 2.2, section 10.3.2). */
const DEFAULT = { width: 300, height: 150 };

/** How large a file is, and how its own coordinates lie in it. */
export interface Page {
  /** In pixels. */
  readonly width: number;
  readonly height: number;
  /** As its width is written. */
  readonly unit: LengthUnit;
  /** From the file's own coordinates to pixels from its upper left corner. */
  readonly map: Affine;
  /** The file's own width and height in its coordinates: what percentages are of. */
  readonly inner: { readonly width: number; readonly height: number };
}

const isShare = (text: string | undefined): boolean => text === undefined || /%\s*$|auto/.test(text);

/** The page of a file: its width and height at 96 pixels an inch, its view box in it. */
export function pageOf(attribute: Attribute): Page {
  const box = viewBoxIn(attribute('viewBox'));
  const [w, h] = [attribute('width'), attribute('height')];
  const free = { width: box?.width ?? DEFAULT.width, height: box?.height ?? DEFAULT.height };
  const given = {
    width: isShare(w) ? null : lengthIn(w, free.width, 'width'),
    height: isShare(h) ? null : lengthIn(h, free.height, 'height'),
  };
  // One of them alone keeps the view box's proportions.
  const width =
    given.width ?? (given.height === null ? free.width : (given.height * free.width) / free.height);
  const height =
    given.height ?? (given.width === null ? free.height : (given.width * free.height) / free.width);
  const unit = lengthParts(w ?? '')?.unit ?? '';
  const sides = { width: width > 0 ? width : free.width, height: height > 0 ? height : free.height };
  return {
    ...sides,
    unit: isLengthUnit(unit) ? unit : 'px',
    map: box ? shownIn(box, { x: 0, y: 0, ...sides }, attribute('preserveAspectRatio')) : IDENTITY,
    inner: box ?? sides,
  };
}

/** Where a drawing within the file, or a symbol that is used, puts what is in it. */
export function innerViewport(attribute: Attribute, user: Attribute | null, outer: Page['inner']): Affine {
  const side = (name: 'width' | 'height'): number => {
    const text = user?.(name) ?? attribute(name);
    return text === undefined || text.trim() === 'auto' ? outer[name] : lengthIn(text, outer[name], name);
  };
  const corner = user
    ? { x: 0, y: 0 }
    : { x: lengthIn(attribute('x'), outer.width, 'x'), y: lengthIn(attribute('y'), outer.height, 'y') };
  const box = viewBoxIn(attribute('viewBox'));
  if (!box) return moveMap(corner);
  return shownIn(
    box,
    { ...corner, width: side('width'), height: side('height') },
    attribute('preserveAspectRatio'),
  );
}
