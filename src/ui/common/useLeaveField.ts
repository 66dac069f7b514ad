import { useRef } from 'react';

/** Ends typing in a field, and tells while it does: what was typed is taken or left by then, and the blur that follows still sees it. */
interface LeaveField {
  readonly isLeaving: () => boolean;
  readonly leave: (field: HTMLElement) => void;
}

/**
 * How a field is left by Enter or Esc: the keys are the stage's again, so that what is typed next is a key and not more of the number. In
 * a dialog, which has keys of its own, the field keeps them.
 */
export function useLeaveField(): LeaveField {
  const leaving = useRef(false);
  return {
    isLeaving: () => leaving.current,
    leave: (field) => {
      if (field.closest('[role=dialog]')) return;
      leaving.current = true;
      field.blur();
      leaving.current = false;
    },
  };
}
