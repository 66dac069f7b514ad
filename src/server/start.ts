import { dataDirectory } from './dataDirectory';
import { database } from './database';
import { Unusable } from './errors';
import { startProcesses } from './jobs/pool';
import { offeredBackup } from './shelf/backup';
import { keepHouseNightly } from './shelf/housekeeping';

/** Opens the data as the server starts; ends the program with a sentence where it cannot be used. */
export async function startServing(): Promise<void> {
  try {
    keepHouseNightly(dataDirectory(), await database());
  } catch (error) {
    if (!(error instanceof Unusable)) throw error;
    console.error(error.message);
    const offer = offeredBackup(dataDirectory());
    if (offer !== null) console.error(offer);
    process.exit(1);
  }
  startProcesses();
}
