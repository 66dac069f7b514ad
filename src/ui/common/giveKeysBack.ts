/**
 * Ends typing in a field: the keys are the stage's again, so that what is typed next is a key and not more of the number. In a
 * dialog, which has keys of its own, the field keeps them.
 */
export function giveKeysBack(field: HTMLElement): void {
  if (!field.closest('[role=dialog]')) field.blur();
}
