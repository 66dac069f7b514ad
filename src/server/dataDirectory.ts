import { mkdirSync } from 'node:fs';
import path from 'node:path';

/** Where all data lives: CYCLOGON_DATA, or `data` in the folder the program was started in. Made if missing. */
export function dataDirectory(): string {
  const configured = process.env['CYCLOGON_DATA'];
  const directory = configured
    ? path.resolve(configured)
    : path.join(/* turbopackIgnore: true */ process.cwd(), 'data');
  mkdirSync(directory, { recursive: true });
  return directory;
}
