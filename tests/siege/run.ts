/**
 * Throws at the built application what it has to hold out against, and says in a table what held.
 *
 * npm run siege               some three minutes
 * npm run siege -- 20         as many minutes as asked for
 * npm run siege -- short      under a minute, as part of all tests
 */
import {
  crashes,
  crowd,
  everythingAtOnce,
  locked,
  noRoom,
  smallDisk,
  strangers,
  type Outcome,
} from './attacks';
import { Siege } from './server';

const [word = '3'] = process.argv.slice(2);
const isShort = word === 'short';
const minutes = isShort ? 1 : Math.max(1, Number(word) || 3);

const siege = new Siege(4396);
const outcomes: Outcome[] = [];

const attacks: readonly (() => Promise<Outcome | Outcome[]>)[] = [
  () => strangers(siege),
  () => crowd(siege, isShort ? 20 : 50, isShort ? 5 : 20),
  () => crashes(siege, isShort ? 3 : 8 * minutes),
  ...(isShort ? [] : [() => locked(siege), () => noRoom(siege.port + 1), () => smallDisk(siege.port + 2)]),
  () => everythingAtOnce(siege, isShort ? 1 : Math.ceil(minutes / 4), isShort),
];

try {
  await siege.start();
  for (const attack of attacks) {
    for (const outcome of [await attack()].flat()) {
      outcomes.push(outcome);
      console.log(`${outcome.held ? 'held  ' : 'FAILED'}  ${outcome.thrown}\n        ${outcome.seen}`);
    }
  }
} finally {
  await siege.end();
}

const failed = outcomes.filter(({ held }) => !held).length;
console.log(`\n${outcomes.length - failed} held, ${failed} failed`);
process.exitCode = failed > 0 || outcomes.length < attacks.length ? 1 : 0;
