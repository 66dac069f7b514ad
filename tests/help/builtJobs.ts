import path from 'node:path';

import { bundleJobs } from '../../scripts/jobs.mjs';

/** Processes for files and pictures start many times in tests: they run one file made of the sources as they are now. */
export default async function setup(): Promise<void> {
  const folder = path.join(import.meta.dirname, '../../.tmp/jobs');
  process.env['CYCLOGON_JOBS'] = await bundleJobs(folder);
}
