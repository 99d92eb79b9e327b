import * as z from 'zod/mini';
import { momentSchema } from './patterns.js';

/** What somebody is in this house; who may do what stands in `server/people/access.ts`. */
export const ROLES = ['owner', 'editor', 'designer', 'tester'] as const;
export const roleSchema = z.enum(ROLES);
export type Role = (typeof ROLES)[number];

const name = z
  .string()
  .check(z.trim(), z.minLength(1, 'A name is needed.'), z.maxLength(80, 'A name has at most 80 characters.'));
const mail = z
  .string()
  .check(
    z.trim(),
    z.toLowerCase(),
    z.maxLength(200, 'This is no mail address.'),
    z.email('This is no mail address. Example: una@example.org'),
  );

export const SHORTEST_PASSWORD = 12;
export const LONGEST_PASSWORD = 128;
const newPassword = z
  .string()
  .check(
    z.minLength(SHORTEST_PASSWORD, `A password has at least ${SHORTEST_PASSWORD} characters: four words do.`),
    z.maxLength(LONGEST_PASSWORD, `A password has at most ${LONGEST_PASSWORD} characters.`),
  );

/** Signing in. What is typed is not measured: how long a password may be is nobody's business who has none. */
export const signInSchema = z.object({
  mail: z.string().check(z.trim(), z.toLowerCase(), z.maxLength(200)),
  password: z.string().check(z.maxLength(LONGEST_PASSWORD)),
});
export type SignIn = z.infer<typeof signInSchema>;

/** The first account of a house; the word stands on the terminal where others can reach the server. */
export const firstSchema = z.object({ word: z.string().check(z.maxLength(60)), name, mail, password: newPassword });
export type First = z.infer<typeof firstSchema>;

/** Somebody who is asked into the house. */
export const invitedSchema = z.object({ name, mail, role: roleSchema });
export type Invited = z.infer<typeof invitedSchema>;

export const roleChangeSchema = z.object({ role: roleSchema });

export const joinHouseSchema = z.object({ password: newPassword });

/** Another password for oneself. */
export const otherPasswordSchema = z.object({ before: signInSchema.shape.password, password: newPassword });
export type OtherPassword = z.infer<typeof otherPasswordSchema>;

/** Who is signed in. */
export const personSchema = z.object({ id: z.string(), name: z.string(), mail: z.string(), role: roleSchema });
export type Person = z.infer<typeof personSchema>;

/** Somebody of the house, as its owner sees them. */
export const memberSchema = z.extend(personSchema, {
  /** They have set a password; until then they have an address to do so. */
  joined: z.boolean(),
  /** When they were last here; null where they never were. */
  seenAt: z.nullable(momentSchema),
});
export type Member = z.infer<typeof memberSchema>;

/** An address that somebody joins the house by, or sets a new password. It is shown once, and kept hashed. */
export const joiningSchema = z.object({ secret: z.string(), endsAt: momentSchema });
export type JoiningAddress = z.infer<typeof joiningSchema>;

/** A key of a device by which somebody signs in without a password. */
export const passkeySchema = z.object({ id: z.string(), name: z.string(), at: z.nullable(momentSchema) });
export type Passkey = z.infer<typeof passkeySchema>;

/** What a device answers when it is asked to make a key, or to sign with one: the library of the accounts looks whether it is right. */
const deviceAnswer = z.object({
  id: z.string().check(z.maxLength(2000)),
  response: z.record(z.string(), z.unknown()),
  rawId: z.string().check(z.maxLength(2000)),
  type: z.literal('public-key'),
  clientExtensionResults: z.record(z.string(), z.unknown()),
  authenticatorAttachment: z.optional(z.string()),
});
export const newPasskeySchema = z.object({
  name: z
    .string()
    .check(z.trim(), z.minLength(1, 'A name is needed.'), z.maxLength(60, 'A name has at most 60 characters.')),
  answer: deviceAnswer,
});
export type NewPasskey = z.infer<typeof newPasskeySchema>;
export const byPasskeySchema = z.object({ answer: deviceAnswer });
