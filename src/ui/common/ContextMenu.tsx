'use client';

import { Menu, MenuButton, MenuItems } from '@headlessui/react';
import { memo, useRef, useState, type MouseEvent, type ReactNode, type RefObject } from 'react';
import { flushSync } from 'react-dom';

import { MENU_LOOK, MenuList, type MenuEntry } from './Menu';

interface Props {
  readonly label: string;
  /** Asked for each time it opens. */
  readonly entries: () => readonly MenuEntry[];
  /** Told before it opens, with the event that asked for it. */
  readonly onOpen?: (event: MouseEvent) => void;
  readonly children: ReactNode;
}

/** Mounted with the list it shows: its entries are those of that moment. */
function FreshList({ entries }: Pick<Props, 'entries'>) {
  return <MenuList entries={entries()} />;
}

interface ListProps extends Pick<Props, 'label' | 'entries'> {
  readonly button: RefObject<HTMLButtonElement | null>;
}

/** The list itself, which what it hangs on may be drawn again many times without. */
const List = memo(function List({ button, label, entries }: ListProps) {
  return (
    <Menu>
      <MenuButton
        ref={button}
        aria-label={label}
        tabIndex={-1}
        className="pointer-events-none fixed size-px opacity-0"
      />
      <MenuItems anchor="bottom start" className={MENU_LOOK}>
        <FreshList entries={entries} />
      </MenuItems>
    </Menu>
  );
});

/** Opens a list of actions where the second mouse button, or the menu key, was pressed on its children. */
export function ContextMenu({ label, entries, onOpen, children }: Props) {
  const button = useRef<HTMLButtonElement>(null);
  const [isUsed, setUsed] = useState(false);
  const open = (event: MouseEvent): void => {
    event.preventDefault();
    onOpen?.(event);
    // There only once it was asked for, as what it hangs on is drawn again very often.
    flushSync(() => setUsed(true));
    const target = button.current;
    if (!target) return;
    target.style.left = `${event.clientX}px`;
    target.style.top = `${event.clientY}px`;
    // The list is placed by its button, which has to have moved before it opens.
    requestAnimationFrame(() => target.click());
  };
  return (
    <div className="contents" onContextMenu={open}>
      {children}
      {isUsed && <List button={button} label={label} entries={entries} />}
    </div>
  );
}
