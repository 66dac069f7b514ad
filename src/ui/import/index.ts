/** Artwork on its way in. */
export { ArtworkChooser, chooseArtwork, ImportButton } from './ImportButton';
export { type FileText, OpenSheet } from './OpenSheet';
export { dropsOf, isArtwork, nameOfFile } from './takeFile';
