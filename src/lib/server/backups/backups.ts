import { execFile } from 'node:child_process';
import path from 'node:path';
import { promisify } from 'node:util';
import { Refused } from '../answers.js';
import { log } from '../log.js';
import type { Environment } from '../environment.js';
import { filesFolder } from '../files/where.js';
import { backupsBeside, backupsIn, type Backup, type Reason } from './copies.js';

/** Every so often it is looked whether a day has passed since the last backup; milliseconds. */
const LOOKED_AT = 15 * 60 * 1000;
/** The first time when the server has come to rest; milliseconds. */
const FIRST = 60 * 1000;
const DAY = 24 * 60 * 60 * 1000;
/** A backup of a large workspace takes a fraction of this; milliseconds. */
const LONGEST = 10 * 60 * 1000;

/** The backups of a server, made beside it while it runs. */
export class Backups {
  readonly #database: string | null;
  readonly #kept: number;
  readonly #files: string;
  readonly #terminal: string;
  #making: Promise<void> | null = null;
  /** Null where the database is a service: that makes its own. */
  readonly folder: string | null;

  /** @param terminal the command line, which makes them in a process of its own: copying holds up nobody */
  constructor({ DATABASE_URL, DOSTIK_BACKUPS, DOSTIK_BACKUPS_KEPT, DOSTIK_FILES }: Environment, terminal: string) {
    this.#database = DATABASE_URL.startsWith('file:') ? DATABASE_URL.slice('file:'.length) : null;
    this.folder = this.#database === null ? null : path.resolve(DOSTIK_BACKUPS ?? backupsBeside(this.#database));
    this.#kept = DOSTIK_BACKUPS_KEPT;
    this.#files = DOSTIK_FILES;
    this.#terminal = terminal;
  }

  /** Whether the files that go with the database are copied too: a bucket elsewhere makes its own backups. */
  get filesToo(): boolean {
    return filesFolder(this.#files) !== null;
  }

  /** The newest first. */
  async all(): Promise<Backup[]> {
    return this.folder === null ? [] : backupsIn(this.folder);
  }

  /**
   * Makes one now; who asks while one is being made waits for that.
   * @throws Refused with a sentence for people where it could not be made.
   */
  make(why: Reason): Promise<void> {
    this.#making ??= this.#make(why).finally(() => (this.#making = null));
    return this.#making;
  }

  async #make(why: Reason): Promise<void> {
    if (this.#database === null || this.folder === null)
      throw new Refused(409, 'The database is a service elsewhere, which makes its own backups.');
    const words = [this.#terminal, 'backup', '--database', this.#database, '--files', this.#files, '--to', this.folder];
    const options = ['--keep', String(this.#kept), '--why', why];
    try {
      await promisify(execFile)(process.execPath, [...words, ...options], { timeout: LONGEST });
    } catch (error) {
      const said = (error as { stderr?: string }).stderr?.trim().replace(/^dostik: /, '');
      throw new Refused(507, said || 'No backup could be made.');
    }
  }

  /** Makes one a day, the first when the last is a day old. @returns what ends it */
  daily(): () => void {
    const look = async () => {
      const last = (await this.all())[0]?.at ?? 0;
      if (Date.now() - last >= DAY) await this.make('daily');
    };
    const looking = () =>
      void look().catch((error: unknown) => log.error(error instanceof Error ? error.message : error));
    if (this.folder === null) return () => undefined;
    const timer = setInterval(looking, LOOKED_AT);
    const first = setTimeout(looking, FIRST);
    timer.unref();
    first.unref();
    return () => {
      clearInterval(timer);
      clearTimeout(first);
    };
  }
}
