import path from 'node:path';
import { stores } from '../../lib/server/store.js';
import type { PageServerLoad } from './$types.js';

export const load: PageServerLoad = async ({ depends }) => {
  depends('dostik:backups');
  const { backups } = await stores();
  return {
    folder: backups.folder,
    filesToo: backups.filesToo,
    backups: (await backups.all()).map(({ file, why, at, size }) => ({ name: path.basename(file), why, at, size })),
  };
};
