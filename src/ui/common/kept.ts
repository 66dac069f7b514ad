import { useSyncExternalStore } from 'react';

/** Something of the interface that a browser keeps between visits. */
interface Kept<T> {
  readonly get: () => T;
  readonly set: (value: T) => void;
  readonly subscribe: (listener: () => void) => () => void;
  readonly start: T;
}

/**
 * Something that is kept in the browser, by a name; where nothing can be kept it holds until the page is left.
 * @param read what a kept text stands for; null where it is none of ours
 */
export function keptIn<T>(name: string, start: T, read: (value: unknown) => T | null): Kept<T> {
  const key = `cyclogon-${name}`;
  const listeners = new Set<() => void>();
  let known: { readonly value: T } | null = null;
  const load = (): T => {
    try {
      const text = window.localStorage.getItem(key);
      return (text === null ? null : read(JSON.parse(text))) ?? start;
    } catch {
      return start;
    }
  };
  return {
    start,
    get: () => {
      known ??= { value: load() };
      return known.value;
    },
    set: (value) => {
      known = { value };
      try {
        window.localStorage.setItem(key, JSON.stringify(value));
      } catch {
        // Full or forbidden.
      }
      listeners.forEach((listener) => listener());
    },
    subscribe: (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
  };
}

/** What is kept, and follows as it changes. */
export const useKept = <T>({ get, subscribe, start }: Kept<T>): T =>
  useSyncExternalStore(subscribe, get, () => start);
