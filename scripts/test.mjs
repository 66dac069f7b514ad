import { beginInstallForTests, installPackages, tool, toolAside } from './setup.mjs';

// Every check and test, from nothing but Node, a compiler and Debian's packages.
// Browsers come in while packages do, and are waited for where they are needed.
const browsers = beginInstallForTests();
installPackages();

/** Six times what it takes alone on two cores, in milliseconds: beside others on a slow machine it takes long. */
const LINT_LIMIT = 720_000;
const lint = ['Lint', 'eslint', ['.', '--max-warnings', '0'], LINT_LIMIT];
const checks = [
  ['Format', 'prettier', ['--check', '.']],
  ['Build', 'node', ['scripts/build.mjs']],
  ['Types', 'tsc', ['--noEmit']],
  ['Folders', 'depcruise', ['src', 'cli', 'demo', 'tests', '--config', '.dependency-cruiser.mjs']],
  ['Unused code', 'knip', []],
];
const unit = ['Unit tests', 'vitest', ['run']];
const served = [
  ['End-to-end tests', 'playwright', ['test']],
  ['Siege', 'tsx', ['tests/siege/run.ts', 'short']],
];

const say = (name) => console.log(`\n== ${name}`);

/** Runs checks one after another and says of each what it said. */
async function aside(steps) {
  for (const [name, command, args, limit] of steps) {
    const { status, text } = await toolAside(command, args, limit);
    say(name);
    console.log(text.trimEnd());
    if (status !== 0) process.exit(status);
  }
}

// Lint takes as long as the other checks and most unit tests, and one core of two.
await Promise.all([
  aside([lint]),
  aside(checks)
    .then(browsers)
    .then(() => aside([unit])),
]);
for (const [name, command, args] of served) {
  say(name);
  tool(command, args);
}
console.log(`\n${checks.length + 2 + served.length} passed, 0 failed`);
