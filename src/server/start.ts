import { database } from './database';
import { Unusable } from './errors';
import { startProcesses } from './jobs/pool';

/** Opens the data as the server starts; ends the program with a sentence where it cannot be used. */
export async function startServing(): Promise<void> {
  try {
    await database();
  } catch (error) {
    if (!(error instanceof Unusable)) throw error;
    console.error(error.message);
    process.exit(1);
  }
  startProcesses();
}
