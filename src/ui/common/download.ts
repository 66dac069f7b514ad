/** Hands a file at an address over to the person, under a name where one is given. */
export function download(address: string, file?: string): void {
  const link = document.createElement('a');
  link.href = address;
  if (file) link.download = file;
  document.body.append(link);
  link.click();
  link.remove();
}

/** Hands a file that the page made over to the person. */
export function downloadBlob(blob: Blob, file: string): void {
  const address = URL.createObjectURL(blob);
  download(address, file);
  // The browser reads it a moment later.
  setTimeout(() => URL.revokeObjectURL(address), 60_000);
}
