import type { MarkName } from '../components/marks.js';
import { plural } from '../plural.js';
import type { Edition, ShelfEntry, Summary } from '../patterns.js';
import type { QueryState } from '../queries.js';

/** How a pattern stands: what its other places show of each of its places. */
export interface Standing {
  readonly id: string;
  readonly name: string;
  /** The figures of the last check; null where there are none. */
  readonly summary: Summary | null;
  readonly state: ShelfEntry['state'];
  /** The vocabulary that the editor has settled; `auto` goes by the text. */
  readonly settled: 'auto' | 'us' | 'uk';
  readonly editions: readonly Edition[];
  /** The pattern that this one is an edition of. */
  readonly source: Edition | null;
  /** How many rules are set for this pattern alone. */
  readonly rules: number;
  /** How many drafts have come, and how many queries are in each state. */
  readonly drafts: number;
  /** The newest version that is signed; null where none is. */
  readonly release: string | null;
  /** Testers of the newest test call that is open; null where none is. */
  readonly testers: number | null;
  readonly queries: Readonly<Partial<Record<QueryState, number>>>;
}

/** Something that is said of a place, in a few words. */
export interface PlaceState {
  readonly words: string;
  /** Drawn before the words where something is to be done there. */
  readonly mark?: MarkName;
}

export interface HousePlace {
  readonly id: 'shelf' | 'plan' | 'trainer' | 'rules' | 'style' | 'card' | 'workspace' | 'people';
  readonly text: string;
  readonly href: string;
  readonly keys: string;
  /** Only for who owns the house. */
  readonly owners?: boolean;
}

/** The places of the house, in the order in which they stand at the head of every page. */
export const HOUSE: readonly HousePlace[] = [
  { id: 'shelf', text: 'Shelf', href: '/', keys: 'Alt Shift S' },
  { id: 'plan', text: 'Plan', href: '/plan', keys: 'Alt Shift Y' },
  { id: 'trainer', text: 'Trainer', href: '/trainer', keys: 'Alt Shift N' },
  { id: 'rules', text: 'Rules', href: '/rules', keys: 'Alt Shift R' },
  { id: 'style', text: 'House style', href: '/style', keys: 'Alt Shift H' },
  { id: 'card', text: 'Reference card', href: '/card', keys: 'Alt Shift C' },
  { id: 'workspace', text: 'Workspace', href: '/workspace', keys: 'Alt Shift W', owners: true },
  { id: 'people', text: 'People', href: '/people', keys: 'Alt Shift M', owners: true },
];

export interface PatternPlace {
  readonly id: 'intake' | 'desk' | 'drafts' | 'queries' | 'terms' | 'shape' | 'tests' | 'release' | 'pattern-rules';
  readonly text: string;
  readonly href: (pattern: string) => string;
  readonly keys: string;
  /** How it stands there; null where there is nothing to say. */
  readonly state: (standing: Standing) => PlaceState | null;
}

/** Where one is; null on a page that is no place of its own. */
export type Here = HousePlace['id'] | PatternPlace['id'] | null;

/** The places of a pattern, in the order of the work. */
export const PATTERN: readonly PatternPlace[] = [
  { id: 'intake', text: 'Intake', href: (id) => `/intake/${id}`, keys: 'Alt Shift I', state: () => null },
  { id: 'desk', text: 'Desk', href: (id) => `/desk/${id}`, keys: 'Alt Shift D', state: deskState },
  {
    id: 'drafts',
    text: 'Drafts',
    href: (id) => `/drafts/${id}`,
    keys: 'Alt Shift V',
    state: ({ drafts }) => (drafts > 1 ? { words: `${drafts}` } : null),
  },
  {
    id: 'queries',
    text: 'Queries',
    href: (id) => `/queries/${id}`,
    keys: 'Alt Shift Q',
    state: ({ queries }) => queryState(queries),
  },
  { id: 'terms', text: 'Terms', href: (id) => `/terms/${id}`, keys: 'Alt Shift T', state: termsState },
  { id: 'shape', text: 'Shape', href: (id) => `/shape/${id}`, keys: 'Alt Shift O', state: () => null },
  {
    id: 'tests',
    text: 'Tests',
    href: (id) => `/tests/${id}`,
    keys: 'Alt Shift E',
    state: ({ testers }) => (testers === null ? null : { words: testers === 0 ? 'called' : plural(testers, 'tester') }),
  },
  {
    id: 'release',
    text: 'Release',
    href: (id) => `/release/${id}`,
    keys: 'Alt Shift L',
    state: ({ release }) => (release === null ? null : { words: release }),
  },
  {
    id: 'pattern-rules',
    text: 'Its rules',
    href: (id) => `/desk/${id}/rules`,
    keys: 'Alt Shift P',
    state: ({ rules }) => (rules > 0 ? { words: `${rules} set` } : null),
  },
];

function deskState({ summary, state }: Standing): PlaceState {
  if (!summary) return { words: state === 'too-much' ? 'not counted' : 'counting…' };
  const { rounds, off, unclear, errors, warnings } = summary;
  if (off > 0) return { words: `${off} off`, mark: 'off' };
  if (unclear > 0) return { words: `${unclear} unreadable`, mark: 'unreadable' };
  if (errors > 0) return { words: plural(errors, 'error'), mark: 'error' };
  if (warnings > 0) return { words: plural(warnings, 'warning'), mark: 'warning' };
  return rounds === 0 ? { words: 'no rounds' } : { words: 'comes out', mark: 'agrees' };
}

/** What is to be done about the queries, the nearest first. */
function queryState({ open = 0, sent = 0, answered = 0, settled = 0 }: Standing['queries']): PlaceState | null {
  if (answered > 0) return { words: `${answered} answered`, mark: 'hint' };
  if (open > 0) return { words: `${open} to send` };
  if (sent > 0) return { words: `${sent} out` };
  return settled > 0 ? { words: 'all settled' } : null;
}

const NAMES = { us: 'US', uk: 'UK' };

function termsState({ summary, settled, editions, source }: Standing): PlaceState | null {
  const behind = editions.find((edition) => edition.behind);
  if (behind) return { words: `${NAMES[behind.to]} edition behind`, mark: 'warning' };
  if (source?.behind) return { words: 'this edition is behind', mark: 'warning' };
  const [made] = editions;
  if (made) return { words: `${NAMES[made.to]} edition` };
  if (settled !== 'auto') return { words: NAMES[settled] };
  if (!summary) return null;
  return {
    us: { words: 'US' },
    uk: { words: 'UK' },
    mixed: { words: 'mixed', mark: 'warning' as const },
    unclear: null,
  }[summary.terms];
}
