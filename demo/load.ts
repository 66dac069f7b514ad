import { checkFigure } from '@/core/format/figure';
import { closeDatabases, createFigure, database, listFigures, sound, storeOwnPicture } from '@/server';
import { changeFigures, makeCollection } from '@/server/shelf';
import { PICTURES, PIECES } from './pieces';

/** Where pieces lie on the Shelf, and what they are labelled with. */
const COLLECTIONS: Readonly<Record<string, readonly string[]>> = {
  'Frost night': ['Frost flake', 'Frost field', 'Needle flake'],
  Harbour: ['Mooring border', 'Rope knot', 'Net roundel', 'Net whirl', 'Dry dock frame', 'Tide dial'],
  'Posters and seals': ['Poster wheel', 'Lamp burst', 'Cove seal', 'Propeller'],
};
const LABELS: Readonly<Record<string, readonly string[]>> = {
  print: ['Poster wheel', 'Lamp burst', 'Cove seal', 'Kelp crown'],
  'to be cut': ['Dry dock frame', 'Frost flake', 'Lace rosette'],
};

/** Puts figures that are new into collections and gives them labels. */
async function arrange(ids: ReadonlyMap<string, string>): Promise<void> {
  const knex = await database();
  const known = (names: readonly string[]): string[] => names.flatMap((name) => ids.get(name) ?? []);
  for (const [name, pieces] of Object.entries(COLLECTIONS)) {
    if (known(pieces).length === 0) continue;
    const collection = await knex<{ id: string; name: string }>('collections').where({ name }).first();
    const { id } = collection ?? (await makeCollection(knex, name));
    await changeFigures(knex, { do: 'collect', ids: known(pieces), collection: id });
  }
  for (const [label, pieces] of Object.entries(LABELS))
    if (known(pieces).length > 0) await changeFigures(knex, { do: 'label', ids: known(pieces), label });
}

/** Builds the pieces and puts those on the shelf that are not there yet. */
async function load(): Promise<void> {
  const knex = await database();
  const made = new Map<string, string>();
  const there = new Set((await listFigures(knex)).map(({ name }) => name));
  for (const [id, draw] of Object.entries(PICTURES)) await storeOwnPicture(knex, Buffer.from(draw()), id);
  for (const build of Object.values(PIECES)) {
    const figure = sound(checkFigure(build()));
    if (!there.has(figure.name)) made.set(figure.name, (await createFigure(knex, figure)).id);
  }
  await arrange(made);
  console.log(`Tide Week: ${Object.keys(PIECES).length} figures on the Shelf.`);
  await closeDatabases();
}

await load();
