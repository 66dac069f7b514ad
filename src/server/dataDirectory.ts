import { mkdirSync } from 'node:fs';
import path from 'node:path';

import { Unusable } from './errors';
import { whyUnwritten } from './unwritten';

/**
 * Where all data lives: CYCLOGON_DATA, or `data` in the folder the program was started in. Made if missing.
 * @throws Unusable where it cannot be made
 */
export function dataDirectory(): string {
  const configured = process.env['CYCLOGON_DATA'];
  const directory = configured
    ? path.resolve(configured)
    : path.join(/* turbopackIgnore: true */ process.cwd(), 'data');
  try {
    mkdirSync(directory, { recursive: true });
  } catch (error) {
    const why = whyUnwritten(error);
    throw why ? new Unusable(`The data folder ${directory} cannot be made. ${why}`) : error;
  }
  return directory;
}
