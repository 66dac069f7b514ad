/**
 * Which tabs are there: each has a name that it keeps over a reload, and holds a lock of the browser's by that name for as long as it is
 * open, so that what a closed one left behind can be told from what another one is still at.
 */

const NAME = 'cyclogon.tab';
const lockOf = (tab: string): string => `cyclogon-tab-${tab}`;

/** How long the former page of this tab may take to let its name go, in milliseconds. */
const LETTING_GO = 300;

const locks = (): LockManager | null =>
  typeof navigator !== 'undefined' && 'locks' in navigator ? navigator.locks : null;

function rememberedName(): string | null {
  try {
    return sessionStorage.getItem(NAME);
  } catch {
    return null;
  }
}

function remember(tab: string): void {
  try {
    sessionStorage.setItem(NAME, tab);
  } catch {
    // Without a place to keep it the tab has another name after a reload; what it left is found all the same.
  }
}

/** Holds a name until the page is gone. @returns false where another tab has it */
async function held(tab: string): Promise<boolean> {
  const manager = locks();
  if (!manager) return true;
  return new Promise((resolve) => {
    manager
      .request(lockOf(tab), { signal: AbortSignal.timeout(LETTING_GO) }, () => {
        resolve(true);
        return new Promise(() => undefined);
      })
      .catch(() => resolve(false));
  });
}

let claimed: Promise<string> | null = null;

async function claim(): Promise<string> {
  const former = rememberedName();
  if (former && (await held(former))) return former;
  const tab = crypto.randomUUID();
  remember(tab);
  await held(tab);
  return tab;
}

/** This tab's name: the one that it had before a reload, unless a copy of the tab took it. */
export const ownTab = (): Promise<string> => (claimed ??= claim());

/** True where a tab is open. */
export async function isOpen(tab: string): Promise<boolean> {
  const state = await locks()?.query();
  return state?.held?.some(({ name }) => name === lockOf(tab)) ?? false;
}
