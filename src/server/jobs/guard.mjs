import { parentPort, workerData } from 'node:worker_threads';

// A thread beside work that nothing in its own thread can stop: it ends the process where this takes more memory than it may, and
// where the one that asked for the work is gone.
const { most, parent } = workerData;

setInterval(() => {
  if (process.memoryUsage.rss() > most) {
    parentPort.postMessage('memory');
    process.kill(process.pid, 'SIGKILL');
  }
  if (process.ppid !== parent) process.kill(process.pid, 'SIGKILL');
}, 100);
