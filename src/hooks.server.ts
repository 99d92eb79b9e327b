import type { ServerInit } from '@sveltejs/kit';
import { store } from './lib/server/store.js';

/** The database is opened before the first request; a server that can't keep anything does not start. */
export const init: ServerInit = async () => {
  try {
    await store();
  } catch (error) {
    console.error(`Dostik can't start. ${error instanceof Error ? error.message : String(error)}`);
    process.exit(1);
  }
};
