import type { Doing } from '../frame/actions.js';
import type { Asking } from './asking.svelte.js';
import type { DeskSession } from './desk.svelte.js';
import type { Walking } from './walking.js';

/** What the panel does by key. */
interface Panel {
  readonly ask: (question: 'hook' | 'aside' | 'meaning') => Promise<void>;
  readonly turn: () => void;
}

/** What is done at the Desk by key and from the finder: going through the pattern, and asking about it. */
export function walkingByKey(
  desk: DeskSession,
  walking: Walking,
  asking: Asking,
  panel: () => Panel | undefined,
): Doing {
  return {
    'next-round': () => walking.round(1),
    'last-round': () => walking.round(-1),
    tick: () => walking.tick(),
    'tick-on': () => walking.tickOn(),
    unticked: () => walking.unticked(),
    means: () => void panel()?.ask('meaning'),
    hook: () => void panel()?.ask('hook'),
    'next-finding': () => walking.finding(1),
    'last-finding': () => walking.finding(-1),
    'fix-1': () => walking.fix(0),
    'fix-2': () => walking.fix(1),
    'fix-3': () => walking.fix(2),
    'fix-4': () => walking.fix(3),
    aside: () => void panel()?.ask('aside'),
    query: () => void asking.ask(),
    list: () => panel()?.turn(),
    'next-part': () => walking.part(1),
    'last-part': () => walking.part(-1),
    fold: () => walking.fold('part'),
    'fold-all': () => walking.fold('all'),
    'fold-front': () => walking.fold('front'),
    manuscript: () => desk.editor?.focus(),
  };
}
