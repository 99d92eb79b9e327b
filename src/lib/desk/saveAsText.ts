import { download } from '../download.js';

/** A file name for a pattern's name: letters, figures and spaces of it. */
export function fileName(name: string): string {
  return `${name.replace(/[^\p{L}\p{N} _-]+/gu, '').trim() || 'pattern'}.txt`;
}

/** Hands a text to the browser as a download. */
export function saveAsText(name: string, text: string): void {
  download(fileName(name), new Blob([text], { type: 'text/plain;charset=utf-8' }));
}
