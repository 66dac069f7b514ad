import { mkdirSync, writeFileSync } from 'node:fs';

import { getLicenseFileText } from 'generate-license-file';

const HEADING = `Third-party notices

Cyclogon is made with the packages named here; each is under the licence that follows its name.
`;

/** Writes the licences of all packages that the application is made with where the interface shows them. */
export async function writeNotices() {
  const text = await getLicenseFileText('./package.json');
  // What the generator says of itself stands before the first package.
  const body = text.slice(text.indexOf('The following npm package'));
  mkdirSync('public', { recursive: true });
  writeFileSync('public/notices.txt', `${HEADING}\n${body}`);
}
