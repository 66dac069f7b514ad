import type { Path } from '../curve/path';
import type { BandJoin } from '../merge/band';
import { MergeFailed } from '../merge/merge';
import { isLeftForLater, outlinesOfTask, type OutlineTask } from '../merge/outlines';
import type { Field } from './construction';

/** What a construction draws that is an outline to be worked out. */
interface Outlined<N> {
  /** Nothing where there is a problem. */
  readonly paths: (numbers: N) => readonly Path[];
  /** Why there is none; null too where working it out takes long and is left for later. */
  readonly problem: (numbers: N) => string | null;
}

/**
 * Outlines that follow from numbers, made once for the same ones.
 * @param none what is said where nothing comes of them
 */
export function outlined<N extends object>(taskOf: (numbers: N) => OutlineTask, none: string): Outlined<N> {
  const made = new WeakMap<N, readonly Path[] | string>();
  const outline = (numbers: N): readonly Path[] | string => {
    const known = made.get(numbers);
    if (known !== undefined) return known;
    let answer: readonly Path[] | string;
    try {
      answer = outlinesOfTask(taskOf(numbers)).flat();
      if (answer.length === 0) answer = none;
    } catch (error) {
      if (!(error instanceof MergeFailed)) throw error;
      answer = error.message;
    }
    made.set(numbers, answer);
    return answer;
  };
  return {
    paths: (numbers) => {
      const answer = outline(numbers);
      return typeof answer === 'string' ? [] : answer;
    },
    problem: (numbers) => {
      // What takes long is found out when it is made.
      if (!made.has(numbers) && isLeftForLater(taskOf(numbers))) return null;
      const answer = outline(numbers);
      return typeof answer === 'string' ? answer : null;
    },
  };
}

/** How the corners of an outline are joined. */
export const JOIN_FIELDS: readonly Field<{ readonly join: BandJoin; readonly limit: number }>[] = [
  {
    key: 'join',
    label: 'Join',
    type: 'choice',
    choices: [
      ['miter', 'Miter'],
      ['round', 'Round'],
      ['bevel', 'Bevel'],
    ],
  },
  {
    key: 'limit',
    label: 'Miter limit',
    type: 'share',
    least: 1,
    most: 100,
    when: ({ join }) => join === 'miter',
  },
];
