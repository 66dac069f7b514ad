/**
 * What the Shelf keeps beside figures: history, versions, collections, the drawer, backups.
 *
 * @example
 * const { added } = await takeBackup(knex, '/media/stick/shelf.sqlite');   // beside what is there
 */
export { backUp, checkBackup, lastGoodBackup, putInPlace, takeBackup } from './backup';
export { changeFigures, dropCollection, emptyBin, makeCollection, renameCollection } from './changes';
export {
  changeMotif,
  dropMotif,
  keepMotif,
  listMotifs,
  loadMotif,
  motifSet,
  motifsOut,
  takeMotifSet,
} from './drawer';
export { shelfFacts } from './facts';
export { dropVersion, historyOf, keepVersion, renameVersion, stateOf } from './history';
export { pageOfFigures, rowOf } from './list';
export { noteClosed, noteOpen } from './presence';
export { setThinningRules, thinningRules, thinningSchema } from './settings';
export { dropKeptTarget, keepTarget, keptTargets } from './targets';
