import { readdirSync, readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import path from 'node:path';

import { mapPath, moveMap } from '@/core/curve';
import { readSvg } from '@/core/format/svg/read';
import type { MergeShape } from '@/core/merge';

const folder = path.join(
  path.dirname(createRequire(import.meta.url).resolve('bootstrap-icons/package.json')),
  'icons',
);

/** Names of all icons of an open icon package. */
export const iconNames = (): string[] => readdirSync(folder).sort();

/** An icon's filled shapes as a motif: 16 wide, on the axis, its middle 18 from the centre. */
export const iconMotif = (name: string): MergeShape[] =>
  readSvg(readFileSync(path.join(folder, name), 'utf8'))
    .filter(({ paint }) => paint.fill !== null)
    .map(({ paths, rule }) => ({
      paths: paths.map((each) => ({ ...mapPath(each, moveMap({ x: -8, y: -26 })), closed: true })),
      rule,
    }));
