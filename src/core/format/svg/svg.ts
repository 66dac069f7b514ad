import { compose, mapPath, matrixOf, moveMap, type Point } from '@/core/curve';
import { convertLength, degreesOf, wrapTurn } from '@/core/number';
import {
  type FlatInk,
  type GradientInk,
  type Ink,
  MITER_LIMIT,
  picturesIn,
  placedPaint,
  reliefFilter,
  runsLaid,
  styleOf,
} from '@/core/paint';
import {
  centreOnPage,
  itemsAt,
  type Laid,
  type LayerRelief,
  layersOf,
  type Neighbours,
  type Paint,
  placedAt,
  type Scene,
  type SceneCopy,
  type SceneItem,
  type SceneLayer,
  type ScenePage,
} from '@/core/scene';
import { pathData, printNumber } from '../pathData';

export interface SvgOptions {
  /** `compact`: each motif once as a symbol, and a use for every copy. `plain`: every copy a path of its own. */
  readonly form: 'compact' | 'plain';
  /** Decimals of coordinates, 0 to 8. */
  readonly decimals: number;
  readonly background: boolean;
  /** With what lies around the page to be trimmed off; the page itself is the view `trim`. */
  readonly bleed?: boolean;
  /** Overlapping without it; copies that come one after the other abut, as each is to be seen for itself. */
  readonly neighbours?: Neighbours;
  /** The copies come one after the other when the file is shown; compact files alone. */
  readonly reveal?: boolean;
  /** Of the picture that is made of it; as CSS has them where nothing is said. What looks the same in any size needs it. */
  readonly pixelsPerUnit?: number;
  /** Shown by viewers as the drawing's name. */
  readonly title?: string;
  /** What is drawn, in words, for those who do not see it. */
  readonly description?: string;
  /** What rounds are called, by their ids: their symbols bear these names, and keep them from one export to the next. */
  readonly names?: ReadonlyMap<string, string>;
  /** Without line ends and spaces that only people need. */
  readonly small?: boolean;
}

export const DEFAULT_SVG: SvgOptions = { form: 'compact', decimals: 4, background: true };

export const MOST_DECIMALS = 8;

