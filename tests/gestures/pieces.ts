import { spot, type Hand } from './hand';

/** A piece of the sample week as a person makes it, from an empty figure to its file. */
export interface Piece {
  /** Its number among the sample pieces. */
  readonly number: number;
  readonly name: string;
  /** What it is to take at most, as agreed. */
  readonly goal: number;
  readonly make: (hand: Hand) => Promise<void>;
}

const SHIFT = 'Shift';

export const PIECES: readonly Piece[] = [
  {
    number: 1,
    name: 'Lamp burst: rays, hub, ground',
    goal: 26,
    make: async (hand) => {
      await hand.key('1');
      await hand.key('w');
      await hand.drag(spot(0, 14), spot(0, 84));
      await hand.fold(30);
      await hand.key('5');
      await hand.choice('Radial');
      await hand.choice('Whole round');
      await hand.key('2');
      await hand.key('y');
      await hand.drag(spot(0, 0), spot(0, 16), SHIFT);
      await hand.button('#e9b44c at hand');
      await hand.tab('Page');
      await hand.button('Background: #113d4c');
    },
  },
  {
    number: 2,
    name: 'Propeller: a plate with two rounded corners and a hole, three times, with a hub',
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
      await hand.fold(3);
      await hand.button('Round');
      await hand.key('y');
      await hand.drag(spot(0, 0), spot(0, 24), SHIFT);
      await hand.button('#113d4c at hand');
    },
  },
  {
    number: 3,
    name: 'Floor octant: a gradient, four strokes, two stamps, mirrored',
    goal: 30,
    make: async (hand) => {
      await hand.key('d');
      await hand.drag(spot(0, 30), spot(0, 84));
      await hand.key('\\');
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
    number: 4,
    name: 'Poster wheel: rounds of 16, 48 and 14, blended',
    goal: 30,
    make: async (hand) => {
      await hand.key('d');
      await hand.drag(spot(0, 20), spot(0, 84));
      await hand.fold(16);
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
      await hand.button('Multiply');
    },
  },
  {
    number: 5,
    name: 'Scallop ring, touching',
    goal: 8,
    make: async (hand) => {
      await hand.key('y');
      await hand.drag(spot(0, 60), spot(0, 70), SHIFT);
      await hand.button('Make them touch');
    },
  },
  {
    number: 6,
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
    number: 7,
    name: 'Folded fan: chords in a 16-gon, its facets in two tones',
    goal: 26,
    make: async (hand) => {
      await hand.fold(16);
      await hand.key('t');
      await hand.drag(spot(0, 84), spot(30, 72));
      await hand.drag(spot(0, 84), spot(46, 24));
      await hand.drag(spot(0, 0), spot(0, 84));
      await hand.key('4');
      await hand.choice('Cells');
      await hand.key('5');
      await hand.choice('Sectors');
      await hand.button('Use #84c5b4 next');
      await hand.button('Use #1f8a76 next');
      await hand.button(/^Colour (the )?cells/);
    },
  },
  {
    number: 8,
    name: 'Bubble lattice: circles through each other’s centres, in cells',
    goal: 14,
    make: async (hand) => {
      await hand.key('y');
      await hand.drag(spot(0, 40), spot(0, 80), SHIFT);
      await hand.fold(6);
      await hand.key('4');
      await hand.choice('Cells');
      await hand.key('5');
      await hand.button('Use #84c5b4 next');
      await hand.button('Use #1f8a76 next');
      await hand.button(/^Colour (the )?cells/);
    },
  },
  {
    number: 9,
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
    number: 10,
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
    number: 11,
    name: 'Rope knot: lenses and rings, woven',
    goal: 24,
    make: async (hand) => {
      await hand.fold(4);
      await hand.key('y');
      await hand.drag(spot(34, 34), spot(34, 58), SHIFT);
      await hand.key('d');
      await hand.drag(spot(0, 6), spot(0, 78));
      await hand.key('Control+a');
      await hand.button('No fill');
      await hand.value('Width at hand', '4');
      await hand.key('4');
      await hand.choice('Weave');
    },
  },
  {
    number: 12,
    name: 'Net roundel: five rings and an outer one that they touch, woven, ground',
    goal: 45,
    make: async (hand) => {
      await hand.fold(5);
      await hand.key('y');
      await hand.drag(spot(0, 40), spot(0, 68), SHIFT);
      await hand.key('y');
      await hand.drag(spot(0, 0), spot(0, 66), SHIFT);
      await hand.key('Control+a');
      await hand.button('No fill');
      await hand.value('Width at hand', '5');
      await hand.button('#84c5b4 at hand');
      await hand.key('4');
      await hand.choice('Weave');
      await hand.tab('Page');
      await hand.button('Background: #113d4c');
    },
  },
  {
    number: 13,
    name: 'Anemone: fading petals and a hub',
    goal: 24,
    make: async (hand) => {
      await hand.key('d');
      await hand.drag(spot(0, 14), spot(0, 80));
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
    number: 14,
    name: 'Dry-dock frame: a sheared bar, four times, each less what its neighbour covers',
    goal: 35,
    make: async (hand) => {
      await hand.key('a');
      await hand.drag(spot(-36, 24), spot(40, 40));
      await hand.choice('Shear');
      await hand.value('Transform angle', '30');
      await hand.button('Apply');
      await hand.fold(4);
      await hand.key('4');
      await hand.choice('Covered once');
      await hand.button('#1f8a76 at hand');
    },
  },
  {
    number: 15,
    name: 'Tide dial, its colours alternating',
    goal: 24,
    make: async (hand) => {
      await hand.key('1');
      await hand.key('d');
      await hand.drag(spot(0, 0), spot(0, 84));
      await hand.key('4');
      await hand.choice('Cells');
      await hand.key('5');
      await hand.choice('Sectors');
      await hand.button('Use #84c5b4 next');
      await hand.button('Use #1f8a76 next');
      await hand.button(/^Colour (the )?cells/);
    },
  },
  {
    number: 17,
    name: 'Traced diatom: six strokes by hand, mirrored, sixteen times',
    goal: 24,
    make: async (hand) => {
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
    number: 18,
    name: 'Hatch iris: bars on an octagon, what they enclose',
    goal: 18,
    make: async (hand) => {
      await hand.key('a');
      await hand.drag(spot(-30, 40), spot(34, 50));
      await hand.key('4');
      await hand.choice('Cells');
      await hand.key('5');
      await hand.button('Use #e9b44c next');
      await hand.button('Use #d9512c next');
      await hand.button(/^Colour (the )?cells/);
    },
  },
  {
    number: 19,
    name: 'Needle flake: needles united, six times mirrored',
    goal: 26,
    make: async (hand) => {
      await hand.key('1');
      await hand.key('y');
      await hand.drag(spot(0, 4), spot(0, 86));
      await hand.drag(spot(0, 30), spot(22, 56));
      await hand.drag(spot(0, 48), spot(16, 70));
      await hand.fold(6);
      await hand.key('3');
      await hand.choice('Halves');
      await hand.key('4');
      await hand.choice('Union');
    },
  },
  {
    number: 21,
    name: 'Lace rosette: six strokes in a wedge of 18, mirrored, one of them changed',
    goal: 24,
    make: async (hand) => {
      await hand.fold(18);
      await hand.key('\\');
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
