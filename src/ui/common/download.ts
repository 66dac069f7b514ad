/** Hands a file at an address over to the person, under a name where one is given. */
export function download(address: string, file?: string): void {
  const link = document.createElement('a');
  link.href = address;
  if (file) link.download = file;
  document.body.append(link);
  link.click();
  link.remove();
}
