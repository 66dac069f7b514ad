/** Keys, what they do, and the sheet that tells them. */
export { KeysSheet } from './KeysSheet';
export { keyLetter, subscribeToLayout } from './keyboardLayout';
export { followKeys, goToStage, type Sheet, undoStep } from './keys';
