/**
 * Why a number that is typed cannot be taken: for fields whose numbers have a range of their own.
 *
 * @example
 * const refuse = aboveZero('A radius');
 * refuse(-1)?.sentence;                 // 'A radius is above 0.'
 */
import { finding, type Finding } from './finding';

type Refuse = (value: number) => Finding | null;

/** @param what the number is of, as the beginning of a sentence @param most the largest that it may be */
export const aboveZero =
  (what: string, most = Infinity): Refuse =>
  (value) => {
    if (value > 0 && value <= most) return null;
    return most === Infinity ? finding('number.above', what) : finding('number.aboveTo', what, most);
  };

/** 0 and more. @param what the number is of, as the beginning of a sentence @param most the largest that it may be */
export const zeroOrMore =
  (what: string, most = Infinity): Refuse =>
  (value) => {
    if (value >= 0 && value <= most) return null;
    return most === Infinity ? finding('number.notBelow', what) : finding('number.to', what, 0, most);
  };

/** From the least to the most. @param what the number is of, as the beginning of a sentence */
export const between =
  (what: string, least: number, most: number): Refuse =>
  (value) =>
    value >= least && value <= most ? null : finding('number.to', what, least, most);
