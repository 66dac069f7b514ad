/**
 * Property tests try the same cases each time, so that what fails was broken by the change at hand. Others are drawn with
 * `npm run test:other`, where what fails is kept as an example of the test.
 */
import fc from 'fast-check';

if (process.env['CYCLOGON_CASES'] !== 'other')
  fc.configureGlobal({ ...fc.readConfigureGlobal(), seed: 20_261_201 });
