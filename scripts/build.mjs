import { BUILT_JOBS, bundleJobs } from './jobs.mjs';
import { root, tool } from './setup.mjs';
import { writeNotices } from './notices.mjs';

process.chdir(root);
await writeNotices();
tool('next', ['build']);
await bundleJobs(BUILT_JOBS);
