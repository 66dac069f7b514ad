import { existsSync } from 'node:fs';

const PROGRAMS = ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium'];

/** Debian's Chromium; the one without a window where it is there, as it takes a quarter less time. */
export const CHROMIUM = PROGRAMS.find((program) => existsSync(program)) ?? '/usr/bin/chromium';
