import { zip } from 'fflate';

/** Files in one ZIP, by their names. @throws Error where it cannot be made */
export async function zipped(files: readonly (readonly [name: string, file: Blob])[]): Promise<Blob> {
  const parts: Record<string, Uint8Array> = {};
  for (const [name, file] of files) parts[name] = new Uint8Array(await file.arrayBuffer());
  return new Promise((resolve, reject) => {
    zip(parts, (error, bytes) => {
      if (error) reject(error);
      else resolve(new Blob([new Uint8Array(bytes)], { type: 'application/zip' }));
    });
  });
}
