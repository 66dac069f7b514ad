/**
 * What the server has not got yet, kept in the browser: for each tab and figure its unsaved steps and the place in them. Only what
 * changed is written, so that a closed tab loses next to nothing.
 *
 * @example
 * const draft = new DraftWriter(tab, figureId);
 * await draft.keep({ base: 7, at: 12, steps, unanswered: [], window });
 * const left = await abandonedDrafts(figureId, tab);
 */
import equal from 'fast-deep-equal';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

import { patchSteps, type StoredStep, wholeSteps } from '@/core/figure';
import type { HistoryStep, SaveRange } from '@/protocol';
import { isOpen } from './presence';

/** What only the browser has of a figure. */
export interface Draft {
  /** The server's revision that the steps were made to. */
  readonly base: number;
  /** The position that was shown. */
  readonly at: number;
  /** In order of position, without gaps. */
  readonly steps: readonly HistoryStep[];
  /** Saves that had no answer: the server may have got them. */
  readonly unanswered: readonly SaveRange[];
  /** The window of `SaveId` that kept it: what it sent after, the server may have got too. Null in what earlier versions wrote. */
  readonly window: string | null;
}

/** A draft that a tab left behind. */
export interface LeftDraft extends Draft {
  readonly tab: string;
}

interface Head {
  readonly tab: string;
  readonly figureId: string;
  readonly base: number;
  readonly at: number;
  /** Not there in what earlier versions wrote. */
  readonly unanswered?: readonly SaveRange[];
  readonly window?: string | null;
  /** When it was written last, in milliseconds since 1970. */
  readonly written: number;
}

interface Stores extends DBSchema {
  heads: { key: [string, string]; value: Head; indexes: { figureId: string } };
  steps: { key: [string, string, number]; value: StoredStep & { tab: string; figureId: string } };
}

let opened: Promise<IDBPDatabase<Stores>> | null = null;

const store = (): Promise<IDBPDatabase<Stores>> => {
  opened ??= openDB<Stores>('cyclogon', 1, {
    upgrade: (db) => {
      db.createObjectStore('heads', { keyPath: ['tab', 'figureId'] }).createIndex('figureId', 'figureId');
      db.createObjectStore('steps', { keyPath: ['tab', 'figureId', 'position'] });
    },
    terminated: () => (opened = null),
  });
  opened.catch(() => (opened = null));
  return opened;
};

/** All rows of steps of one tab's draft, from a position on. */
const rangeOf = (tab: string, figureId: string, from = 0): IDBKeyRange =>
  IDBKeyRange.bound([tab, figureId, from], [tab, figureId, Number.MAX_SAFE_INTEGER]);

/** How many steps at the beginning of two lists are the same. */
function sameFrom(a: readonly HistoryStep[], b: readonly HistoryStep[]): number {
  let k = 0;
  while (k < a.length && a[k] === b[k]) k += 1;
  return k;
}

/** True where writing one after the other would change nothing, but for when it was written. */
function isSameDraft(a: Draft | null, b: Draft | null): boolean {
  if (!a || !b) return a === b;
  const same = a.base === b.base && a.at === b.at && a.steps.length === b.steps.length;
  return same && equal(a.unanswered, b.unanswered) && sameFrom(a.steps, b.steps) === a.steps.length;
}

/** Writes the draft of one tab and figure, one write after another, the newest of those that wait. */
export class DraftWriter {
  private written: Draft | null = null;
  private wanted: Draft | null = null;
  private running: Promise<void> | null = null;

  constructor(
    private readonly tab: string,
    private readonly figureId: string,
  ) {}

  /** Keeps a draft, or takes it away where there is nothing to keep. @throws where the browser does not keep it */
  keep(draft: Draft | null): Promise<void> {
    this.wanted = draft;
    this.running ??= this.run();
    return this.running;
  }

  private async run(): Promise<void> {
    // Not at once: who asked has to know of it before it ends.
    await Promise.resolve();
    try {
      for (let next = this.wanted; !isSameDraft(next, this.written); next = this.wanted) {
        await (next ? this.write(next) : this.remove());
        this.written = next;
      }
    } finally {
      this.running = null;
    }
  }

  private async write({ base, at, steps, unanswered, window }: Draft): Promise<void> {
    const { tab, figureId, written } = this;
    const same = written?.base === base ? sameFrom(steps, written.steps) : 0;
    const rows = patchSteps(steps.slice(same), steps[same - 1]?.figure ?? null);
    const trx = (await store()).transaction(['heads', 'steps'], 'readwrite', { durability: 'relaxed' });
    const from = same > 0 ? (steps[same - 1]?.position ?? 0) + 1 : 0;
    await Promise.all([
      trx.objectStore('steps').delete(rangeOf(tab, figureId, from)),
      ...rows.map((row) => trx.objectStore('steps').put({ ...row, tab, figureId })),
      trx.objectStore('heads').put({ tab, figureId, base, at, unanswered, window, written: Date.now() }),
      trx.done,
    ]);
  }

  private remove(): Promise<void> {
    return dropDraft(this.tab, this.figureId);
  }
}

/** Takes a draft away. */
export async function dropDraft(tab: string, figureId: string): Promise<void> {
  const trx = (await store()).transaction(['heads', 'steps'], 'readwrite');
  await Promise.all([
    trx.objectStore('heads').delete([tab, figureId]),
    trx.objectStore('steps').delete(rangeOf(tab, figureId)),
    trx.done,
  ]);
}

/** The drafts of a figure that no open tab is at, this tab's own from before a reload counted; the newest first. */
export async function abandonedDrafts(figureId: string, ownTab: string): Promise<LeftDraft[]> {
  const db = await store();
  const heads = await db.getAllFromIndex('heads', 'figureId', figureId);
  const drafts: LeftDraft[] = [];
  for (const { tab, base, at, unanswered = [], window = null } of heads.sort(
    (a, b) => b.written - a.written,
  )) {
    if (tab !== ownTab && (await isOpen(tab))) continue;
    const rows = await db.getAll('steps', rangeOf(tab, figureId));
    drafts.push({ tab, base, at, unanswered, window, steps: wholeSteps(rows) });
  }
  return drafts;
}
