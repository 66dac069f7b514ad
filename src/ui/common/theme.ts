'use client';

import { useSyncExternalStore } from 'react';

import { THEME_KEY } from './themeScript';

/** `system` follows the machine's light or dark. */
export type Theme = 'system' | 'sand' | 'night';

const listeners = new Set<() => void>();

function read(): Theme {
  const chosen = document.documentElement.dataset['theme'];
  return chosen === 'sand' || chosen === 'night' ? chosen : 'system';
}

/** Chooses a theme for this browser. */
export function setTheme(theme: Theme): void {
  if (theme === 'system') delete document.documentElement.dataset['theme'];
  else document.documentElement.dataset['theme'] = theme;
  try {
    localStorage.setItem(THEME_KEY, theme);
  } catch {
    // Without a store the choice lasts for this page.
  }
  for (const listener of listeners) listener();
}

export const useTheme = (): Theme =>
  useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    read,
    () => 'system',
  );
