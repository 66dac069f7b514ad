import {
  Brush,
  Circle,
  CircleDashed,
  Clover,
  Combine,
  Diamond,
  Droplet,
  Eraser,
  Fan,
  Gauge,
  Heart,
  Hexagon,
  Leaf,
  MousePointer2,
  Orbit,
  PaintBucket,
  PenTool,
  Pipette,
  RectangleVertical,
  Ruler,
  Scissors,
  Shell,
  Shuffle,
  Slash,
  Spline,
  Square,
  SquareSquare,
  Stamp,
  Sunrise,
  Tornado,
  Triangle,
  Type,
  Wheat,
} from 'lucide-react';

import type { Editor, ToolId } from '@/state';
import { pressFuse, pressSwap, pressTake } from './cells';
import { pressFreehand } from './freehand';
import type { Press } from './gesture';
import { pressGuide, pressMeasure } from './guides';
import { catchPoint, followPointer } from './hover';
import {
  pressBuilt,
  pressDiameter,
  pressEllipse,
  pressLine,
  pressPetal,
  pressPolygon,
  pressRectangle,
} from './makers';
import { pressNodes } from './nodes';
import { pressEyedropper, pressPaint } from './paint';
import { hoverPath, pressPath } from './path';
import type { PanePoint } from './pointer';
import { pressSelect } from './select';
import { pressSlit } from './slit';
import { hoverSpots, pressSpots } from './spots';
import { pressStamp } from './stamp';
import type { Tool } from './tool';
import { pressWords } from './words';

type Ways = ReturnType<Editor['getState']>['ways'];

/** A press that is another one by how the tool is set to draw. */
const byWay =
  (pressOf: (ways: Ways) => Press): Press =>
  (editor, p, double) =>
    pressOf(editor.getState().ways)(editor, p, double);

const pressLineWays = byWay(({ line }) => (line === 'arc' ? pressSpots('arc') : pressLine));
const pressEllipseWays = byWay(({ ellipse }) =>
  ellipse === 'points' ? pressSpots('circle') : ellipse === 'diameter' ? pressDiameter : pressEllipse,
);
const pressPolygonWays = byWay(({ polygon }) => (polygon === 'star' ? pressBuilt('star') : pressPolygon));
const pressCircles = byWay(({ circles }) => pressBuilt(circles === 'lattice' ? 'lattice' : 'touchingRing'));

const hoverLine = (editor: Editor, p: PanePoint): void =>
  editor.getState().ways.line === 'arc' ? hoverSpots(editor, p, 'arc') : catchPoint(editor, p);
const hoverEllipse = (editor: Editor, p: PanePoint): void =>
  editor.getState().ways.ellipse === 'points' ? hoverSpots(editor, p, 'circle') : catchPoint(editor, p);

