import { parentPort, workerData } from 'node:worker_threads';

// A thread beside work that nothing in its own thread can stop: it ends the process where this takes more memory than it may, and
// where the one that asked for the work is gone.
// It also keeps the most memory that was seen, in `peak`, which the work begins anew with each job.
const { most, parent, peak } = workerData;
const seen = new Float64Array(peak);

setInterval(() => {
  const now = process.memoryUsage.rss();
  seen[0] = Math.max(seen[0], now);
  if (now > most) {
    parentPort.postMessage('memory');
    process.kill(process.pid, 'SIGKILL');
  }
  if (process.ppid !== parent) process.kill(process.pid, 'SIGKILL');
}, 100);
