import { historyField } from '@codemirror/commands';
import { EditorState, type EditorStateConfig } from '@codemirror/state';
import * as z from 'zod/mini';

/** What the editor can be made from again, undo and redo included; checked before it is used. */
const rememberedSchema = z.object({
  doc: z.string(),
  selection: z.looseObject({}),
  history: z.looseObject({ done: z.array(z.unknown()), undone: z.array(z.unknown()) }),
});

const key = (id: string) => `dostik.undo.${id}`;
/** A longer memory than this is not kept; characters of JSON. */
const LONGEST = 1_500_000;

/** Keeps text, caret and undo history in this browser, so that a reload can be undone past. */
export function remember(id: string, state: EditorState): void {
  try {
    const kept = JSON.stringify(state.toJSON({ history: historyField }));
    if (kept.length <= LONGEST) localStorage.setItem(key(id), kept);
    else localStorage.removeItem(key(id));
  } catch {
    // Without storage, or without room in it, undo ends at the reload; nothing else is lost.
  }
}

/** The editor's state as it was, where it was remembered for exactly this text; null otherwise. */
export function recall(id: string, text: string, config: EditorStateConfig): EditorState | null {
  try {
    const kept = localStorage.getItem(key(id));
    const remembered = kept === null ? null : rememberedSchema.parse(JSON.parse(kept));
    if (remembered?.doc !== text) return null;
    return EditorState.fromJSON(remembered, config, { history: historyField });
  } catch {
    return null;
  }
}

const placeKey = (id: string) => `dostik.place.${id}`;
/** A line with its words: the text may have changed above it. */
const lineSchema = z.object({ line: z.int().check(z.gte(1)), words: z.string() });
const placeSchema = z.object({ ...lineSchema.shape, front: z.nullable(lineSchema) });
const LONGEST_WORDS = 200;

/** Where one was in a pattern, by its lines as they are now. */
export interface Left {
  readonly line: number;
  /** The last line of what stands before its rounds; null where nothing does, or that is no longer known. */
  readonly front: number | null;
}

/** Keeps in this browser where in a pattern one is, and what stands before its rounds. */
export function keepPlace(id: string, { line, front }: Left, text: string): void {
  try {
    const lines = text.split('\n');
    const marked = (at: number) => ({ line: at, words: (lines[at - 1] ?? '').slice(0, LONGEST_WORDS) });
    localStorage.setItem(placeKey(id), JSON.stringify({ ...marked(line), front: front && marked(front) }));
  } catch {
    // Without storage the Desk opens where there is something to do.
  }
}

/** Where one was, by the words of the line where it has moved; null where one has not been, or nothing tells. */
export function keptPlace(id: string, text: string): Left | null {
  try {
    const kept = localStorage.getItem(placeKey(id));
    if (kept === null) return null;
    const { line, words, front } = placeSchema.parse(JSON.parse(kept));
    const lines = text.split('\n').map((one) => one.slice(0, LONGEST_WORDS));
    const same = lines.flatMap((one, i) => (words !== '' && one === words ? [i + 1] : []));
    const near = same.sort((a, b) => Math.abs(a - line) - Math.abs(b - line))[0];
    return {
      line: near ?? Math.min(line, lines.length),
      front: front && lines[front.line - 1] === front.words ? front.line : null,
    };
  } catch {
    return null;
  }
}
