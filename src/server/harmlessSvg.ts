/**
 * SVG without anything that runs, loads or embeds.
 *
 * @example
 * const drawing = new Resvg(harmlessSvg(text));   // throws where the text is no well-formed XML
 */
import sanitizeHtml from 'sanitize-html';
import { SaxesParser } from 'saxes';

/** Elements that draw, or that say how: of SVG 1.1 and Filter Effects, without pictures, scripts, style sheets, links and animation. */
const DRAWING =
  'svg g defs symbol use switch title desc path rect circle ellipse line polyline polygon text tspan textPath ' +
  'linearGradient radialGradient stop pattern clipPath mask marker filter feBlend feColorMatrix feComponentTransfer ' +
  'feComposite feConvolveMatrix feDiffuseLighting feDisplacementMap feDistantLight feDropShadow feFlood feFuncA feFuncB ' +
  'feFuncG feFuncR feGaussianBlur feMerge feMergeNode feMorphology feOffset fePointLight feSpecularLighting feSpotLight ' +
  'feTile feTurbulence';

/** What is said of them: numbers, paints, and names of parts of the same file (SVG 1.1, attribute and property index). */
const SAID =
  'xmlns xmlns:* id class style version viewBox preserveAspectRatio x y x1 y1 x2 y2 cx cy r rx ry fx fy fr width height d points ' +
  'dx dy rotate textLength lengthAdjust startOffset method spacing side href xlink:href transform patternTransform ' +
  'gradientTransform gradientUnits spreadMethod offset patternUnits patternContentUnits clipPathUnits maskUnits ' +
  'maskContentUnits markerUnits markerWidth markerHeight refX refY orient filterUnits primitiveUnits in in2 result mode type ' +
  'values operator k1 k2 k3 k4 order kernelMatrix divisor bias targetX targetY edgeMode preserveAlpha surfaceScale ' +
  'diffuseConstant specularConstant specularExponent kernelUnitLength scale xChannelSelector yChannelSelector azimuth ' +
  'elevation z pointsAtX pointsAtY pointsAtZ limitingConeAngle stdDeviation radius baseFrequency numOctaves seed stitchTiles ' +
  'tableValues slope intercept amplitude exponent xml:space fill fill-opacity fill-rule stroke stroke-* color opacity ' +
  'display visibility overflow clip clip-path clip-rule mask mask-type filter flood-color flood-opacity lighting-color ' +
  'stop-color stop-opacity marker marker-start marker-mid marker-end paint-order vector-effect shape-rendering ' +
  'color-interpolation color-interpolation-filters mix-blend-mode isolation font-* text-* letter-spacing word-spacing ' +
  'dominant-baseline alignment-baseline baseline-shift writing-mode direction unicode-bidi enable-background';

/** Elements in which nothing is drawn as SVG. */
const NO_DRAWING = ['script', 'style', 'foreignObject', 'metadata', 'iframe', 'audio', 'video'];

const words = (text: string): string[] => text.split(' ');

/** What refers to anything but a part of the same file. */
const leadsOut = (name: string, value: string): boolean =>
  (/href$/i.test(name) && !value.trim().startsWith('#')) || /url\(\s*['"]?\s*[^#'")\s]/i.test(value);

const withoutWaysOut: sanitizeHtml.Transformer = (tagName, attribs) => ({
  tagName,
  attribs: Object.fromEntries(Object.entries(attribs).filter(([name, value]) => !leadsOut(name, value))),
});

/** @throws Error where a text is no well-formed XML, or has entities of its own, which might grow */
function requireWellFormed(text: string): void {
  const parser = new SaxesParser({ xmlns: false });
  parser.on('error', (error) => {
    throw error;
  });
  parser.write(text).close();
}

/**
 * An SVG of which only what is known to draw is left.
 * @throws Error where it is not well-formed
 */
export function harmlessSvg(text: string): string {
  requireWellFormed(text);
  const drawing = words(DRAWING);
  return sanitizeHtml(text, {
    allowedTags: [...drawing, ...drawing.map((name) => `svg:${name}`)],
    allowedAttributes: { '*': words(SAID) },
    // These go with all that is in them; of others that are not known, what they hold stays.
    nonTextTags: NO_DRAWING.flatMap((name) => [name, `svg:${name}`]),
    transformTags: { '*': withoutWaysOut },
    allowedSchemes: [],
    allowProtocolRelative: false,
    // Styles are read by the renderer, and lead nowhere (see above).
    parseStyleAttributes: false,
    parser: { xmlMode: true },
  });
}
