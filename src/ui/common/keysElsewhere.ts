/** Inputs that letters do nothing in: keys are still the page's while they have the focus. */
const WITHOUT_LETTERS = ['radio', 'checkbox', 'range', 'color', 'file', 'button']
  .map((type) => `:not([type=${type}])`)
  .join('');
const TEXT = `input${WITHOUT_LETTERS}, textarea, select`;

/** True where a letter would be typed. */
export const takesText = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && (target.isContentEditable || target.matches(TEXT));

/** True where a key belongs to what has the focus: a field, a dialog or a menu. */
export const keysElsewhere = (target: EventTarget | null): boolean =>
  takesText(target) ||
  (target instanceof HTMLElement && target.closest('[role=dialog], [role=menu]') !== null);
