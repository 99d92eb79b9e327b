import type { Backups } from './backups/backups.js';
import { AddressStore } from './addresses.js';
import { BenchStore } from './calls/bench.js';
import { CallStore } from './calls/calls.js';
import { ResultStore } from './calls/results.js';
import type { Counting } from './counting/counting.js';
import type { OpenDatabase } from './db/client.js';
import type { Documents } from './documents/aside.js';
import { DeedStore } from './deeds.js';
import { DesignerStore } from './designers.js';
import { DraftStore } from './drafts.js';
import type { Files } from './files/files.js';
import { LetterStore } from './letters.js';
import { PatternStore } from './patterns.js';
import { Metrics } from './metrics.js';
import type { Post } from './post.js';
import { PlanStore } from './plan/plan.js';
import { PasskeyStore } from './people/passkeys.js';
import { PeopleStore } from './people/people.js';
import type { Publishing } from './publishing/aside.js';
import { QueryStore } from './queries.js';
import { Recounts } from './recounts.js';
import { releaseStores, type ReleaseStores } from './releaseStores.js';
import { RuleStore } from './rules.js';
import { ShapeStore } from './shapes.js';
import { ShelfStore } from './shelf.js';
import { StyleStore } from './style.js';
import { TermsStore } from './terms.js';
import { TrainingStore } from './training/training.js';

/** Everything that is kept, one store a matter, and who counts and reads documents. */
export interface Stores extends ReleaseStores {
  readonly patterns: PatternStore;
  readonly shapes: ShapeStore;
  readonly calls: CallStore;
  readonly bench: BenchStore;
  readonly results: ResultStore;
  readonly addresses: AddressStore;
  readonly deeds: DeedStore;
  readonly designers: DesignerStore;
  readonly shelf: ShelfStore;
  readonly terms: TermsStore;
  readonly rules: RuleStore;
  readonly style: StyleStore;
  readonly recounts: Recounts;
  readonly drafts: DraftStore;
  readonly queries: QueryStore;
  readonly letters: LetterStore;
  readonly training: TrainingStore;
  readonly plan: PlanStore;
  readonly counting: Counting;
  readonly documents: Documents;
  readonly house: PeopleStore;
  readonly passkeys: PasskeyStore;
  readonly backups: Backups;
  readonly metrics: Metrics;
  /** Why nothing can be written, as a sentence for people; null where it can. */
  readonly trouble: OpenDatabase['trouble'];
}

/** What the stores of a house work with, besides its database. */
export interface HouseParts {
  readonly files: Files;
  readonly counting: Counting;
  readonly documents: Documents;
  readonly publishing: Publishing;
  readonly post: Post;
  /** What cookies are signed with, and the secrets of addresses made. */
  readonly key: string;
  readonly backups: Backups;
}

/** All stores over a database. */
export function storesOver(
  database: OpenDatabase,
  { files, counting, documents, publishing, post, key, backups }: HouseParts,
): Stores {
  const rules = new RuleStore(database);
  const recounts = new Recounts(database, rules, counting);
  const patterns = new PatternStore(database, recounts.ask);
  const letters = new LetterStore(database, post);
  const drafts = new DraftStore(database, files, patterns, counting, recounts.ask);
  const queries = new QueryStore(database, letters);
  const terms = new TermsStore(database, patterns, counting, recounts.ask);
  const style = new StyleStore(database);
  const addresses = new AddressStore(database, key);
  const results = new ResultStore(database, files);
  const plan = new PlanStore(database);
  const sources = { patterns, terms, queries, letters, drafts, style, counting };
  return {
    patterns,
    shapes: new ShapeStore(database, patterns),
    calls: new CallStore(database, patterns, counting, addresses),
    bench: new BenchStore(database, files, { addresses, publishing }),
    results,
    shelf: new ShelfStore(database, () => plan.next()),
    rules,
    recounts,
    drafts,
    letters,
    queries,
    counting,
    plan,
    training: new TrainingStore(database, patterns, counting),
    documents,
    terms,
    style,
    backups,
    metrics: new Metrics(() => recounts.waiting),
    trouble: database.trouble,
    addresses,
    deeds: new DeedStore(database),
    designers: new DesignerStore(database, { addresses, letters, queries }),
    passkeys: new PasskeyStore(database, key),
    house: new PeopleStore(database, key, addresses),
    ...releaseStores(database, files, sources, publishing),
  };
}
