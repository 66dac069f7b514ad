import { useCallback, useState } from 'react';

/**
 * Names of groups of radio buttons, given again once their group is gone: a browser keeps what it knows of a name as long as the page lives
 * (Chromium some 200 bytes each, seen in snapshots of its heap), and panels make new groups all the time.
 *
 * @example
 * const names = new GroupNames();
 * const name = names.take();
 * names.giveBack(name);
 */
export class GroupNames {
  private readonly taken = new Set<string>();

  /** The first name that no group has. */
  take(): string {
    let k = 0;
    while (this.taken.has(`group-${k}`)) k += 1;
    const name = `group-${k}`;
    this.taken.add(name);
    return name;
  }

  giveBack(name: string): void {
    this.taken.delete(name);
  }
}

const names = new GroupNames();

/** A name for the radio buttons of one group on the page; none until the group's element, which is given the ref, is there. */
export function useGroupName(): { readonly name: string | undefined; readonly group: () => () => void } {
  const [name, setName] = useState<string>();
  const group = useCallback(() => {
    const own = names.take();
    setName(own);
    return () => names.giveBack(own);
  }, []);
  return { name, group };
}
