import { MergeFailed } from '../../core/merge/merge';
import { Refused } from '../errors';
import { makeFile, type FileRequest, type MadeFile } from './makeFile';

/** What a worker answers: the file, or why there is none, as errors lose their kind on the way between threads. */
export type FileAnswer =
  { readonly ok: true; readonly file: MadeFile } | { readonly ok: false; readonly sentence: string };

/** A worker thread's door: makes one file. */
export default async function answer(request: FileRequest): Promise<FileAnswer> {
  try {
    return { ok: true, file: await makeFile(request) };
  } catch (error) {
    if (error instanceof MergeFailed || error instanceof Refused)
      return { ok: false, sentence: error.message };
    throw error;
  }
}
