/** Keys, what they do, and the sheet that tells them. */
export { KeysSheet } from './KeysSheet';
export { keyLetter, subscribeToLayout } from './keyboardLayout';
export { goToStage, undoStep } from './keyActions';
export { followKeys, type Sheet } from './keys';
