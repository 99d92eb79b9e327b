import { zipSync } from 'fflate';
import type { ChecklistLine } from '../../core/index.js';
import { troubleIn } from '../client.js';
import { FORMS } from '../forms.js';
import {
  fileName,
  type ErratumAsked,
  type FileKind,
  type FileWanted,
  type LayoutWanted,
  type Photograph,
  type Readiness,
} from '../release.js';
import * as server from './asking.js';

/** A file that is larger is not sent; bytes. */
const LARGEST_PHOTOGRAPH = 40_000_000;

/** What a version is had as: either edition in each form, and what was checked. */
export const VERSION_FILES: readonly {
  readonly kind: FileKind;
  readonly text: string;
  readonly forms: readonly LayoutWanted['form'][];
}[] = [
  { kind: 'us', text: 'US edition', forms: FORMS },
  { kind: 'uk', text: 'UK edition', forms: FORMS },
  { kind: 'report', text: 'Report of the checking', forms: ['pdf', 'html'] },
  { kind: 'certificate', text: 'Certificate', forms: ['pdf', 'html'] },
];

/** What is asked of others: the server, and whoever says things to the person. */
interface Around {
  readonly say: (words: string) => void;
  /** Has the page's figures fetched anew. */
  readonly refresh: () => Promise<void>;
  readonly server?: Partial<typeof server>;
}

/** A pattern on its way out: what is confirmed, signed, laid out. */
export class ReleaseSession {
  readonly id: string;
  /** Who says so, and signs. */
  who = $state('');
  note = $state('');
  /** The number to be signed; empty for the one that is proposed. */
  number = $state('');
  sheet = $state<LayoutWanted['sheet']>('a4');
  print = $state<LayoutWanted['print']>('normal');
  busy = $state(false);
  /** How many files of a version are made, of how many; null while none are being made. */
  making = $state<{ readonly version: string; readonly done: number; readonly of: number } | null>(null);
  /** What is laid out otherwise than in the text, in the files that were made last. */
  told = $state.raw<{ readonly version: string; readonly words: readonly string[] }>({ version: '', words: [] });
  /** What is said of a file that was dropped to be known. */
  known = $state('');
  readonly #around: Around;
  readonly #server: typeof server;

  constructor(id: string, who: string, around: Around) {
    this.id = id;
    this.who = who;
    this.#around = around;
    this.#server = { ...server, ...around.server };
  }

  /** Says that a line holds, by the name that stands there, or takes that back. */
  async confirm({ id, person }: ChecklistLine, on: boolean): Promise<void> {
    const who = this.who.trim();
    if (on && who === '') {
      this.#around.say('Say who you are first: a line is confirmed by somebody with a name.');
      return;
    }
    await this.#do(() => this.#server.confirmLine(this.id, id, on ? who : '', person?.basis ?? ''));
  }

  trust(key: string, reason: string): Promise<boolean> {
    return this.#do(() => this.#server.trustRound(this.id, key, reason));
  }

  setOwn(lines: readonly { id: string; text: string }[]): Promise<boolean> {
    return this.#do(() => this.#server.setOwnLines(lines));
  }

  /** Signs; true where that was done. */
  async sign({ revision, proposed }: Readiness, styled: boolean): Promise<boolean> {
    const asked = {
      number: this.number.trim() || proposed,
      who: this.who.trim(),
      note: this.note,
      styled,
      base: revision,
    };
    const done = await this.#do(async () => {
      const { number } = await this.#server.signVersion(this.id, asked);
      this.#around.say(`Version ${number} is signed.`);
    });
    if (done) [this.note, this.number] = ['', ''];
    return done;
  }

  /** Takes photographs in, one after the other; what came larger than it is kept is told. */
  async photograph(files: readonly File[]): Promise<void> {
    for (const file of files) {
      if (file.size > LARGEST_PHOTOGRAPH) {
        this.#around.say(`“${file.name}” is larger than 40 MB. Save it smaller, and take that in.`);
        continue;
      }
      await this.#do(async () => {
        const { smaller, width, height } = await this.#server.addPhotograph(this.id, file);
        if (smaller) this.#around.say(`“${file.name}” is kept as ${width} × ${height}: a page needs no more.`);
      });
    }
  }

  describe({ id }: Photograph, alt: string): Promise<boolean> {
    return this.#do(() => this.#server.describePhotograph(this.id, id, alt));
  }

  remove({ id }: Photograph): Promise<boolean> {
    return this.#do(() => this.#server.removePhotograph(this.id, id));
  }

  /** All files of a version, in one archive; null where one of them could not be made. */
  async all(version: string): Promise<Uint8Array<ArrayBuffer> | null> {
    const { sheet, print } = this;
    const wanted = VERSION_FILES.flatMap(({ kind, forms }) =>
      forms.map((form): FileWanted => ({ kind, form, sheet, print })),
    );
    const files: Record<string, Uint8Array> = {};
    const said: Record<string, string[]> = {};
    this.making = { version, done: 0, of: wanted.length };
    const done = await this.#do(async () => {
      for (const one of wanted) {
        const name = fileName(one);
        const { bytes, told } = await this.#server.versionFile(this.id, version, name);
        files[`${one.kind} ${version}.${one.form}`] = bytes;
        for (const words of told) said[words] = [...(said[words] ?? []), `${one.kind}.${one.form}`];
        this.making = { version, done: Object.keys(files).length, of: wanted.length };
      }
    });
    this.making = null;
    this.told = { version, words: Object.entries(said).map(([words, names]) => `${words} (${names.join(', ')})`) };
    return done ? zipSync(files, { level: 0 }) : null;
  }

  /** Says which version a file belongs to. */
  async know(file: File): Promise<void> {
    await this.#do(async () => {
      const found = await this.#server.knownFile(this.id, file);
      this.known = found
        ? `“${file.name}” is ${found.what}, of version ${found.version}, byte for byte.`
        : `“${file.name}” is no file of any version that was made here: it was changed, or comes from elsewhere.`;
    });
  }

  async keepErratum(asked: ErratumAsked): Promise<boolean> {
    return this.#do(() => this.#server.keepErratum(this.id, asked));
  }

  async removeErratum(number: number): Promise<boolean> {
    return this.#do(() => this.#server.removeErratum(this.id, number));
  }

  async #do(work: () => Promise<unknown>): Promise<boolean> {
    this.busy = true;
    try {
      await work();
      await this.#around.refresh();
      return true;
    } catch (error) {
      this.#around.say(troubleIn(error));
      return false;
    } finally {
      this.busy = false;
    }
  }
}
