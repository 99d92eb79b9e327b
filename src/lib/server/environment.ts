import * as z from 'zod';

const environmentSchema = z.object({
  /** `file:path` for a file of this machine, `libsql:` or `https:` for a replicated service. */
  DATABASE_URL: z
    .string()
    .regex(
      /^(?:file:.+|libsql:\/\/.+|https?:\/\/.+)$/,
      'DATABASE_URL must begin with "file:" and a path, or with "libsql://" and a host. Example: file:data/dostik.db',
    )
    .default('file:data/dostik.db'),
  DATABASE_AUTH_TOKEN: z.string().optional(),
});

export type Environment = z.infer<typeof environmentSchema>;

/** Reads the settings; throws with a sentence that says what to change. */
export function readEnvironment(variables: Record<string, string | undefined>): Environment {
  const read = environmentSchema.safeParse(variables);
  if (read.success) return read.data;
  throw new Error(read.error.issues.map(({ message }) => message).join(' '));
}
