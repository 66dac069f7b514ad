import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';

export const root = path.dirname(import.meta.dirname);
process.chdir(root);
process.env.NEXT_TELEMETRY_DISABLED = '1';

/** Runs a command in the foreground; ends this program with its status where it fails. */
export function run(command, args, env = {}) {
  const { status, error } = spawnSync(command, args, { stdio: 'inherit', env: { ...process.env, ...env } });
  if (error) console.error(error.message);
  if (status !== 0) process.exit(status ?? 1);
}

/** Runs a program of the project's packages. */
export const tool = (name, args, env) => run(path.join(root, 'node_modules/.bin', name), args, env);

/** Runs a program of the project's packages, or Node itself, beside others. @returns its status, and all that it printed */
export function toolAside(name, args) {
  const program = name === 'node' ? process.execPath : path.join(root, 'node_modules/.bin', name);
  return new Promise((resolve) => {
    const child = spawn(program, args, { stdio: ['ignore', 'pipe', 'pipe'] });
    let text = '';
    for (const stream of [child.stdout, child.stderr]) {
      stream.setEncoding('utf8');
      stream.on('data', (part) => (text += part));
    }
    child.on('error', (error) => resolve({ status: 1, text: `${text}${error.message}` }));
    child.on('close', (status) => resolve({ status: status ?? 1, text }));
  });
}

const digest = () =>
  createHash('sha256')
    .update(readFileSync('package.json'))
    .update(readFileSync('package-lock.json'))
    .update(process.version)
    .digest('hex');

/** Installs packages where they do not match the lockfile. */
export function installPackages() {
  const stamp = 'node_modules/.installed';
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === digest()) return;
  console.log('Installing packages …');
  run('npm', ['install', '--no-audit', '--no-fund']);
  mkdirSync('node_modules', { recursive: true });
  writeFileSync(stamp, digest());
}

/** What the tests need of Debian, by a program of each package: two browsers to drive, and a renderer of PDF. */
const PACKAGES = { chromium: 'chromium', 'firefox-esr': 'firefox-esr', 'poppler-utils': 'pdftoppm' };

/** Installs those packages of Debian that are missing. */
export function installForTests() {
  const missing = Object.keys(PACKAGES).filter((name) => !existsSync(`/usr/bin/${PACKAGES[name]}`));
  if (missing.length === 0) return;
  console.log(`Installing ${missing.join(', ')} …`);
  run('apt-get', ['update']);
  run('apt-get', ['install', '-y', '--no-install-recommends', ...missing]);
}
