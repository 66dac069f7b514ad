/** Artwork on its way in. */
export { ArtworkChooser, chooseArtwork, ImportButton } from './ImportButton';
export { ImportSheet } from './ImportSheet';
export { type FileText, OpenSheet } from './OpenSheet';
export { ReadSheet } from './ReadSheet';
export { dropsOf, isArtwork, nameOfFile } from './takeFile';
