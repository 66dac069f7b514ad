import path from 'node:path';

import { installPackages, root, run, tool } from './setup.mjs';

// Installs, builds, brings the database up to date, loads Tide Week, and serves it on loopback.
const port = process.env.PORT ?? '4310';
process.env.CYCLOGON_DATA ??= path.join(root, '.demo-data');

installPackages();
run(process.execPath, ['scripts/build.mjs']);
tool('tsx', ['demo/load.ts']);
console.log(`Cyclogon with Tide Week: http://127.0.0.1:${port}`);
run(process.execPath, ['scripts/serve.mjs', '--port', port]);
