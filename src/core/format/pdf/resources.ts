/**
 * The objects that content streams of a PDF name: motifs, runs of gradients, opacities and blend modes; each once, however often it is used.
 *
 * @example
 * const own = new Resources(document);
 * const name = own.opacity({ fill: 0.5 });   // "G1", for `/G1 gs`
 */
import type { PDFDocument, PDFRef } from '@cantoo/pdf-lib';
import { PDFDict, PDFName } from '@cantoo/pdf-lib';

import type { Affine } from '@/core/curve';
import type { ColourInks, GradientInk } from '@/core/paint';
import type { BlendMode } from '@/core/scene';
import { inkColours, RGB_COLOURS, type PdfColours } from './colours';
import { n } from './content';

/** Everything that is drawn lies in this box: that of a form has to be said. */
const EVERYWHERE = [-1e5, -1e5, 1e5, 1e5];

/** Names of blend modes in a PDF (ISO 32000-1, 11.3.5), which are those of CSS in another spelling. */
const pdfBlend = (mode: BlendMode): string =>
  mode
    .split('-')
    .map((word) => word.slice(0, 1).toUpperCase() + word.slice(1))
    .join('');

/** What an extended graphics state sets. */
export interface Look {
  readonly fill?: number;
  readonly stroke?: number;
  readonly blend?: BlendMode;
}

type Kind = 'XObject' | 'ExtGState' | 'Pattern' | 'Shading' | 'ColorSpace';
const PREFIX: Record<Kind, string> = {
  XObject: 'M',
  ExtGState: 'G',
  Pattern: 'P',
  Shading: 'S',
  ColorSpace: 'C',
};

export class Resources {
  private readonly named = new Map<Kind, Map<string, { readonly name: string; readonly ref: PDFRef }>>();
  /** The one dictionary that all streams share. */
  readonly dict: PDFDict;

  /** How colours are written; that of runs and groups is asked for when these are made. */
  readonly colours: PdfColours;

  /** @param inks what colours are printed with; null for red, green and blue */
  constructor(
    private readonly document: PDFDocument,
    inks: readonly ColourInks[] | null,
  ) {
    this.dict = document.context.obj({});
    this.colours = inks ? inkColours(inks, (ink, looks) => this.separation(ink, looks)) : RGB_COLOURS;
  }

  /** An ink of its own, that looks like some shares of the others where there is none. */
  private separation(ink: string, looks: readonly number[]): string {
    return this.name('ColorSpace', `${ink} ${looks.join(' ')}`, () => {
      const { context } = this.document;
      const tint = this.register({ FunctionType: 2, Domain: [0, 1], C0: [0, 0, 0, 0], C1: [...looks], N: 1 });
      return context.register(
        context.obj([PDFName.of('Separation'), PDFName.of(ink), PDFName.of('DeviceCMYK'), tint]),
      );
    });
  }

  /** @param key what it is known by, so that the same is made once */
  private name(kind: Kind, key: string, make: () => PDFRef): string {
    const all = this.named.get(kind) ?? new Map<string, { name: string; ref: PDFRef }>();
    this.named.set(kind, all);
    const known = all.get(key);
    if (known) return known.name;
    const ref = make();
    const name = `${PREFIX[kind]}${all.size + 1}`;
    all.set(key, { name, ref });
    const held = this.dict.lookupMaybe(PDFName.of(kind), PDFDict) ?? this.document.context.obj({});
    held.set(PDFName.of(name), ref);
    this.dict.set(PDFName.of(kind), held);
    return name;
  }

  private register(object: Record<string, unknown>): PDFRef {
    const { context } = this.document;
    return context.register(context.obj(object as Parameters<typeof context.obj>[0]));
  }

  /** A drawing of its own, which is laid as one; used by `/name Do`. */
  form(key: string, operators: readonly string[]): string {
    return this.name('XObject', key, () => this.formOf(operators));
  }

