/** A file name for a pattern's name: letters, figures and spaces of it. */
export function fileName(name: string): string {
  return `${name.replace(/[^\p{L}\p{N} _-]+/gu, '').trim() || 'pattern'}.txt`;
}

/** Hands a text to the browser as a download. */
export function saveAsText(name: string, text: string): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(new Blob([text], { type: 'text/plain;charset=utf-8' }));
  link.download = fileName(name);
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), 1000);
}