/** All tools, by what they are called in `state/tools`. */
export const TOOLS: Record<ToolId, Tool> = {
  select: {
    name: 'Select',
    words: 'pick choose move arrow pointer drag',
    icon: MousePointer2,
    press: pressSelect,
    hover: followPointer,
    isArrow: true,
  },
  nodes: {
    name: 'Nodes',
    words: 'points anchors handles edit path vertices control',
    icon: Spline,
    press: pressNodes,
    hover: followPointer,
    isArrow: true,
  },
  path: {
    name: 'Path',
    words: 'pen bezier curve draw polyline',
    icon: PenTool,
    press: pressPath,
    hover: hoverPath,
  },
  freehand: {
    name: 'Freehand',
    words: 'pencil brush sketch draw by hand pressure stroke',
    icon: Brush,
    press: pressFreehand,
    hover: followPointer,
  },
  line: {
    name: 'Line',
    words: 'straight segment arc three points',
    icon: Slash,
    press: pressLineWays,
    hover: hoverLine,
  },
  petal: { name: 'Petal', words: 'leaf flower almond lens vesica', icon: Leaf, press: pressPetal },
  ellipse: {
    name: 'Ellipse',
    words: 'circle oval disc ring three points diameter',
    icon: Circle,
    press: pressEllipseWays,
    hover: hoverEllipse,
  },
  polygon: {
    name: 'Polygon',
    words: 'triangle pentagon hexagon star sides corners',
    icon: Hexagon,
    press: pressPolygonWays,
  },
  rectangle: { name: 'Rectangle', words: 'square box rounded corners', icon: Square, press: pressRectangle },
  words: {
    name: 'Words',
    words: 'text type letters lettering font face ring circle seal caption name',
    icon: Type,
    press: pressWords,
  },
  slit: { name: 'Slit', words: 'cut knife split divide scissors', icon: Scissors, press: pressSlit },
  measure: { name: 'Measure', words: 'ruler distance angle length', icon: Ruler, press: pressMeasure },
  guide: { name: 'Guide', words: 'construction line helper circle', icon: CircleDashed, press: pressGuide },
  paint: {
    name: 'Paint',
    words: 'fill colour bucket cells',
    icon: PaintBucket,
    press: pressPaint,
    hover: followPointer,
  },
  eyedropper: {
    name: 'Eyedropper',
    words: 'pick colour sample pipette',
    icon: Pipette,
    press: pressEyedropper,
    hover: followPointer,
  },
  fuse: {
    name: 'Fuse',
    words: 'join merge cells unite weld',
    icon: Combine,
    press: pressFuse,
    hover: followPointer,
  },
  take: {
    name: 'Remove',
    words: 'remove delete cells hole',
    icon: Eraser,
    press: pressTake,
    hover: followPointer,
  },
  swap: {
    name: 'Swap',
    words: 'over under crossing weave',
    icon: Shuffle,
    press: pressSwap,
    hover: followPointer,
  },
  ray: { name: 'Ray', words: 'beam spike bar wedge sunburst', icon: Triangle, press: pressBuilt('ray') },
  drop: { name: 'Drop', words: 'teardrop tear drip', icon: Droplet, press: pressBuilt('drop') },
  heart: { name: 'Heart', words: 'love', icon: Heart, press: pressBuilt('heart') },
  scallop: { name: 'Scallop', words: 'shell arc bow rim', icon: Sunrise, press: pressBuilt('scallop') },
  kite: { name: 'Kite', words: 'diamond rhombus facet', icon: Diamond, press: pressBuilt('kite') },
  blade: { name: 'Blade', words: 'knife propeller shutter iris', icon: Fan, press: pressBuilt('blade') },
  bar: {
    name: 'Bar',
    words: 'beam strip needle arrow point tip spike blade sword',
    icon: RectangleVertical,
    press: pressBuilt('bar'),
  },
  barFrame: {
    name: 'Bar frame',
    words: 'bars polygon frame band star outline',
    icon: SquareSquare,
    press: pressBuilt('barFrame'),
  },
  stamp: {
    name: 'Stamp',
    words: 'repeat along path beads pattern rope scatter spray',
    icon: Stamp,
    press: pressStamp,
  },
  touchingRing: {
    name: 'Circles',
    words: 'circles touching tangent ring beads pearls lattice seed',
    icon: Orbit,
    press: pressCircles,
  },
  dial: {
    name: 'Dial',
    words: 'clock watch ticks scale sectors rings',
    icon: Gauge,
    press: pressBuilt('dial'),
  },
  branch: { name: 'Branch', words: 'snowflake arm twig fern tree', icon: Wheat, press: pressBuilt('branch') },
  whirl: { name: 'Whirl', words: 'spiral rotate shrink pursuit', icon: Tornado, press: pressBuilt('whirl') },
  scroll: { name: 'Scroll', words: 'spiral volute curl', icon: Shell, press: pressBuilt('scroll') },
  knot: { name: 'Knot', words: 'interlace weave celtic braid', icon: Clover, press: pressBuilt('knot') },
};
