import type { Level, Stage } from '@/state';

/** A section of the panel: where it is, and what else a person would call it. */
export interface Place {
  readonly title: string;
  /** In any stage without one. */
  readonly stage?: Stage;
  readonly level: Level;
  readonly words: string;
}

export const PLACES: readonly Place[] = [
  {
    title: 'Page',
    level: 'page',
    words: 'size format paper width height unit mm px inches bleed A4 icon centre',
  },
  {
    title: 'Sliders',
    level: 'page',
    words: 'expression formula parameter variable bind number equation depend',
  },
  { title: 'Background', level: 'page', words: 'ground colour behind backdrop transparent' },
  {
    title: 'Underlay',
    level: 'page',
    words: 'picture image photo trace template reference sketch read symmetry average scan',
  },
  {
    title: 'Frame',
    stage: 'setout',
    level: 'round',
    words: 'guides polygon rings diagonals construction grid',
  },
  {
    title: 'Half a motif',
    stage: 'draw',
    level: 'round',
    words: 'draw half mirror symmetric live reflection',
  },
  { title: 'Fit neighbours', stage: 'draw', level: 'round', words: 'touch gap tangent spacing kiss' },
  { title: 'Edge of the wedge', stage: 'draw', level: 'round', words: 'trim clip crop overlap sector ray' },
  { title: 'Snap', stage: 'draw', level: 'round', words: 'snapping magnet grid catch nudge arrows step' },
  { title: 'Axis', stage: 'draw', level: 'shapes', words: 'mirror halves unite symmetric reflect one side' },
  {
    title: 'Bend',
    stage: 'draw',
    level: 'shapes',
    words: 'strip wrap bow ring arc warp curve round swell taper wave twist border',
  },
  {
    title: 'Place and size',
    stage: 'draw',
    level: 'shapes',
    words: 'position x y width height resize dimensions radius angle diameter',
  },
  {
    title: 'Transform',
    stage: 'draw',
    level: 'shapes',
    words: 'rotate scale resize shear skew reflect move copies array pivot',
  },
  {
    title: 'Align',
    stage: 'draw',
    level: 'shapes',
    words: 'distribute line up middle left right space evenly',
  },
  {
    title: 'Combine',
    stage: 'draw',
    level: 'shapes',
    words:
      'boolean union unite subtract intersect exclude clip mask offset inset stroke to shape band tidy simplify trim divide',
  },
  {
    title: 'Turn',
    stage: 'turn',
    level: 'round',
    words: 'fold copies step angle sweep start phase rotation radial symmetry',
  },
  {
    title: 'Some copies different',
    stage: 'turn',
    level: 'round',
    words: 'every second alternate nth variation',
  },
  { title: 'Way', stage: 'turn', level: 'round', words: 'progression grow fade twist tint gradual' },
  { title: 'Whirl inward', stage: 'turn', level: 'round', words: 'spiral nested shrink' },
  { title: 'Look', stage: 'turn', level: 'round', words: 'blend mode opacity multiply transparency' },
  { title: 'Rosette in a rosette', stage: 'turn', level: 'round', words: 'place figure nest scatter symbol' },
  {
    title: 'Copies of this round',
    stage: 'merge',
    level: 'round',
    words: 'union cells divide weave overlaps boolean',
  },
  {
    title: 'With the rounds below',
    stage: 'merge',
    level: 'round',
    words: 'cut mask clip inside join knockout',
  },
  { title: 'Fill', stage: 'colour', level: 'round', words: 'colour gradient linear radial paint' },
  {
    title: 'Stroke',
    stage: 'colour',
    level: 'round',
    words: 'outline border width cap join dashes dashed line',
  },
  {
    title: 'Light',
    stage: 'colour',
    level: 'round',
    words: 'facets shade shading relief raised wire groove',
  },
  { title: 'Colour by', stage: 'colour', level: 'round', words: 'sequence ring sector alternate' },
  { title: 'Palette', stage: 'colour', level: 'round', words: 'swatches colours harmony tokens' },
  { title: 'Adjust', stage: 'colour', level: 'round', words: 'recolour lightness chroma hue saturation' },
  { title: 'Trials', stage: 'colour', level: 'round', words: 'variants alternatives palettes compare' },
  {
    title: 'Trials of form',
    stage: 'turn',
    level: 'round',
    words: 'variants alternatives wall fold width random explore try side by side',
  },
  { title: 'Small', stage: 'proof', level: 'round', words: 'icon sizes pixels favicon 16 32 look' },
  {
    title: 'Looks',
    stage: 'proof',
    level: 'round',
    words: 'grey reversed one colour blind vision squint mock',
  },
  { title: 'Smallest', stage: 'proof', level: 'round', words: 'thinnest line gap width hairline facts' },
  { title: 'Ink', stage: 'proof', level: 'round', words: 'share colours coverage' },
  { title: 'Ink by distance from the centre', stage: 'proof', level: 'round', words: 'chart rings coverage' },
  { title: 'Weight by direction', stage: 'proof', level: 'round', words: 'chart balance even' },
  { title: 'Width of details', stage: 'proof', level: 'round', words: 'chart thin narrow distribution' },
];
