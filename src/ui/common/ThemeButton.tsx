'use client';

import { Moon, Sun, SunMoon } from 'lucide-react';

import { IconButton } from './Button';
import { setTheme, useTheme, type Theme } from './theme';

const NEXT: Record<Theme, Theme> = { system: 'sand', sand: 'night', night: 'system' };
const NAMES: Record<Theme, string> = { system: 'as the system has it', sand: 'sand', night: 'night' };
const ICONS = { system: SunMoon, sand: Sun, night: Moon };

export function ThemeButton() {
  const theme = useTheme();
  const Icon = ICONS[theme];
  return (
    <IconButton label={`Theme: ${NAMES[theme]}`} onClick={() => setTheme(NEXT[theme])}>
      <Icon size={17} strokeWidth={1.7} />
    </IconButton>
  );
}
