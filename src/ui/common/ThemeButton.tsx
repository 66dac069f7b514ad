'use client';

import { Moon, Sun, SunMoon } from 'lucide-react';

import { IconButton } from './Button';
import { setTheme, useTheme, type Theme } from './theme';

/** First what the system has not, so that a press is seen; the last one is as the system has it again. */
function nextOf(theme: Theme): Theme {
  const isNight = window.matchMedia('(prefers-color-scheme: dark)').matches;
  const [other, same] = isNight ? (['sand', 'night'] as const) : (['night', 'sand'] as const);
  if (theme === 'system') return other;
  return theme === other ? same : 'system';
}

const NAMES: Record<Theme, string> = { system: 'as the system has it', sand: 'sand', night: 'night' };
const ICONS = { system: SunMoon, sand: Sun, night: Moon };

export function ThemeButton() {
  const theme = useTheme();
  const Icon = ICONS[theme];
  return (
    <IconButton label={`Theme: ${NAMES[theme]}`} onClick={() => setTheme(nextOf(theme))}>
      <Icon size={17} strokeWidth={1.7} />
    </IconButton>
  );
}
