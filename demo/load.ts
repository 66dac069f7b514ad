import { checkFigure } from '../src/core/format/figure/json';
import { closeDatabases, database } from '../src/server/database';
import { createFigure, listFigures } from '../src/server/figures';
import { storeOwnPicture } from '../src/server/pictures';
import { PICTURES, PIECES } from './pieces';

/** Builds the pieces and puts those on the shelf that are not there yet. */
async function load(): Promise<void> {
  const knex = await database();
  const there = new Set((await listFigures(knex)).map(({ name }) => name));
  for (const [id, draw] of Object.entries(PICTURES)) await storeOwnPicture(knex, Buffer.from(draw()), id);
  for (const build of Object.values(PIECES)) {
    const figure = checkFigure(build());
    if (!there.has(figure.name)) await createFigure(knex, figure);
  }
  console.log(`Tide Week: ${Object.keys(PIECES).length} figures on the Shelf.`);
  await closeDatabases();
}

await load();
