import { installChromium, installPackages, tool } from './setup.mjs';

// Every check and test, from nothing but Node, a compiler and Debian's packages.
installPackages();
installChromium();

const steps = [
  ['Format', 'prettier', ['--check', '.']],
  ['Build', 'next', ['build']],
  ['Types', 'tsc', ['--noEmit']],
  ['Lint', 'eslint', ['.', '--max-warnings', '0']],
  ['Folders', 'depcruise', ['src', 'cli', 'demo', 'tests', '--config', '.dependency-cruiser.mjs']],
  ['Unused code', 'knip', []],
  ['Unit tests', 'vitest', ['run']],
  ['End-to-end tests', 'playwright', ['test']],
];
for (const [name, command, args] of steps) {
  console.log(`\n== ${name}`);
  tool(command, args);
}
console.log(`\n${steps.length} passed, 0 failed`);
