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

/** A program with all that it printed; its status is null where it was ended, as it did not come to an end itself. */
const printedBy = (program, args, limit) =>
  new Promise((resolve) => {
    const child = spawn(program, args, { stdio: ['ignore', 'pipe', 'pipe'] });
    let text = '';
    let isOver = false;
    const timer =
      limit === undefined
        ? undefined
        : setTimeout(() => {
            isOver = true;
            child.kill('SIGKILL');
          }, limit);
    for (const stream of [child.stdout, child.stderr]) {
      stream.setEncoding('utf8');
      stream.on('data', (part) => (text += part));
    }
    child.on('error', (error) => resolve({ status: 1, text: `${text}${error.message}` }));
    child.on('close', (status) => {
      clearTimeout(timer);
      resolve({ status: isOver ? null : (status ?? 1), text });
    });
  });

/**
 * Runs a program of the project's packages, or Node itself, beside others. One that waits for the system forever, as was seen of a linter
 * whose file was read and not told, is begun again once.
 * @param limit how long it may take before, in milliseconds; as long as it wants without one
 * @returns its status, and all that it printed
 */
export async function toolAside(name, args, limit) {
  const program = name === 'node' ? process.execPath : path.join(root, 'node_modules/.bin', name);
  const first = await printedBy(program, args, limit);
  if (first.status !== null) return first;
  console.log(`${name} did not come to an end in ${limit / 60_000} minutes: begun again.`);
  const { status, text } = await printedBy(program, args);
  return { status: status ?? 1, text };
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

/** What the tests need of Debian, by programs of each package: two browsers to drive, and a renderer of PDF. The first program is the best. */
const PACKAGES = {
  'chromium-headless-shell': ['chromium-headless-shell', 'chromium'],
  'firefox-esr': ['firefox-esr'],
  'poppler-utils': ['pdftoppm'],
};

/** Begins to install those packages of Debian that are missing; they come in beside others. @returns what waits for them */
export function beginInstallForTests() {
  const missing = missingForTests();
  if (missing.length === 0) return () => Promise.resolve();
  console.log(`Installing ${missing.join(', ')} …`);
  const words = `apt-get update && apt-get install -y --no-install-recommends ${missing.join(' ')}`;
  const child = spawn('sh', ['-c', words], { stdio: 'ignore' });
  const ended = new Promise((resolve) => {
    child.on('error', () => resolve(1));
    child.on('close', resolve);
  });
  // What went wrong is said by trying once more, in the foreground; not where another program does as well.
  return async () => {
    if ((await ended) !== 0 && !isEnough()) installForTests();
  };
}

const isThere = (program) => existsSync(`/usr/bin/${program}`);
const missingForTests = () => Object.keys(PACKAGES).filter((name) => !isThere(PACKAGES[name][0]));
const isEnough = () => Object.values(PACKAGES).every((programs) => programs.some(isThere));

/** Installs those packages of Debian that are missing. */
export function installForTests() {
  const missing = missingForTests();
  if (missing.length === 0) return;
  console.log(`Installing ${missing.join(', ')} …`);
  run('apt-get', ['update']);
  run('apt-get', ['install', '-y', '--no-install-recommends', ...missing]);
}
