/**
 * A scene as a PDF: vector, at true size, each motif once. Version 1.7 as in ISO 32000-1; a library writes the objects.
 *
 * @example
 * const bytes = await writePdf(scene, { background: true, bleed: true, marks: true, title: 'Tide dial' });
 */
import { PDFDocument, PDFName } from '@cantoo/pdf-lib';

import { type Affine, compose, IDENTITY, MIRROR, moveMap, type Path } from '@/core/curve';
import { convertLength } from '@/core/number';
import { type GradientInk, type Ink, picturesIn, placedPaint, styleOf } from '@/core/paint';
import {
  centreOnPage,
  itemsAt,
  type Laid,
  layersOf,
  type Paint,
  type Scene,
  type SceneCopy,
  type SceneItem,
  type SceneLayer,
} from '@/core/scene';
import { placementMap } from '@/core/symmetry';
import { aroundPage, cropLines, MARK, paperOf, type PdfOptions } from './sheet';
import { lineOperators, matrix, n, pathOperators } from './content';
import { Resources } from './resources';

const isSeeThrough = ({ stops }: GradientInk): boolean => stops.some(({ opacity }) => opacity < 1);

/** Draws items into content streams. */
class Painter {
  private readonly keys = new Map<readonly SceneItem[], string>();
  private readonly inks = new Map<GradientInk, string>();

  constructor(private readonly own: Resources) {}

  private keyOf(ink: GradientInk): string {
    const key = this.inks.get(ink) ?? JSON.stringify(ink);
    this.inks.set(ink, key);
    return key;
  }

  /** An area in an ink: a flat one by its colour, a run by painting all of it within the area. */
  private filled(paths: readonly Path[], ink: Ink, rule: SceneItem['rule']): string[] {
    const isEvenOdd = rule === 'evenodd';
    // Open paths are filled as if they were closed, as in SVG.
    const laid = pathOperators(paths);
    if (ink.kind === 'flat') {
      const seen = ink.opacity < 1 ? [`/${this.own.look({ fill: ink.opacity })} gs`] : [];
      return ['q', ...seen, this.own.colours.fill(ink.colour), ...laid, isEvenOdd ? 'f*' : 'f', 'Q'];
    }
    const key = this.keyOf(ink);
    const map = ink.kind === 'radial' ? (ink.map ?? null) : null;
    return [
      'q',
      ...laid,
      isEvenOdd ? 'W*' : 'W',
      'n',
      ...(isSeeThrough(ink) ? [`/${this.own.mask(ink, map, key)} gs`] : []),
      ...(map ? [`${matrix(map)} cm`] : []),
      `/${this.own.shading(ink, 'colour', key)} sh`,
      'Q',
    ];
  }

  /** @param placed what maps the item's coordinates to those of the stream, which patterns have to know */
  private stroked(
    paths: readonly Path[],
    stroke: NonNullable<ReturnType<typeof styleOf>['stroke']>,
    placed: Affine,
  ): string[] {
    const { ink } = stroke;
    const line = [...lineOperators(stroke), ...pathOperators(paths), 'S', 'Q'];
    if (ink.kind === 'flat') {
      const seen = ink.opacity < 1 ? [`/${this.own.look({ stroke: ink.opacity })} gs`] : [];
      return ['q', ...seen, this.own.colours.stroke(ink.colour), ...line];
    }
    const key = this.keyOf(ink);
    const map = ink.kind === 'radial' ? (ink.map ?? IDENTITY) : IDENTITY;
    const whole = compose(placed, map);
    const name = this.own.pattern(ink, whole, `${matrix(whole)} ${key}`);
    const mask = isSeeThrough(ink) ? [`/${this.own.mask(ink, map, key)} gs`] : [];
    return ['q', ...mask, '/Pattern CS', `/${name} SCN`, ...line];
  }

  painted(
    paths: readonly Path[],
    paint: Paint,
    rule: SceneItem['rule'],
    placed: Affine = IDENTITY,
  ): string[] {
    const { fill, stroke, isStrokeFirst } = styleOf(paint, rule);
    const area = fill ? this.filled(paths, fill.ink, fill.rule) : [];
    const line = stroke ? this.stroked(paths, stroke, placed) : [];
    return isStrokeFirst ? [...line, ...area] : [...area, ...line];
  }

  private item({ paths, paint, rule, mirrored }: SceneItem): string[] {
    const drawn = this.painted(paths, paint, rule, mirrored ? MIRROR : IDENTITY);
    return mirrored ? ['q', `${matrix(MIRROR)} cm`, ...drawn, 'Q'] : drawn;
  }

  /** What is laid as one: a form of its own where it does not just cover. */
  laid(laid: Laid | undefined, operators: readonly string[]): string[] {
    const { opacity = 1, blend = 'normal' } = laid ?? {};
    if (opacity >= 1 && blend === 'normal') return [...operators];
    const look = this.own.look({ fill: opacity, stroke: opacity, blend });
    return ['q', `/${look} gs`, `/${this.own.form(operators.join('\n'), operators)} Do`, 'Q'];
  }

