import { availableParallelism } from 'node:os';

import { endProcesses, startProcesses } from '@/server/jobs';

// Who reads what is written may stop before its end.
process.stdout.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code !== 'EPIPE') console.error(`cyclogon: standard output cannot be written (${error.code}).`);
  process.exit(error.code === 'EPIPE' ? 0 : 1);
});

// The process that does the work reads its sources while this one reads its own. Nobody else waits for the cores: all may be used.
const args = process.argv.slice(2);
if (args[0] === 'export' || args[0] === 'merge' || args[0] === 'proof')
  startProcesses(availableParallelism());
const { run } = await import('./run');
process.exitCode = await run(args);
await endProcesses();
