/** What a failure of the database is, in words for people. */

const WHY_MISSING = {
  gone: (file: string) =>
    `the database ${file} is gone: it was moved or deleted. Put it back, or restart the server to begin a new one.`,
  replaced: (file: string) =>
    `another file stands in the place of the database ${file}, and nothing is written to it. Put the first one back, or restart the server to work with this one.`,
  unlogged: (file: string) =>
    `the log of the database ${file} is gone: another program has taken it away, and nothing more is written. Restart the server.`,
};

/** The database file, or its log, was deleted, moved or replaced under the running server. */
export class Missing extends Error {
  constructor(file: string, why: keyof typeof WHY_MISSING) {
    super(WHY_MISSING[why](file));
  }
}

/** Codes and messages of a failure and of all that caused it: Drizzle keeps the driver's code on the cause. */
export function failuresIn(error: unknown): string {
  const all: string[] = [];
  for (let cause: unknown = error; cause instanceof Error; cause = cause.cause) {
    if ('code' in cause && typeof cause.code === 'string') all.push(cause.code);
    all.push(cause.message);
  }
  return all.join(' ');
}

/** Whether nothing can be written at all, whatever it is. */
export function cannotWrite(error: unknown): boolean {
  return (
    error instanceof Missing ||
    /SQLITE_(?:FULL|READONLY|IOERR|CANTOPEN|CORRUPT|NOTADB)|ENOSPC|disk is full|disk I\/O/i.test(failuresIn(error))
  );
}

/** A failure of the database as a sentence for people. */
export function sentenceOf(error: unknown): string {
  const why = describeFailure(error);
  return why.charAt(0).toUpperCase() + why.slice(1);
}

/** A failure of the database in words, with what to do; in lower case, to stand behind a colon. */
export function describeFailure(error: unknown): string {
  if (error instanceof Missing) return error.message;
  const all = failuresIn(error);
  if (/SQLITE_FULL|ENOSPC|disk is full/i.test(all)) return 'the disk is full. Make room, then save again.';
  if (/SQLITE_IOERR|disk I\/O/i.test(all))
    return 'the disk does not take it. Look whether it is full, or damaged, then save again.';
  if (/SQLITE_READONLY|readonly/i.test(all)) return 'the file is read-only. Give the server the right to write it.';
  if (/EACCES|EPERM|SQLITE_CANTOPEN|ENOTDIR|EROFS|EISDIR|unable to open/i.test(all))
    return 'the file or its folder is not there or may not be written. Check the path and its rights.';
  if (/SQLITE_BUSY|locked/i.test(all)) return 'another program has it locked. Close that program, then try again.';
  if (/SQLITE_NOTADB|SQLITE_CORRUPT|not a database|malformed/i.test(all))
    return 'the file is not a database, or it is damaged. Name another file, or bring back a copy.';
  if (/ENOTFOUND|ECONNREFUSED|fetch failed/i.test(all)) return 'its server does not answer. Check the address.';
  return 'it failed in a way that is not known. The words are in what the server writes to its terminal.';
}
