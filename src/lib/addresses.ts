import * as z from 'zod/mini';
import { momentSchema } from './patterns.js';

/** What an address that holds a secret is for: to set a password, to test, to answer a letter, or to follow the dates of the plan. */
export const purposeSchema = z.enum(['join', 'bench', 'letter', 'calendar']);
export type Purpose = z.infer<typeof purposeSchema>;

const holding = {
  endsAt: momentSchema,
  withdrawnAt: z.nullable(momentSchema),
  /** When somebody last came by it, on ten minutes; null where nobody did. */
  usedAt: z.nullable(momentSchema),
  at: momentSchema,
};

/** How an address stands. */
export const addressStandingSchema = z.object({
  /** Null where it can't be made again: the key of the server is another one since. */
  secret: z.nullable(z.string()),
  ...holding,
});
export type AddressStanding = z.infer<typeof addressStandingSchema>;

/** One of the list of all addresses; its secret is not in it. */
export const addressSchema = z.object({
  /** Stands for it where it is withdrawn. */
  mark: z.string(),
  purpose: purposeSchema,
  /** Whose it is, where that is known. */
  who: z.string(),
  pattern: z.string(),
  call: z.nullable(z.int()),
  ...holding,
});
export type Address = z.infer<typeof addressSchema>;

/** Whether somebody can come by an address. */
export function holds(address: Pick<AddressStanding, 'endsAt' | 'withdrawnAt'>, now = Date.now()): boolean {
  return address.withdrawnAt === null && address.endsAt > now;
}
