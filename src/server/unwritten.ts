/** The code of an error of SQLite or of the system; empty where it has none. */
export const errorCode = (error: unknown): string =>
  error instanceof Error && 'code' in error ? String(error.code) : '';

/** Why the data could not be written or read, as a sentence, and what to do; null for errors of another kind. */
export function whyUnwritten(error: unknown): string | null {
  const code = errorCode(error);
  if (code === 'SQLITE_FULL' || code === 'ENOSPC' || code === 'EDQUOT')
    return 'The disk is full: free some space.';
  if (code.startsWith('SQLITE_READONLY') || code === 'EACCES' || code === 'EROFS' || code === 'EPERM')
    return 'The data may not be written: look at who may write the data folder.';
  if (code.startsWith('SQLITE_CORRUPT') || code === 'SQLITE_NOTADB')
    return 'The data is damaged: stop the server, and put a backup in its place.';
  if (code.startsWith('SQLITE_IOERR') || code === 'EFBIG' || code === 'EIO')
    return 'The disk does not take what is written: it may fail, or the file may not grow any more.';
  if (code.startsWith('SQLITE_CANTOPEN') || code === 'ENOENT')
    return 'The data folder is gone: put it back, or start the server again.';
  return null;
}
