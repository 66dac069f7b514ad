import { useCallback, useRef, useState } from 'react';

/**
 * For a button that opens something: what it opens, with all that listens for it, is there only once it was pressed, as there are many such
 * buttons and few are used. The plain button then gives way to the one that opens, which is pressed in its place.
 *
 * @example
 * const { isUsed, use, pressOnce } = useFirstUse();
 * return isUsed ? <Popover><PopoverButton ref={pressOnce} />…</Popover> : <button onClick={use} />;
 */
export function useFirstUse(): {
  readonly isUsed: boolean;
  readonly use: () => void;
  readonly pressOnce: (button: HTMLButtonElement | null) => void;
} {
  const [isUsed, setUsed] = useState(false);
  const isPressed = useRef(false);
  const pressOnce = useCallback((button: HTMLButtonElement | null) => {
    if (!button || isPressed.current) return;
    isPressed.current = true;
    button.focus({ preventScroll: true });
    button.click();
  }, []);
  return { isUsed, use: useCallback(() => setUsed(true), []), pressOnce };
}
