/** Something that tells that it was pressed: a foot switch, the keys of a presenter, a keyboard. */
export interface Switch {
  /** @returns what ends the listening */
  listen(pressed: (what: 'on' | 'back') => void): () => void;
}

/** Keys that foot switches and presenters type, and those under a thumb. */
const ON: ReadonlySet<string> = new Set([
  ' ',
  'Enter',
  'PageDown',
  'ArrowRight',
  'ArrowDown',
  'AudioVolumeUp',
  'MediaTrackNext',
]);
const BACK: ReadonlySet<string> = new Set([
  'Backspace',
  'PageUp',
  'ArrowLeft',
  'ArrowUp',
  'AudioVolumeDown',
  'MediaTrackPrevious',
]);

/** A switch that types a key. Where something else takes keys (a field, a button) they are left to it. */
export function keySwitch(target: EventTarget): Switch {
  return {
    listen(pressed) {
      const down = (event: Event) => {
        if (!(event instanceof KeyboardEvent) || event.altKey || event.ctrlKey || event.metaKey) return;
        const what = ON.has(event.key) ? 'on' : BACK.has(event.key) ? 'back' : null;
        const own =
          event.target instanceof Element && event.target.closest('input, textarea, select, dialog, a, [data-keys]');
        const presses = event.key === ' ' || event.key === 'Enter';
        if (!what || own || (presses && event.target instanceof Element && event.target.closest('button'))) return;
        event.preventDefault();
        // A switch that is held down is one press.
        if (!event.repeat) pressed(what);
      };
      target.addEventListener('keydown', down);
      return () => target.removeEventListener('keydown', down);
    },
  };
}

/** Something that weighs. */
export interface Scale {
  readonly name: string;
  /** What is said where it does not answer. */
  readonly silent: string;
  /** Tells what lies on it, in grams, as often as that changes. @returns what ends it @throws where it does not answer */
  weigh(told: (grams: number) => void): Promise<() => void>;
}

/** On this channel the practice devices speak: they are a page of their own, on the same machine. */
export const PRACTICE = 'dostik-devices';
export type Practice =
  { readonly kind: 'grams'; readonly grams: number } | { readonly kind: 'press'; readonly what: 'on' | 'back' };

/** A scale that is there answers so soon; milliseconds. */
const ANSWERS_WITHIN = 1000;

/** The scale of the practice page. */
export const practiceScale: Scale = {
  name: 'Practice scale',
  silent: 'The practice scale does not answer: open /bench/devices in another window of this browser.',
  weigh(told) {
    const channel = new BroadcastChannel(PRACTICE);
    return new Promise((answers, silent) => {
      const late = setTimeout(() => {
        channel.close();
        silent(new Error(practiceScale.silent));
      }, ANSWERS_WITHIN);
      channel.onmessage = ({ data }: MessageEvent<Practice>) => {
        if (data.kind !== 'grams') return;
        clearTimeout(late);
        answers(() => channel.close());
        told(data.grams);
      };
      channel.postMessage({ kind: 'ask' });
    });
  },
};

/** The switch of the practice page. */
export const practiceSwitch: Switch = {
  listen(pressed) {
    const channel = new BroadcastChannel(PRACTICE);
    channel.onmessage = ({ data }: MessageEvent<Practice>) => {
      if (data.kind === 'press') pressed(data.what);
    };
    return () => channel.close();
  },
};

interface SerialPort {
  open(options: { baudRate: number }): Promise<void>;
  close(): Promise<void>;
  readonly readable: ReadableStream<Uint8Array> | null;
}
interface Serial {
  requestPort(): Promise<SerialPort>;
}

/** Most kitchen and letter scales with a cable speak so fast. */
const BAUD = 9600;

/** A scale on a cable; null where the browser speaks with none. */
export function serialScale(): Scale | null {
  const serial = (navigator as { serial?: Serial }).serial;
  if (!serial) return null;
  return {
    name: 'Scale on a cable',
    silent: 'The scale does not answer. Type what it shows.',
    async weigh(told) {
      const port = await serial.requestPort();
      await port.open({ baudRate: BAUD });
      const reader = port.readable?.getReader();
      void readLines(reader, (line) => {
        const grams = gramsIn(line);
        if (grams !== null) told(grams);
      });
      return () => void reader?.cancel().then(() => port.close());
    },
  };
}

async function readLines(
  reader: ReadableStreamDefaultReader<Uint8Array> | undefined,
  told: (line: string) => void,
): Promise<void> {
  const decoder = new TextDecoder();
  let rest = '';
  for (let read = await reader?.read(); read && !read.done; read = await reader?.read()) {
    const lines = (rest + decoder.decode(read.value, { stream: true })).split(/[\r\n]+/);
    rest = lines.pop() ?? '';
    for (const line of lines) told(line);
  }
}

const GRAMS: Readonly<Record<string, number>> = { g: 1, kg: 1000, oz: 28.349_523 };

/**
 * What a line of a scale says, in grams: "ST,GS,+  45.3 g", "  0.0453 kg"; null where it says no weight.
 */
export function gramsIn(line: string): number | null {
  const match = /([+-]?)\s*(\d+(?:[.,]\d+)?)\s*(kg|g|oz)\b/i.exec(line);
  if (!match) return null;
  const [, sign, figure = '', unit = 'g'] = match;
  const grams = Number(figure.replace(',', '.')) * (GRAMS[unit.toLowerCase()] ?? 1) * (sign === '-' ? -1 : 1);
  return Math.round(grams * 10) / 10;
}
