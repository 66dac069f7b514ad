/**
 * A history as rows of a list: versions first, then steps by the days on which they were made, the newest first.
 *
 * @example
 * rowsOf(history, { today: new Date(), folded: new Set(['2026-11-29']) });
 */
import { format, isSameDay, subDays } from 'date-fns';

import type { FigureHistory, HistoryEntry, StateRef, VersionEntry } from '@/protocol';

export type Row =
  | {
      readonly kind: 'day';
      readonly key: string;
      readonly title: string;
      readonly count: number;
      readonly isFolded: boolean;
    }
  | { readonly kind: 'version'; readonly key: string; readonly version: VersionEntry }
  | {
      readonly kind: 'step';
      readonly key: string;
      readonly step: HistoryEntry;
      /** It is the one that is shown, or it was taken back and can be done again. */
      readonly is: 'now' | 'undone' | 'before';
    };

const VERSIONS = 'versions';

/** A day as people say it. */
function dayTitle(day: Date, today: Date): string {
  if (isSameDay(day, today)) return 'Today';
  if (isSameDay(day, subDays(today, 1))) return 'Yesterday';
  return format(day, day.getFullYear() === today.getFullYear() ? 'EEEE d MMMM' : 'd MMMM yyyy');
}

const dayKey = (at: string): string => format(new Date(at), 'yyyy-MM-dd');

/** Days that are folded before a person says otherwise: all but the last on which something was done. */
export function foldedAtFirst({ steps }: FigureHistory): ReadonlySet<string> {
  const days = new Set(steps.map(({ at }) => dayKey(at)));
  const last = steps[steps.length - 1];
  if (last) days.delete(dayKey(last.at));
  return days;
}

/** The rows of a history. */
export function rowsOf(
  { steps, versions, step: shown }: FigureHistory,
  { today, folded }: { readonly today: Date; readonly folded: ReadonlySet<string> },
): Row[] {
  const rows: Row[] = [];
  const title = (key: string, name: string, count: number): boolean => {
    const isFolded = folded.has(key);
    rows.push({ kind: 'day', key, title: name, count, isFolded });
    return !isFolded;
  };
  if (versions.length > 0 && title(VERSIONS, 'Versions', versions.length))
    for (const version of versions) rows.push({ kind: 'version', key: `v${version.id}`, version });
  const byDay = new Map<string, HistoryEntry[]>();
  for (const each of [...steps].reverse()) {
    const key = dayKey(each.at);
    byDay.set(key, [...(byDay.get(key) ?? []), each]);
  }
  for (const [key, list] of byDay) {
    if (!title(key, dayTitle(new Date(list[0]?.at ?? 0), today), list.length)) continue;
    for (const each of list) {
      const { position } = each;
      const is = position === shown ? 'now' : position > shown ? 'undone' : 'before';
      rows.push({ kind: 'step', key: `s${position}`, step: each, is });
    }
  }
  return rows;
}

/** What a row stands for; null for a title. */
export const stateOfRow = (row: Row): StateRef | null =>
  row.kind === 'step'
    ? { step: row.step.position }
    : row.kind === 'version'
      ? { version: row.version.id }
      : null;

/** What a row is called. */
export const nameOfRow = (row: Row): string =>
  row.kind === 'step' ? row.step.label : row.kind === 'version' ? row.version.name : row.title;
