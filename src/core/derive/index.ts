/**
 * What takes work, as tasks, and reading their answers.
 *
 * @example
 * const work = workFrom(results);
 * const scene = evaluate(figure, merges, work);
 * const next = work.wanted();
 */
export { sent, taskOf, type Progress, type SentTask, type Task, type TaskKind } from './task';
export {
  NO_RESULTS,
  rememberedWith,
  STRAIGHT,
  withAnswer,
  withoutOldest,
  withGivenUp,
  workFrom,
  type Results,
  type Work,
} from './work';