export const escapeXml = (text: string): string =>
  text
    // Characters that XML 1.0 has no way to write.
    .replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]/g, '')
    .replace(/[&<>"]/g, (c) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[c] ?? c);

/** Colour and opacity apart, since many readers of SVG know no eight-digit colours. */
function colourOf(name: 'fill' | 'stroke' | 'stop', { colour, opacity }: Omit<FlatInk, 'kind'>): string {
  const part = opacity < 1 ? ` ${name}-opacity="${printNumber(opacity, 4)}"` : '';
  return `${name === 'stop' ? 'stop-color' : name}="${colour}"${part}`;
}

/** Hands out ids to gradients, one to each however often it is used. */
class Gradients {
  private readonly ids = new Map<string, string>();

  constructor(private readonly prefix: string) {}

  private idOf(ink: GradientInk): string {
    const markup = gradientMarkup(ink);
    const id = this.ids.get(markup) ?? `${this.prefix}-${this.ids.size + 1}`;
    this.ids.set(markup, id);
    return id;
  }

  attribute(name: 'fill' | 'stroke', ink: Ink): string {
    return ink.kind === 'flat' ? colourOf(name, ink) : `${name}="url(#${this.idOf(ink)})"`;
  }

  all(): string[] {
    return [...this.ids].map(([markup, id]) => `    ${markup.replace(' ', ` id="${id}" `)}`);
  }
}

function gradientMarkup(ink: GradientInk): string {
  const n = (value: number): string => printNumber(value, 6);
  const ends =
    ink.kind === 'linear'
      ? `x1="${n(ink.from.x)}" y1="${n(ink.from.y)}" x2="${n(ink.to.x)}" y2="${n(ink.to.y)}"`
      : `cx="${n(ink.centre.x)}" cy="${n(ink.centre.y)}" r="${n(ink.radius)}"${ink.map ? ` gradientTransform="${matrixOf(ink.map, n)}"` : ''}`;
  const inner = ink.stops.map((stop) => `<stop offset="${n(stop.at)}" ${colourOf('stop', stop)}/>`);
  return `<${ink.kind}Gradient gradientUnits="userSpaceOnUse" ${ends}>${inner.join('')}</${ink.kind}Gradient>`;
}

function paintOf(paint: Paint, rule: SceneItem['rule'], gradients: Gradients): string {
  const { fill, stroke, isStrokeFirst } = styleOf(paint, rule);
  const filled = fill ? gradients.attribute('fill', fill.ink) : 'fill="none"';
  const evenOdd = fill?.rule === 'evenodd' ? ' fill-rule="evenodd"' : '';
  if (!stroke) return filled + evenOdd;
  const { ink, width, cap, join, limit, dashes } = stroke;
  const more = [
    ...(cap === 'butt' ? [] : [`stroke-linecap="${cap}"`]),
    ...(join === 'miter' ? [] : [`stroke-linejoin="${join}"`]),
    ...(limit === MITER_LIMIT ? [] : [`stroke-miterlimit="${printNumber(limit, 4)}"`]),
    ...(dashes.length === 0 ? [] : [`stroke-dasharray="${dashes.map((d) => printNumber(d, 6)).join(' ')}"`]),
    ...(isStrokeFirst ? ['paint-order="stroke"'] : []),
  ];
  return [
    `${filled}${evenOdd}`,
    gradients.attribute('stroke', ink),
    `stroke-width="${printNumber(width, 6)}"`,
    ...more,
  ].join(' ');
}

/**
 * A copy's place as SVG's transform: turned about the centre, and before that moved as the copy is. Degrees to 12 decimals are exact
 * for every step that a person can read, and 1e-14 of a turn for the others.
 */
function placeOf({ turn, transform }: SceneCopy): string {
  const degrees = degreesOf(wrapTurn(turn));
  const parts = [
    ...(degrees === 0 ? [] : [`rotate(${printNumber(degrees, 12)})`]),
    ...(transform ? [matrixOf(transform, (n) => printNumber(n, 9))] : []),
  ];
  return parts.length === 0 ? '' : ` transform="${parts.join(' ')}"`;
}

/** @param delay seconds after which the copy comes; null where it is there at once */
function lookOf({ opacity = 1, blend = 'normal' }: Laid, delay: number | null = null): string {
  const style = [
    ...(blend === 'normal' ? [] : [`mix-blend-mode:${blend}`]),
    ...(delay === null ? [] : [`animation-delay:${printNumber(delay, 3)}s`]),
  ];
  return (
    (opacity < 1 ? ` opacity="${printNumber(opacity, 4)}"` : '') +
    (delay === null ? '' : ' class="c"') +
    (style.length === 0 ? '' : ` style="${style.join(';')}"`)
  );
}

/** Lines of items that are laid as one, in a group where they do not just cover. */
const linesLaid = (laid: Laid | undefined, lines: readonly string[]): string[] => {
  const look = laid ? lookOf(laid) : '';
  return look === '' ? [...lines] : [`      <g${look}>`, ...lines, '      </g>'];
};

/** Ids that a document has for other things. */
const RESERVED = /^(?:(?:paint|page|relief|motif)-\d+|trim|figure|tile)$/;

/** A name as an id; nothing where no letter of it can be one. */
function wordOf(name: string): string {
  const word = name
    .normalize('NFC')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^[-\d]+|-+$/g, '');
  return RESERVED.test(word) ? `round-${word}` : word;
}

/** Hands out ids to motifs, one to each list of items however often it is used. */
class Symbols {
  private readonly ids = new Map<readonly SceneItem[], string>();
  private readonly taken = new Set<string>();

  constructor(
    private readonly decimals: number,
    private readonly gradients: Gradients,
    private readonly names: ReadonlyMap<string, string>,
  ) {}

  /** @param roundId of the round that the items are drawn for, whose name they bear */
  idOf(items: readonly SceneItem[], roundId?: string): string {
    const known = this.ids.get(items);
    if (known !== undefined) return known;
    const id = this.free(wordOf(this.names.get(roundId ?? '') ?? '') || `motif-${this.ids.size + 1}`);
    this.ids.set(items, id);
    return id;
  }

  private free(word: string): string {
    let id = word;
    for (let k = 2; this.taken.has(id); k += 1) id = `${word}-${k}`;
    this.taken.add(id);
    return id;
  }

  /** Pictures before the motifs that show them. */
  all(): string[] {
    const made = new Map<readonly SceneItem[], string>();
    const make = (items: readonly SceneItem[]): void => {
      if (made.has(items)) return;
      const lines = picturesIn(items).flatMap((run) => {
        const [first] = run.items;
        if (!first) return [];
        if (!run.shown)
          return linesLaid(
            first.laid,
            run.items.map((item) => this.pathOf(item)),
          );
        make(run.shown.of);
        const mirror = first.mirrored ? 'scale(-1 1) ' : '';
        const place = `${mirror}${matrixOf(run.shown.map, (n) => printNumber(n, 9))}`;
        return [`      <use xlink:href="#${this.idOf(run.shown.of)}" transform="${place}"/>`];
      });
      made.set(items, lines.join('\n'));
    };
    for (const items of [...this.ids.keys()]) make(items);
    return [...made].map(
      ([items, lines]) => `    <symbol id="${this.idOf(items)}" overflow="visible">\n${lines}\n    </symbol>`,
    );
  }

  private pathOf({ paths, paint, rule, mirrored }: SceneItem): string {
    const mirror = mirrored ? ' transform="scale(-1 1)"' : '';
    return `      <path d="${pathData(paths, this.decimals)}" ${paintOf(paint, rule, this.gradients)}${mirror}/>`;
  }
}

/** How long all copies of a layer take to come, in seconds. */
export const REVEAL_SECONDS = 3;

/** Each copy fades in; not where the system asks for less motion. */
const REVEAL_STYLE =
  '  <style>@media (prefers-reduced-motion: no-preference){.c{animation:c .3s ease-out both}@keyframes c{from{opacity:0}}}</style>';

const laidCopy = ({ blend }: SceneLayer, { opacity }: SceneCopy): Laid => ({
  ...(blend && { blend }),
  ...(opacity !== undefined && { opacity }),
});

function usesOf(layer: SceneLayer, symbols: Symbols, reveal: boolean): string[] {
  return layer.copies.map((copy, k) => {
    const delay = reveal ? (REVEAL_SECONDS * k) / layer.copies.length : null;
    const id = symbols.idOf(itemsAt(layer, copy), layer.roundId);
    return `    <use xlink:href="#${id}"${placeOf(copy)}${lookOf(laidCopy(layer, copy), delay)}/>`;
  });
}

/** Hands out ids to filters of relief, and the groups that they are used in. */
class Reliefs {
  private readonly ids = new Map<string, string>();

  constructor(
    private readonly page: ScenePage,
    private readonly pixelsPerUnit: number,
    /** Where the page's upper left corner is in the coordinates of what is filtered. */
    private readonly corner: Point,
  ) {}

  /** Lines of a layer, lit together where it has a relief. */
  around({ relief }: SceneLayer, lines: readonly string[]): string[] {
    if (!relief) return [...lines];
    const markup = this.markup(relief);
    const id = this.ids.get(markup) ?? `relief-${this.ids.size + 1}`;
    this.ids.set(markup, id);
    const there = printNumber(1 / this.pixelsPerUnit, 9);
    const back = printNumber(this.pixelsPerUnit, 9);
    return [
      `    <g transform="scale(${there})" filter="url(#${id})"><g transform="scale(${back})">`,
      ...lines,
      '    </g></g>',
    ];
  }

  private markup(relief: LayerRelief): string {
    const n = (value: number): string => printNumber(value, 6);
    const { deviation, smoothing, surfaceScale, azimuth, elevation, plain } = reliefFilter(
      relief,
      relief.from,
      this.pixelsPerUnit,
    );
    const [x = '', y = '', width = '', height = ''] = [
      this.corner.x,
      this.corner.y,
      this.page.width,
      this.page.height,
    ].map((length) => n(length * this.pixelsPerUnit));
    return [
      `<filter filterUnits="userSpaceOnUse" x="${x}" y="${y}" width="${width}" height="${height}" color-interpolation-filters="sRGB">`,
      `<feGaussianBlur in="SourceAlpha" stdDeviation="${n(deviation)}" result="edge"/>`,
      `<feDiffuseLighting in="edge" surfaceScale="${n(surfaceScale)}" diffuseConstant="1" lighting-color="#fff" result="rough"><feDistantLight azimuth="${n(azimuth)}" elevation="${n(elevation)}"/></feDiffuseLighting>`,
      `<feGaussianBlur in="rough" stdDeviation="${n(smoothing)}" result="light"/>`,
      `<feComposite in="light" in2="SourceGraphic" operator="arithmetic" k1="1" k3="${n(plain)}" result="lit"/>`,
      `<feComposite in="lit" in2="SourceAlpha" operator="in"/>`,
      '</filter>',
    ].join('');
  }

  all(): string[] {
    return [...this.ids].map(([markup, id]) => `    ${markup.replace(' ', ` id="${id}" `)}`);
  }
}

function plainLayer(layer: SceneLayer, scene: Scene, decimals: number, gradients: Gradients): string {
  const toPage = moveMap(centreOnPage(scene.page));
  const copies = layer.copies.map((copy) => {
    const paths = runsLaid(placedAt(layer, copy), ({ item }) => item.laid).flatMap(({ laid, of }) =>
      linesLaid(
        laid,
        of.map(({ item, map }) => {
          const m = compose(toPage, map);
          const moved = item.paths.map((path) => mapPath(path, m));
          const paint = paintOf(placedPaint(item.paint, m), item.rule, gradients);
          return `    <path d="${pathData(moved, decimals)}" ${paint}/>`;
        }),
      ),
    );
    const look = lookOf(laidCopy(layer, copy));
    return look === '' ? paths.join('\n') : `    <g${look}>\n${paths.join('\n')}\n    </g>`;
  });
  return `  <g>\n${copies.join('\n')}\n  </g>`;
}

/** Lines of SVG that this file wrote, in other colours. @param change of an opaque colour, `#rrggbb` */
export const inColours = (text: string, change: (colour: string) => string): string =>
  text.replace(
    /(fill|stroke|stop-color)="(#[0-9a-f]{6})"/gi,
    (_, name: string, colour: string) => `${name}="${change(colour)}"`,
  );

/** What a scene draws, as lines of SVG in coordinates of its page, whose upper left corner is at 0, 0: its background, what is used, and uses. */
export function drawingLines(scene: Scene, options: SvgOptions): readonly (string | readonly string[])[] {
  const { width, height, unit, background } = scene.page;
  const drawn = layersOf(scene, options.reveal ? 'abut' : (options.neighbours ?? 'overlap'));
  const size = (value: number) => printNumber(value, 6);
  const bleed = options.bleed ? scene.page.bleed : 0;
  const [wide, high] = [width + 2 * bleed, height + 2 * bleed];
  const centre = centreOnPage(scene.page);
  const gradients = new Gradients('paint');
  const pixelsPerUnit = options.pixelsPerUnit ?? convertLength(1, unit, 'px');
  // A list of lists: a picture may have more items than one call takes arguments.
  const parts: (string | readonly string[])[] = [];
  if (options.background && background) {
    // The page's own gradient stands before all others, as it is used first.
    const own = new Gradients('page');
    const paint = paintOf(placedPaint({ fill: background, stroke: null }, moveMap(centre)), 'nonzero', own);
    const corner = bleed > 0 ? `x="${size(-bleed)}" y="${size(-bleed)}" ` : '';
    parts.push(own.all(), `  <rect ${corner}width="${size(wide)}" height="${size(high)}" ${paint}/>`);
  }
  if (options.form === 'plain') {
    const reliefs = new Reliefs(scene.page, pixelsPerUnit, { x: 0, y: 0 });
    const layers = drawn.flatMap((layer) =>
      reliefs.around(layer, [plainLayer(layer, scene, options.decimals, gradients)]),
    );
    const defs = [...gradients.all(), ...reliefs.all()];
    if (defs.length > 0) parts.push('  <defs>', defs, '  </defs>');
    parts.push(layers);
  } else if (drawn.length > 0) {
    if (options.reveal) parts.push(REVEAL_STYLE);
    const symbols = new Symbols(options.decimals, gradients, options.names ?? new Map());
    const reliefs = new Reliefs(scene.page, pixelsPerUnit, { x: -centre.x, y: -centre.y });
    const uses = drawn.flatMap((layer) =>
      reliefs.around(layer, usesOf(layer, symbols, options.reveal ?? false)),
    );
    const motifs = symbols.all();
    parts.push('  <defs>', gradients.all(), reliefs.all(), motifs, '  </defs>');
    parts.push(`  <g transform="translate(${size(centre.x)} ${size(centre.y)})">`, uses, '  </g>');
  }
  return parts;
}

/** Without what only people need to read it: line ends, and spaces between elements. */
const minified = (text: string): string => text.replace(/>\s+</g, '><');

/** A document of some lines of SVG. @param view what of them is shown, in their own coordinates */
export function documentOf(
  lines: readonly (string | readonly string[])[],
  view: { readonly x: number; readonly y: number; readonly width: number; readonly height: number },
  {
    unit,
    title,
    description,
    small,
  }: Pick<SvgOptions, 'title' | 'description' | 'small'> & { readonly unit: string },
): string {
  const size = (value: number) => printNumber(value, 6);
  const { x, y, width, height } = view;
  const head = [
    '<?xml version="1.0" encoding="UTF-8"?>',
    `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" width="${size(width)}${unit}" height="${size(height)}${unit}" viewBox="${size(x)} ${size(y)} ${size(width)} ${size(height)}">`,
    ...(title ? [`  <title>${escapeXml(title)}</title>`] : []),
    ...(description ? [`  <desc>${escapeXml(description)}</desc>`] : []),
  ];
  const text = `${[...head, ...lines, '</svg>'].flat().join('\n')}\n`;
  return small ? minified(text) : text;
}

/** A scene as an SVG document of its page's size, in SVG 2 that readers of SVG 1.1 understand too. */
export function svgOf(scene: Scene, options: SvgOptions): string {
  const { width, height, unit, bleed: around } = scene.page;
  const bleed = options.bleed ? around : 0;
  const size = (value: number) => printNumber(value, 6);
  const view = { x: -bleed, y: -bleed, width: width + 2 * bleed, height: height + 2 * bleed };
  const trim = `  <view id="trim" viewBox="0 0 ${size(width)} ${size(height)}"/>`;
  const lines = [...(bleed > 0 ? [trim] : []), ...drawingLines(scene, options)];
  return documentOf(lines, view, { ...options, unit });
}
