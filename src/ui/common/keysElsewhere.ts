/** True where a key belongs to what has the focus: a field, a dialog or a menu. */
export const keysElsewhere = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  target.closest('input, textarea, select, [role=dialog], [role=menu]') !== null;
