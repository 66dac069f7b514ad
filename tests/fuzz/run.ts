import fc from 'fast-check';

import { brokenIdentities } from '../help/identities';
import { anyFold, motif } from '../help/motifs';

/** Random motifs for as long as asked: `tsx tests/fuzz/run.ts MINUTES [SEED]`. Ends with 1 where one fails. */
const minutes = Number(process.argv[2] ?? 10);
const seed = Number(process.argv[3] ?? 20261124);
let runs = 0;
const cases = anyFold.chain((fold) => fc.tuple(fc.constant(fold), fc.boolean(), motif(fold)));
const outcome = fc.check(
  fc.property(cases, ([fold, mirror, shapes]) => {
    runs += 1;
    const broken = brokenIdentities(fold, mirror, shapes);
    if (broken.length > 0) throw new Error(broken.join('; '));
  }),
  { seed, numRuns: 10_000_000, interruptAfterTimeLimit: minutes * 60_000, markInterruptAsFailure: false },
);
console.log(`${runs} motifs, seed ${seed}`);
if (outcome.failed) {
  console.log(fc.defaultReportMessage(outcome) ?? 'failed');
  process.exitCode = 1;
}
