import { and, eq } from 'drizzle-orm';
import { certificateOf, errataOf, recordOf, type Paper, type Signature } from '../../core/index.js';
import type { StoredPattern } from '../patterns.js';
import {
  fileName,
  fileWanted,
  toldSchema,
  type FileKind,
  type FileWanted,
  type Frozen,
  type LayoutWanted,
  type Release,
} from '../release.js';
import type { OpenDatabase } from './db/client.js';
import { releaseFiles } from './db/schema.js';
import { hashOf, type Files } from './files/files.js';
import { erratumIn, type ErrataStore } from './errata.js';
import type { PhotographStore } from './photographs.js';
import type { Publishing } from './publishing/aside.js';
import type { Layout } from './publishing/publish.js';
import { parsed, readable } from './readable.js';
import type { ReleaseStore } from './releases.js';

/** A file, and what there is to say of it. */
export interface ReleaseFile {
  readonly bytes: Uint8Array;
  readonly told: readonly string[];
}

const KIND_WORDS: Record<FileKind, string> = {
  us: 'the US edition',
  uk: 'the UK edition',
  report: 'the report',
  certificate: 'the certificate',
};

/** The files that patterns go out as. Those of a version are made once, and kept as they were made. */
export class ReleaseFileStore {
  readonly #database: OpenDatabase;
  readonly #kept: Files;
  readonly #releases: ReleaseStore;
  readonly #photographs: PhotographStore;
  readonly #errata: ErrataStore;
  readonly #publishing: Publishing;

  constructor(
    database: OpenDatabase,
    kept: Files,
    { releases, photographs, errata }: { releases: ReleaseStore; photographs: PhotographStore; errata: ErrataStore },
    publishing: Publishing,
  ) {
    this.#database = database;
    this.#kept = kept;
    this.#releases = releases;
    this.#photographs = photographs;
    this.#errata = errata;
    this.#publishing = publishing;
  }

  /** A file of a version by its name; null where there is no such version. @throws NotTaken */
  async of(id: string, number: string, name: string): Promise<ReleaseFile | null> {
    const [kept] = await this.#database.db
      .select()
      .from(releaseFiles)
      .where(and(eq(releaseFiles.patternId, id), eq(releaseFiles.number, number), eq(releaseFiles.name, name)));
    if (kept) {
      const [told] = readable([parsed(kept.told)], toldSchema, 'files');
      return { bytes: await this.#kept.get(kept.hash), told: told ?? [] };
    }
    const release = (await this.#releases.of(id)).find((one) => one.number === number);
    const frozen = release && (await this.#releases.frozen(id, number));
    if (!release || !frozen) return null;
    const { bytes, told } = await this.#make(id, release, frozen, fileWanted(name));
    const row = { patternId: id, number, name, hash: await this.#kept.keep(bytes), told: JSON.stringify(told) };
    await this.#database.write((db) => db.insert(releaseFiles).values(row).onConflictDoNothing());
    return { bytes, told };
  }

  async #make(id: string, release: Release, frozen: Frozen, { kind, ...layout }: FileWanted): Promise<ReleaseFile> {
    const laid = { ...layout, at: new Date(release.at) };
    const { text, terms, hand } = frozen;
    if (kind === 'report')
      return this.#publishing.report(reportOf(release, frozen), { text, options: { terms, hand } }, laid);
    if (kind === 'certificate') return this.#publishing.paper(await this.#certificate(id, release, frozen), laid);
    return this.#publishing.edition({
      ...laid,
      text: frozen.editions[kind],
      options: { terms: kind, hand: frozen.hand, name: frozen.name },
      version: `Version ${release.number}`,
      pictures: await this.#photographs.pictures(id, frozen.photographs),
    });
  }

  async #certificate(id: string, release: Release, { name, report }: Frozen): Promise<Paper> {
    const textOf = async (terms: 'us' | 'uk') => {
      const wanted = { kind: terms, form: 'txt', sheet: 'a4', print: 'normal' } as const;
      const file = await this.of(id, release.number, fileName(wanted));
      return { name: `${terms.toUpperCase()} edition, .txt`, hash: hashOf(file?.bytes ?? '') };
    };
    const texts = [await textOf('us'), await textOf('uk')];
    return certificateOf({ name, signed: signatureOf(release), report, fingerprint: release.fingerprint, texts });
  }

  /** How a text that is not signed yet would go out in one of the terms. @throws NotTaken, TooMuch */
  async preview(
    pattern: StoredPattern,
    terms: 'us' | 'uk',
    layout: LayoutWanted,
    styled: boolean,
  ): Promise<ReleaseFile> {
    const texts = await this.#releases.texts(pattern, styled);
    const photographs = await this.#photographs.of(pattern.id);
    return this.#publishing.edition({
      ...layout,
      // A file that is not signed has no day of its own.
      at: new Date(Date.UTC(2000, 0, 1)),
      text: texts[terms],
      options: { terms, hand: pattern.hand, name: pattern.name },
      version: 'Not signed yet',
      pictures: await this.#photographs.pictures(
        pattern.id,
        photographs.map((one) => one.id),
      ),
    });
  }

  /** The errata of a pattern in one of the terms. @throws NotTaken */
  async errata({ id, name }: StoredPattern, terms: 'us' | 'uk', layout: LayoutWanted): Promise<ReleaseFile> {
    const kept = await this.#errata.of(id);
    const paper = errataOf(
      name,
      terms,
      kept.map((one) => erratumIn(one, terms)),
    );
    const at = new Date(Math.max(Date.UTC(2000, 0, 1), ...kept.map((one) => one.at)));
    return this.#publishing.paper(paper, { ...layout, at } satisfies Layout);
  }

  /** Which version a file belongs to, by the SHA-256 of its bytes; null where it is none of them. */
  async known(id: string, hash: string): Promise<{ version: string; what: string } | null> {
    const [file] = await this.#database.db
      .select({ number: releaseFiles.number, name: releaseFiles.name })
      .from(releaseFiles)
      .where(and(eq(releaseFiles.patternId, id), eq(releaseFiles.hash, hash)));
    if (file) {
      const { kind, form } = fileWanted(file.name);
      return { version: file.number, what: `${KIND_WORDS[kind]}, as .${form}` };
    }
    for (const { number } of await this.#releases.of(id)) {
      const frozen = await this.#releases.frozen(id, number);
      const terms = (['us', 'uk'] as const).find((one) => frozen && hashOf(frozen.editions[one]) === hash);
      if (terms) return { version: number, what: `the text of ${KIND_WORDS[terms]}` };
    }
    return null;
  }
}

function signatureOf({ number, signer, at }: Release): Signature {
  return { version: number, who: signer, day: new Date(at).toISOString().slice(0, 10) };
}

function reportOf(release: Release, frozen: Frozen): Paper {
  const { name, report, sentences, queries, rules } = frozen;
  return recordOf({
    name,
    signed: signatureOf(release),
    report,
    sentences,
    aside: new Map(frozen.aside),
    trusted: new Map(frozen.trusted),
    queries,
    rules,
  });
}