  /** A motif, or a picture that is shown in one, as a form; made once. */
  motif(items: readonly SceneItem[]): string {
    const known = this.keys.get(items);
    if (known !== undefined) return this.own.form(known, []);
    const operators = picturesIn(items).flatMap((run) => {
      const [first] = run.items;
      if (!first) return [];
      if (!run.shown)
        return this.laid(
          first.laid,
          run.items.flatMap((item) => this.item(item)),
        );
      const place = compose(first.mirrored ? MIRROR : IDENTITY, run.shown.map);
      return ['q', `${matrix(place)} cm`, `/${this.motif(run.shown.of)} Do`, 'Q'];
    });
    const key = `motif ${this.keys.size + 1}`;
    this.keys.set(items, key);
    return this.own.form(key, operators);
  }

  copy(layer: SceneLayer, copy: SceneCopy): string[] {
    const { turn, transform = null, opacity = 1 } = copy;
    const map = placementMap({ turn, transform, mirrored: false });
    const { blend = 'normal' } = layer;
    const look = this.own.look({ fill: opacity, stroke: opacity, blend });
    const seen = opacity < 1 || blend !== 'normal' ? [`/${look} gs`] : [];
    return ['q', ...seen, `${matrix(map)} cm`, `/${this.motif(itemsAt(layer, copy))} Do`, 'Q'];
  }
}

function cropMarks(box: readonly [number, number, number, number], bleed: number, colour: string): string[] {
  const lines = cropLines(box, bleed).map(
    ([from, to]) => `${n(from.x)} ${n(from.y)} m ${n(to.x)} ${n(to.y)} l S`,
  );
  return ['q', `${MARK.width} w ${colour}`, ...lines, 'Q'];
}

const rectangle = (x: number, y: number, width: number, height: number): Path => ({
  closed: true,
  segments: [
    { kind: 'line', from: { x, y }, to: { x: x + width, y } },
    { kind: 'line', from: { x: x + width, y }, to: { x: x + width, y: y + height } },
    { kind: 'line', from: { x: x + width, y: y + height }, to: { x, y: y + height } },
    { kind: 'line', from: { x, y: y + height }, to: { x, y } },
  ],
});

/**
 * The bytes of a PDF of a scene. Raised wire and grooves, which are light on pixels, are drawn flat.
 * @param options what stands around the page
 */
export async function writePdf(scene: Scene, options: PdfOptions): Promise<Uint8Array> {
  const { page } = scene;
  const points = convertLength(1, page.unit, 'pt');
  const bleed = options.bleed ? page.bleed : 0;
  const edge = aroundPage(options, page.bleed * points);
  const [wide, high] = paperOf(page, options);
  const trim = [edge, edge, wide - edge, high - edge] as const;
  // Without the time of day: the same figure is the same file.
  const document = await PDFDocument.create({ updateMetadata: false });
  document.setTitle(options.title ?? 'Figure');
  document.setProducer('Cyclogon');
  document.setCreator('Cyclogon');
  const sheet = document.addPage([wide, high]);
  const cut = bleed * points;
  sheet.setTrimBox(trim[0], trim[1], trim[2] - trim[0], trim[3] - trim[1]);
  sheet.setBleedBox(trim[0] - cut, trim[1] - cut, trim[2] - trim[0] + 2 * cut, trim[3] - trim[1] + 2 * cut);

  const own = new Resources(document, options.inks ?? null);
  const painter = new Painter(own);
  // From the page, whose y goes down from its upper left corner, to the paper, whose y goes up from its lower left one.
  const toPaper: Affine = { a: points, b: 0, c: 0, d: -points, e: edge, f: high - edge };
  const centre = centreOnPage(page);
  const window = rectangle(-bleed, -bleed, page.width + 2 * bleed, page.height + 2 * bleed);
  const ground =
    options.background && page.background
      ? painter.painted(
          [window],
          placedPaint({ fill: page.background, stroke: null }, moveMap(centre)),
          'nonzero',
        )
      : [];
  const layers = layersOf(scene, options.neighbours).flatMap((layer) =>
    layer.copies.flatMap((copy) => painter.copy(layer, copy)),
  );
  const content = [
    'q',
    `${matrix(toPaper)} cm`,
    ...pathOperators([window]),
    'W n',
    ...ground,
    'q',
    `1 0 0 1 ${n(centre.x)} ${n(centre.y)} cm`,
    ...layers,
    'Q',
    'Q',
    ...(options.marks ? cropMarks(trim, cut, own.colours.marks) : []),
  ];
  sheet.node.set(
    PDFName.of('Contents'),
    document.context.register(document.context.flateStream(content.join('\n'))),
  );
  sheet.node.set(PDFName.of('Resources'), own.dict);
  sheet.node.set(
    PDFName.of('Group'),
    document.context.obj({ Type: 'Group', S: 'Transparency', CS: own.colours.space, I: true }),
  );
  return document.save();
}
