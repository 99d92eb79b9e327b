/** A browser may begin to read what is saved so much later; milliseconds. */
const READ_BY = 10_000;

/** Hands a file to the browser to be saved. */
export function download(name: string, content: Blob): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(content);
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), READ_BY);
}
