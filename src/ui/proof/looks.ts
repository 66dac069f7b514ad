import type { Colour } from '@/core/scene';
import { grey, inkAlone, inOne, type PixelChange, seenBy, VISIONS } from '@/core/paint';

/** The figure as others will see it. */
export interface Look {
  readonly id: string;
  readonly name: string;
  /** What becomes of its pixels; none where they stay. */
  readonly change?: PixelChange;
  /** The pixels that are changed have the page's background, whatever is seen of it. */
  readonly from?: 'own';
  /** What is seen of the page's background: its own, none, or another one in place of it. */
  readonly ground: 'own' | 'none' | 'other';
  /** Of that other one. */
  readonly colour?: Colour;
  /** How it is shown besides. */
  readonly style?: { readonly filter?: string; readonly transform?: string };
  /** On something that it may be on in the end. */
  readonly carrier?: Carrier;
  /** In real pixels so many across, or as large as it is. */
  readonly real?: 256 | 'size';
}

export type Carrier = 'tile' | 'badge' | 'flag' | 'cup' | 'stickers';

const INK: Colour = '#172a33';

/**
 * All looks of a figure.
 * @param inks its colours @param ground a ground of one's own @param page the colour of its page
 */
export function looksOf(inks: readonly Colour[], ground: Colour, page: Colour): readonly Look[] {
  return [
    { id: 'plain', name: 'as it is', ground: 'own' },
    {
      id: 'one',
      name: 'one colour',
      change: inOne(20, 24, 27, page),
      ground: 'other',
      colour: '#ffffff',
      from: 'own',
    },
    {
      id: 'reversed',
      name: 'reversed',
      change: inOne(255, 255, 255, page),
      ground: 'other',
      colour: INK,
      from: 'own',
    },
    { id: 'grey', name: 'grey', change: grey, ground: 'own' },
    { id: 'squint', name: 'squint', ground: 'own', style: { filter: 'blur(3.5px)' } },
    ...VISIONS.map((vision): Look => ({
      id: vision,
      name: vision,
      change: seenBy(vision),
      ground: 'own',
    })),
    { id: 'light', name: 'on light', ground: 'other', colour: '#f7f5ef' },
    { id: 'dark', name: 'on dark', ground: 'other', colour: '#10181c' },
    { id: 'ground', name: 'own ground', ground: 'other', colour: ground },
    { id: 'down', name: 'upside down', ground: 'own', style: { transform: 'rotate(180deg)' } },
    { id: 'mirrored', name: 'mirrored', ground: 'own', style: { transform: 'scaleX(-1)' } },
    { id: 'tile', name: 'tile', ground: 'own', carrier: 'tile' },
    { id: 'badge', name: 'badge', ground: 'own', carrier: 'badge' },
    { id: 'flag', name: 'flag', ground: 'none', carrier: 'flag' },
    { id: 'cup', name: 'cup', ground: 'none', carrier: 'cup' },
    { id: 'stickers', name: 'stickers', ground: 'own', carrier: 'stickers' },
    { id: '256', name: '256 px', ground: 'own', real: 256 },
    { id: 'size', name: 'true size', ground: 'own', real: 'size' },
    ...inks.map((ink): Look => ({
      id: `ink ${ink}`,
      name: `ink ${ink}`,
      change: inkAlone(ink, [...inks, page]),
      ground: 'other',
      colour: '#ffffff',
      from: 'own',
    })),
  ];
}
