import { readFile } from 'node:fs/promises';
import path from 'node:path';

import type { FaceName } from '@/protocol';

interface ShippedFace extends FaceName {
  /** In the folder of packages. */
  readonly file: string;
}

const FOLDER = '@expo-google-fonts';

/** Between them Latin, Cyrillic, Hebrew and Arabic; all under the SIL Open Font License. */
export const SHIPPED_FACES: readonly ShippedFace[] = [
  {
    id: 'josefin-sans',
    name: 'Josefin Sans',
    file: `${FOLDER}/josefin-sans/600SemiBold/JosefinSans_600SemiBold.ttf`,
  },
  {
    id: 'playfair-display',
    name: 'Playfair Display',
    file: `${FOLDER}/playfair-display/700Bold/PlayfairDisplay_700Bold.ttf`,
  },
  { id: 'rubik', name: 'Rubik', file: `${FOLDER}/rubik/500Medium/Rubik_500Medium.ttf` },
  { id: 'amiri', name: 'Amiri', file: `${FOLDER}/amiri/400Regular/Amiri_400Regular.ttf` },
];

const read = async (file: string): Promise<Uint8Array> =>
  new Uint8Array(await readFile(path.join(/* turbopackIgnore: true */ process.cwd(), 'node_modules', file)));

/** The bytes of a face that ships with the application; null for another. */
export async function bytesOfShipped(id: string): Promise<Uint8Array | null> {
  const face = SHIPPED_FACES.find((each) => each.id === id);
  return face ? read(face.file) : null;
}

/** The typefaces of pages that the server writes: Latin, Cyrillic and Hebrew. */
export const pageFaces = async (): Promise<{ regular: Uint8Array; bold: Uint8Array }> => ({
  regular: await read(`${FOLDER}/rubik/400Regular/Rubik_400Regular.ttf`),
  bold: await read(`${FOLDER}/rubik/600SemiBold/Rubik_600SemiBold.ttf`),
});
