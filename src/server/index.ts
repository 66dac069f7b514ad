/**
 * Who may ask, the database, figures and their steps, pictures, faces.
 *
 * @example
 * const saved = await loadFigure(await database(), id);
 */
export { accessOf, refusalOf } from './access';
export { bytesOf } from './body';
export { cardOf } from './cards';
export { dataDirectory } from './dataDirectory';
export { closeDatabases, database } from './database';
export { NotFound, Refused, TooLarge, sound } from './errors';
export { bytesOfFace, facesIn, MOST_FACE_BYTES, storeFace } from './faces';
export {
  createFigure,
  deleteFigure,
  duplicateFigure,
  listFigures,
  loadFigure,
  renameStored,
  restoreFigure,
  saveFigure,
  shownFigure,
  stepsBefore,
} from './figures';
export { loadPicture, MOST_PICTURE_BYTES, picturesOf, storeOwnPicture, storePicture } from './pictures';
export {
  changeSchema,
  collectionSchema,
  copySchema,
  createSchema,
  exportOf,
  listSchema,
  motifChangeSchema,
  motifSchema,
  motifSetSchema,
  proofOf,
  renameSchema,
  saveSchema,
  stateSchema,
  stepsSchema,
  versionSchema,
  windowSchema,
  wordsSchema,
} from './requests';
export { bodyOf, respond, valid } from './respond';
