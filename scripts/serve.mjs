import { existsSync } from 'node:fs';
import http from 'node:http';
import path from 'node:path';
import { parseArgs } from 'node:util';

import next from 'next';

// Serves the built application on loopback. What Next itself would stumble over is answered before it.
process.chdir(path.dirname(import.meta.dirname));
const { values } = parseArgs({
  options: {
    hostname: { type: 'string', default: '127.0.0.1' },
    port: { type: 'string', default: process.env.PORT ?? '4310' },
  },
});
const { hostname, port } = values;
// The port that is served is part of who may ask (src/server/access.ts).
process.env.PORT = port;
process.env.NODE_ENV = 'production';
// Processes for files and pictures run what was built of them.
const jobs = path.join(process.cwd(), '.next/jobs/process.mjs');
if (existsSync(jobs)) process.env.CYCLOGON_JOBS = jobs;

const METHODS = new Set(['GET', 'HEAD', 'OPTIONS', 'POST', 'PUT', 'PATCH', 'DELETE']);

/** Why a request is answered here already: a status and a sentence; null where it goes on. */
function refusalOf({ method = '', url = '' }) {
  if (!METHODS.has(method)) return [405, `The method ${method.slice(0, 20)} is not taken.`];
  try {
    decodeURIComponent(url.split('?', 1)[0] ?? '');
    return null;
  } catch {
    return [400, 'The address is not well-formed.'];
  }
}

const app = next({ dev: false, hostname, port: Number(port) });
const handle = app.getRequestHandler();
await app.prepare();

const server = http.createServer((request, answer) => {
  const refusal = refusalOf(request);
  if (!refusal) {
    void handle(request, answer);
    return;
  }
  const [status, error] = refusal;
  answer.writeHead(status, { 'Content-Type': 'application/json' });
  answer.end(JSON.stringify({ error }));
});
server.on('error', (error) => {
  console.error(
    error.code === 'EADDRINUSE'
      ? `Port ${port} is taken by another program: end it, or set PORT to another one.`
      : error.message,
  );
  process.exit(1);
});
// Longer than whoever asks keeps a connection unused: else it may be closed just as it is asked again.
server.keepAliveTimeout = 75_000;
server.listen(Number(port), hostname, () => console.log(`Cyclogon: http://${hostname}:${port}`));
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => process.exit(0));
