import { spot, type Hand } from './hand';

/** A piece of the sample week as a person makes it, from an empty figure to its file. */
export interface Piece {
  /** Its number among the sample pieces, with a letter where more than one is made of it. */
  readonly id: string;
  readonly name: string;
  /** What it is to take at most, as agreed. */
  readonly goal: number;
  /** What it is handed on as; an SVG where nothing else is said. */
  readonly files?: readonly string[];
  readonly make: (hand: Hand) => Promise<void>;
}

const SHIFT = 'Shift';

export const PIECES: readonly Piece[] = [
  {
    id: '1',
    name: 'Lamp burst: rays under one gradient, hub, ground by eyedropper, clipped to a sheet',
    goal: 26,
    make: async (hand) => {
      await hand.fold(30);
      await hand.key('1');
      await hand.key('w');
      await hand.drag(spot(0, 0), spot(0, 86));
      await hand.key('5');
      await hand.choice('Radial');
      await hand.choice('Whole round');
      await hand.key('2');
      await hand.key('y');
      await hand.drag(spot(0, 0), spot(0, 16), SHIFT);
      await hand.button('#e9b44c at hand');
      await hand.tab('Page');
      await hand.button('Take it from the picture');
      await hand.tap(spot(0, 8));
      await hand.button('Round that stands once');
      await hand.key('a');
      await hand.dragInWhole(spot(0, 0), spot(78, 78), 'Alt');
      await hand.key('4');
      await hand.choice('Keep inside');
    },
  },
  {
    id: '2',
    name: 'Propeller: a plate with two rounded corners, a node smoothed and one deleted, a hole, three times about its node, a hub',
    goal: 36,
    make: async (hand) => {
      await hand.key('a');
      await hand.drag(spot(-14, 20), spot(14, 80));
      await hand.value('Top left', '12');
      await hand.value('Top right', '12');
      await hand.key('y');
      await hand.drag(spot(0, 66), spot(0, 72), SHIFT);
      await hand.key('Control+a');
      await hand.choice('Subtract');
      await hand.button('Make plain');
      await hand.key('w');
      await hand.tap(spot(-14, 20));
      await hand.key('Delete');
      await hand.tap(spot(14, 20));
      await hand.choice('Smooth');
      await hand.key('q');
      await hand.drag(spot(14, 20), spot(0, 0));
      await hand.fold(3);
      await hand.button('Round that stands once');
      await hand.key('y');
      await hand.drag(spot(0, 0), spot(0, 24), SHIFT);
      await hand.button('#113d4c at hand');
    },
  },
  {
    id: '3',
    name: 'Floor octant: a gradient in half a quarter of a square, four strokes, two stamps, mirrored, PNG',
    goal: 30,
    files: ['PNG'],
    make: async (hand) => {
      await hand.fold(4);
      await hand.key('\\');
      await hand.key('e');
      await hand.tap(spot(0, 0));
      await hand.tap(spot(0, 84));
      await hand.tap(spot(84, 84));
      await hand.tap(spot(0, 0));
      await hand.key('5');
      await hand.choice('Linear');
      await hand.key('2');
      await hand.key('r');
      await hand.drag(spot(4, 20), spot(10, 40));
      await hand.drag(spot(8, 30), spot(18, 52));
      await hand.drag(spot(10, 50), spot(22, 66));
      await hand.drag(spot(4, 12), spot(4, 26));
      await hand.key('s');
      await hand.drag(spot(6, 84), spot(26, 76));
      await hand.drag(spot(0, 14), spot(0, 28));
    },
  },
  {
    id: '4',
    name: 'Poster wheel: rounds of 16, 48 and 14, two of them blended',
    goal: 30,
    make: async (hand) => {
      await hand.key('d');
      await hand.drag(spot(0, 20), spot(0, 84));
      await hand.fold(16);
      await hand.key('3');
      await hand.button('Normal');
      await hand.button('Multiply');
      await hand.key('2');
      await hand.button('Round');
      await hand.key('y');
      await hand.drag(spot(0, 78), spot(0, 81), SHIFT);
      await hand.button('#e9b44c at hand');
      await hand.fold(48);
      await hand.button('Round');
      await hand.key('d');
      await hand.drag(spot(0, 6), spot(0, 60));
      await hand.button('#d9512c at hand');
      await hand.fold(14);
      await hand.key('3');
      await hand.button('Normal');
      await hand.button('Screen');
    },
  },
  {
    id: '5',
    name: 'Scallop ring, touching',
    goal: 8,
    make: async (hand) => {
      await hand.key('y');
      await hand.drag(spot(0, 60), spot(0, 70), SHIFT);
      await hand.button('Make them touch');
    },
  },
  {
    id: '6',
    name: 'Frost flake: side arms along an arm, mirrored, with a hub, united',
    goal: 30,
    make: async (hand) => {
      await hand.key('1');
      await hand.key('f');
      await hand.drag(spot(0, 6), spot(0, 82));
      await hand.fold(6);
      await hand.key('2');
      await hand.key('u');
      await hand.drag(spot(0, 0), spot(0, 16));
      await hand.key('4');
      await hand.choice('Union');
    },
  },
  {
    id: '6b',
    name: 'Frost flakes: eight of a flake of the Shelf, scattered on a page',
    goal: 10,
    make: async (hand) => {
      await hand.button('Round that stands once');
      await hand.key('3');
      await hand.button('Place a figure of the Shelf …');
      await hand.button('Untitled figure');
      await hand.value('How many are scattered', '8');
      await hand.button('Scatter over the page');
    },
  },
  {
    id: '7',
    name: 'Folded fan: chords and arcs in a 16-gon, facets in two tones, another outline, trimmed to a circle',
    goal: 26,
    make: async (hand) => {
      await hand.fold(16);
      await hand.key('t');
      await hand.drag(spot(0, 84), spot(30, 72));
      await hand.drag(spot(0, 84), spot(46, 24));
      await hand.drag(spot(0, 0), spot(0, 84));
      await hand.key('y');
      await hand.drag(spot(0, 40), spot(0, 60), SHIFT);
      await hand.button('Round that stands once');
      await hand.dragInWhole(spot(0, 0), spot(0, 76), SHIFT);
      await hand.key('4');
      await hand.choice('Keep inside');
      await hand.round('Round 1');
      await hand.choice('Cells');
      await hand.choice('Sectors');
      await hand.button('Use #84c5b4 next');
      await hand.button('Use #1f8a76 next');
      await hand.button(/^Colour (the )?cells/);
      await hand.button('#f2e6d0 at hand', SHIFT);
    },
  },
  {
    id: '8',
    name: 'Bubble lattice: circles through each other’s centres, clipped to a circle, its cells coloured, round joins',
    goal: 14,
    make: async (hand) => {
      await hand.key('1');
      await hand.key('s');
      await hand.choice('Lattice');
      await hand.drag(spot(0, 0), spot(0, 80));
      await hand.fold(6);
      await hand.choice('To a circle');
      await hand.key('4');
      await hand.choice('Cells');
      await hand.button(/^Colour (the )?cells/);
    },
  },
  {
    id: '9',
    name: 'Kelp crown: cells coloured ring by ring',
    goal: 14,
    make: async (hand) => {
      await hand.key('d');
      await hand.drag(spot(0, 12), spot(0, 84));
      await hand.fold(22);
      await hand.key('4');
      await hand.choice('Cells');
      for (const colour of ['#f2e6d0', '#1f8a76', '#84c5b4', '#113d4c'])
        await hand.button(`Use ${colour} next`);
      await hand.button(/^Colour (the )?cells/);
    },
  },
  {
    id: '10',
    name: 'Net whirl, mirrored, four times',
    goal: 12,
    make: async (hand) => {
      await hand.key('1');
      await hand.key('g');
      await hand.drag(spot(0, 40), spot(0, 76));
      await hand.fold(4);
      await hand.key('3');
      await hand.choice('Halves');
    },
  },
  {
    id: '11',
    name: 'Rope knot: lenses cut from circles, rings, woven',
    goal: 24,
    make: async (hand) => {
      await hand.fold(4);
      await hand.key('y');
      await hand.drag(spot(-14, 42), spot(-14, 78), SHIFT);
      await hand.drag(spot(14, 42), spot(14, 78), SHIFT);
      await hand.key('Control+a');
      await hand.choice('Intersection');
      await hand.button('Make plain');
      await hand.key('y');
      await hand.drag(spot(0, 0), spot(0, 42), SHIFT);
      await hand.key('Control+a');
      await hand.button('No fill');
      await hand.value('Width at hand', '4');
      await hand.key('4');
      await hand.choice('Weave');
    },
  },
  {
    id: '12',
    name: 'Net roundel: five rings and an outer one that they touch, two colours, woven, on a square ground',
    goal: 45,
    make: async (hand) => {
      await hand.key('a');
      await hand.dragInWhole(spot(0, 0), spot(86, 86), 'Alt');
      await hand.button('#113d4c at hand');
      await hand.fold(1);
      await hand.button('Round');
      await hand.fold(5);
      await hand.key('y');
      await hand.drag(spot(0, 40), spot(0, 68), SHIFT);
      await hand.drag(spot(0, 0), spot(0, 68), SHIFT);
      await hand.key('Control+a');
      await hand.button('No fill');
      await hand.value('Width at hand', '5');
      await hand.button('#84c5b4 at hand');
      await hand.key('q');
      await hand.tap(spot(0, 68));
      await hand.button('#e9b44c at hand');
      await hand.key('4');
      await hand.choice('Weave');
    },
  },
  {
    id: '13',
    name: 'Anemone: a petal of two circles, fading, and a shaded hub, as SVG and PNG',
    goal: 24,
    files: ['SVG', 'PNG'],
    make: async (hand) => {
      await hand.key('y');
      await hand.drag(spot(-18, 44), spot(-18, 78), SHIFT);
      await hand.drag(spot(18, 44), spot(18, 78), SHIFT);
      await hand.key('Control+a');
      await hand.choice('Intersection');
      await hand.fold(14);
      await hand.key('5');
      await hand.choice('Linear');
      await hand.key('2');
      await hand.key('y');
      await hand.drag(spot(0, 0), spot(0, 18), SHIFT);
      await hand.key('5');
      await hand.choice('Radial');
    },
  },
  {
    id: '14',
    name: 'Dry-dock frame: a sheared bar and a plate united, four times, each less what its neighbour covers, toned by direction',
    goal: 35,
    make: async (hand) => {
      await hand.key('a');
      await hand.drag(spot(-36, 24), spot(40, 40));
      await hand.choice('Shear');
      await hand.value('Transform angle', '30');
      await hand.button('Apply');
      await hand.key('a');
      await hand.drag(spot(-30, 30), spot(-8, 56));
      await hand.key('Control+a');
      await hand.choice('Union');
      await hand.fold(4);
      await hand.key('4');
      await hand.choice('Covered once');
      await hand.key('5');
      await hand.choice('Outward');
      await hand.button('#1f8a76 at hand');
    },
  },
  {
    id: '15',
    name: 'Tide dial: 24 sectors, rings at percentages, half a step on, colours alternating, raised wire',
    goal: 24,
    make: async (hand) => {
      await hand.key('1');
      await hand.key('d');
      await hand.drag(spot(0, 0), spot(0, 84));
      await hand.value('Sectors', '24');
      await hand.value('Rings at %', '30 50 75 100');
      await hand.key('.');
      await hand.key('4');
      await hand.choice('Cells');
      await hand.choice('Sectors');
      await hand.button('Use #84c5b4 next');
      await hand.button('Use #1f8a76 next');
      await hand.button(/^Colour (the )?cells/);
      await hand.key('5');
      await hand.choice('Raised');
    },
  },
  {
    id: '17',
    name: 'Traced diatom: over a picture, six strokes by hand, mirrored, sixteen times',
    goal: 24,
    make: async (hand) => {
      await hand.tab('Page');
      await hand.underlay();
      await hand.fold(16);
      await hand.key('\\');
      await hand.key('r');
      await hand.drag(spot(0, 84), spot(14, 76));
      await hand.drag(spot(0, 70), spot(11, 62));
      await hand.drag(spot(0, 58), spot(9, 50));
      await hand.drag(spot(0, 46), spot(7, 39));
      await hand.drag(spot(0, 34), spot(5, 28));
      await hand.drag(spot(0, 14), spot(0, 84));
    },
  },
  {
    id: '18',
    name: 'Hatch iris: bars on an octagon, what they enclose, trimmed and spread apart',
    goal: 18,
    make: async (hand) => {
      await hand.key('1');
      await hand.key('u');
      await hand.drag(spot(0, 0), spot(0, 66));
      await hand.key('4');
      await hand.choice('Cells');
      await hand.key('e');
      await hand.tapInWhole(spot(42, 78));
      await hand.button('Make the round plain');
      await hand.key('Control+a');
      await hand.button('Spread outward');
    },
  },
  {
    id: '19',
    name: 'Needle flake: pointed bars at 48°, evenly spaced, cut at the axis, mirrored, six times, united',
    goal: 26,
    make: async (hand) => {
      await hand.key('z');
      await hand.button('Bar');
      await hand.drag(spot(0, 0), spot(0, 86));
      await hand.drag(spot(-6, 24), spot(16, 50));
      await hand.value('Rotation', '48');
      await hand.choice('Move');
      await hand.value('Move Δy', '12');
      await hand.value('Times', '3');
      await hand.button('Make 3 copies');
      await hand.key('Control+a');
      await hand.choice('Right side');
      await hand.fold(6);
      await hand.key('4');
      await hand.choice('Union');
    },
  },
  {
    id: '21',
    name: 'Lace rosette: an 18-gon with its long diagonals, six round-capped strokes, mirrored, one of them changed',
    goal: 24,
    make: async (hand) => {
      await hand.fold(18);
      await hand.key('\\');
      await hand.key('1');
      await hand.choice('Inside');
      await hand.choice('Long');
      await hand.key('2');
      await hand.key('t');
      await hand.drag(spot(0, 84), spot(13, 76));
      await hand.drag(spot(0, 84), spot(9, 54));
      await hand.drag(spot(0, 60), spot(10, 66));
      await hand.drag(spot(0, 30), spot(7, 42));
      await hand.drag(spot(0, 30), spot(4, 22));
      await hand.drag(spot(0, 12), spot(4, 22));
      await hand.key('w');
      await hand.tap(spot(5, 36));
      await hand.drag(spot(7, 42), spot(6, 48));
    },
  },
];
