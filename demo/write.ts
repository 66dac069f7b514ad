import { mkdir, writeFile } from 'node:fs/promises';
import path from 'node:path';

import { checkFigure, writeFigure } from '@/core/format/figure';
import { sound } from '@/server';
import { PIECES } from './pieces';

/** Writes the pieces to demo/data, where they are kept as what their scripts have to build. */
const folder = path.join(import.meta.dirname, 'data');
await mkdir(folder, { recursive: true });
for (const [file, build] of Object.entries(PIECES))
  await writeFile(path.join(folder, `${file}.json`), writeFigure(sound(checkFigure(build()))));
console.log(`${Object.keys(PIECES).length} pieces written.`);
