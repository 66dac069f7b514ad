/**
 * Variants of a figure, and numbers that go by others.
 *
 * @example
 * const fold = leversOf(figure, work).find(({ key }) => key === 'r fold');
 */
export { holding, movedSlider, setFormula, setSliders, settled, spelled, withAllSet } from './formulas';
export { firstNumber, type Lever, leversOf } from './levers';
export { nameOf, type Setting } from './named';
export { afterPicks, type Picked, wallOf, type WallPlan } from './wall';
