import { ask } from '../client.js';

/** Makes a new address; the one before leads nowhere any more. @param of where the addresses of one matter are asked for @throws Trouble */
export async function makeAddress(of: string): Promise<void> {
  await ask(of, { method: 'POST' });
}

/** Withdraws an address. @throws Trouble */
export async function withdrawAddress(of: string): Promise<void> {
  await ask(of, { method: 'DELETE' });
}
