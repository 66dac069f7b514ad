'use client';

import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { Ellipsis, type LucideIcon } from 'lucide-react';
import { Fragment } from 'react';

import { useFirstUse } from './useFirstUse';

export interface MenuEntry {
  readonly label: string;
  readonly icon: LucideIcon;
  readonly onClick: () => void;
  /** What else it is called, for Find. */
  readonly words?: string;
  /** The key that does it. */
  readonly shortcut?: string;
  readonly disabled?: boolean;
  readonly danger?: boolean;
  /** A rule is drawn above it. */
  readonly apart?: boolean;
}

export function MenuList({ entries }: { readonly entries: readonly MenuEntry[] }) {
  return (
    <>
      {entries.map(({ label, icon: Icon, onClick, disabled, danger, apart, shortcut }) => (
        <Fragment key={label}>
          {apart && <hr className="my-1 border-line" />}
          <MenuItem disabled={disabled ?? false}>
            <button
              type="button"
              onClick={onClick}
              className={`flex h-[30px] w-full items-center gap-2.5 rounded-[6px] px-2.5 text-left data-[disabled]:opacity-40 data-[focus]:bg-kelp-soft ${danger ? 'text-coral-text' : 'text-ink'}`}
            >
              <Icon size={15} strokeWidth={1.7} aria-hidden />
              <span className="flex-1">{label}</span>
              {shortcut && (
                <kbd aria-hidden="true" className="font-mono text-[11px] whitespace-nowrap text-muted">
                  {shortcut}
                </kbd>
              )}
            </button>
          </MenuItem>
        </Fragment>
      ))}
    </>
  );
}

export const MENU_LOOK =
  'z-40 w-[216px] rounded-[10px] border border-line-strong bg-shell p-1 shadow-ui outline-none [--anchor-gap:4px]';

/** Three dots that open a list of actions. */
export function DotsMenu({
  label,
  entries,
}: {
  readonly label: string;
  readonly entries: readonly MenuEntry[];
}) {
  const { isUsed, use, pressOnce } = useFirstUse();
  const button = {
    'aria-label': label,
    title: label,
    className:
      'inline-flex size-[30px] shrink-0 items-center justify-center rounded-ui text-muted hover:bg-line/60 hover:text-ink',
    children: <Ellipsis size={17} strokeWidth={1.7} aria-hidden />,
  };
  if (!isUsed)
    return <button {...button} type="button" aria-haspopup="menu" aria-expanded={false} onClick={use} />;
  return (
    <Menu>
      <MenuButton {...button} ref={pressOnce} />
      <MenuItems anchor="bottom end" className={MENU_LOOK}>
        <MenuList entries={entries} />
      </MenuItems>
    </Menu>
  );
}
