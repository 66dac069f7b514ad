import { readFileSync } from 'node:fs';
import path from 'node:path';

import { describe, expect, it } from 'vitest';

import { valueOf } from '../../../demo/pieces/valueOf';
import { boundsOfPaths, pathsOfContours } from '@/core/curve';
import { faceOf, shapeWords, type Face } from './shape';
import { START_WORDS } from './startWords';

const FOLDER = path.join(import.meta.dirname, '../../../node_modules/@expo-google-fonts');
const read = (file: string): Face => valueOf(faceOf(new Uint8Array(readFileSync(path.join(FOLDER, file)))));
const josefin = read('josefin-sans/600SemiBold/JosefinSans_600SemiBold.ttf');
const rubik = read('rubik/500Medium/Rubik_500Medium.ttf');
const amiri = read('amiri/400Regular/Amiri_400Regular.ttf');
const runOf = (face: Face, text: string) => valueOf(shapeWords(face, text));
const lengthOf = (face: Face, text: string): number =>
  runOf(face, text).run.letters.reduce((sum, { advance }) => sum + advance, 0);

describe('words in a face', () => {
  it('are kerned by it: two letters that lean to each other stand nearer than they do apart', () => {
    expect(lengthOf(josefin, 'AV')).toBeLessThan(lengthOf(josefin, 'A') + lengthOf(josefin, 'V') - 0.02);
    expect(lengthOf(josefin, 'HH')).toBeCloseTo(2 * lengthOf(josefin, 'H'), 9);
  });

  it('have each outline once, capitals as high as the face says, on the base line', () => {
    const { run, missing } = runOf(josefin, 'TEETH');
    expect(missing).toEqual([]);
    expect(run.letters.map(({ outline }) => outline)).toEqual([0, 1, 1, 0, 2]);
    const { top, bottom } = boundsOfPaths(pathsOfContours(run.outlines[2]!));
    expect(bottom).toBeCloseTo(0, 9);
    expect(-top).toBeCloseTo(run.capHeight, 3);
  });

  it('keep marks with their letter, precomposed or not', () => {
    const [apart, one] = [runOf(josefin, 'e\u0301t\u0301').run, runOf(josefin, '\u00e9').run];
    expect(apart.letters).toHaveLength(2);
    expect(apart.letters[0]?.advance).toBeCloseTo(one.letters[0]!.advance, 9);
    // The accent stands over the letter.
    const box = (k: number) => boundsOfPaths(pathsOfContours(apart.outlines[k]!));
    expect(box(1).right - box(1).left).toBeLessThan(0.6);
  });

  it('stand from right to left where they are read so, also between others', () => {
    const hebrew = runOf(rubik, 'אב').run;
    const [bet] = runOf(rubik, 'ב').run.outlines;
    expect(hebrew.outlines[hebrew.letters[0]!.outline!]).toEqual(bet);
    const mixed = runOf(rubik, 'A אב B').run;
    expect(mixed.letters).toHaveLength(6 + 0);
    expect(mixed.outlines[mixed.letters[2]!.outline!]).toEqual(bet);
  });

  it('are joined where their script joins letters', () => {
    const alone = runOf(amiri, 'ب').run.outlines[0];
    const word = runOf(amiri, 'ببب').run;
    expect(word.letters).toHaveLength(3);
    expect(word.outlines).not.toContainEqual(alone);
  });

  it('tell what the face does not have, and are refused where nothing is to be seen', () => {
    expect(runOf(josefin, 'Tide 漢字').missing).toEqual(['漢', '字']);
    const refused = (text: string): string | null => {
      const made = shapeWords(josefin, text);
      return made.ok ? null : made.finding.code;
    };
    expect(refused('   ')).toBe('words.none');
    expect(refused('x'.repeat(300))).toBe('words.many');
    const broken = faceOf(new TextEncoder().encode('no font'));
    expect(broken.ok ? null : broken.finding.code).toBe('face.broken');
  });

  it('that one begins with are those that their face sets', () => {
    const { run } = runOf(josefin, START_WORDS.text);
    expect(START_WORDS.run.letters).toHaveLength(run.letters.length);
    run.letters.forEach(({ advance }, k) =>
      expect(START_WORDS.run.letters[k]!.advance).toBeCloseTo(advance, 4),
    );
    expect(START_WORDS.run.outlines.map((each) => each.length)).toEqual(
      run.outlines.map((each) => each.length),
    );
  });
});