  private formOf(operators: readonly string[], colours: string = this.colours.space): PDFRef {
    const { context } = this.document;
    const stream = context.flateStream(operators.join('\n'), {
      Type: 'XObject',
      Subtype: 'Form',
      BBox: EVERYWHERE,
      Group: { S: 'Transparency', CS: colours, I: true },
      Resources: this.dict,
    });
    return context.register(stream);
  }

  look({ fill = 1, stroke = 1, blend = 'normal' }: Look): string {
    return this.name('ExtGState', `${n(fill)} ${n(stroke)} ${blend}`, () =>
      this.register({ Type: 'ExtGState', ca: fill, CA: stroke, BM: pdfBlend(blend) }),
    );
  }

  /** A mask by which a gradient with see-through stops is seen. */
  mask(ink: GradientInk, map: Affine | null, key: string): string {
    return this.name('ExtGState', `mask ${key}`, () => {
      const shading = this.shading(ink, 'opacity', key);
      const placed = map ? [`${[map.a, map.b, map.c, map.d, map.e, map.f].map(n).join(' ')} cm`] : [];
      const group = this.formOf([...placed, `/${shading} sh`], 'DeviceGray');
      return this.register({ Type: 'ExtGState', SMask: { Type: 'Mask', S: 'Luminosity', G: group } });
    });
  }

  /** A run of colours, or of opacities as grey; painted by `/name sh`, or the base of a pattern. */
  shading(ink: GradientInk, of: 'colour' | 'opacity', key: string): string {
    return this.name('Shading', `${of} ${key}`, () => this.shadingRef(ink, of));
  }

  private shadingRef(ink: GradientInk, of: 'colour' | 'opacity'): PDFRef {
    const coords =
      ink.kind === 'linear'
        ? [ink.from.x, ink.from.y, ink.to.x, ink.to.y]
        : [ink.centre.x, ink.centre.y, 0, ink.centre.x, ink.centre.y, ink.radius];
    return this.register({
      ShadingType: ink.kind === 'linear' ? 2 : 3,
      ColorSpace: of === 'colour' ? this.colours.space : 'DeviceGray',
      Coords: coords,
      Function: this.stitched(ink.stops, of),
      Extend: [true, true],
    });
  }

  /** Colours between stops, run by run (ISO 32000-1, 7.10.4): before the first and after the last they go on. */
  private stitched(stops: GradientInk['stops'], of: 'colour' | 'opacity'): PDFRef {
    const values = stops.map(({ colour, opacity }) =>
      of === 'colour' ? this.colours.values(colour) : [opacity],
    );
    const places = stops.map(({ at }) => Math.min(1, Math.max(0, at)));
    const all = [
      ...(places[0] === 0 ? [] : [{ at: 0, value: values[0] }]),
      ...places.map((at, k) => ({ at, value: values[k] })),
      ...(places.at(-1) === 1 ? [] : [{ at: 1, value: values.at(-1) }]),
    ];
    const runs = all.slice(1).map((to, k) => ({ from: all[k] ?? to, to }));
    // Two stops at one place are a hard edge, which a bound says: a run without length is none.
    const long = runs.filter(({ from, to }) => to.at > from.at);
    const functions = long.map(({ from, to }) =>
      this.register({ FunctionType: 2, Domain: [0, 1], C0: from.value, C1: to.value, N: 1 }),
    );
    return this.register({
      FunctionType: 3,
      Domain: [0, 1],
      Functions: functions,
      Bounds: long.slice(0, -1).map(({ to }) => to.at),
      Encode: long.flatMap(() => [0, 1]),
    });
  }

  /** A run of colours that lines are drawn in. @param map from the gradient's coordinates to those of the stream that it is used in */
  pattern(ink: GradientInk, map: Affine, key: string): string {
    return this.name('Pattern', key, () =>
      this.register({
        Type: 'Pattern',
        PatternType: 2,
        Matrix: [map.a, map.b, map.c, map.d, map.e, map.f],
        Shading: this.shadingRef(ink, 'colour'),
      }),
    );
  }
}
