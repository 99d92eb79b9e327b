import type { Shape } from '../../core/index.js';

/** A length in mm, as centimetres: to a millimetre under 10 cm. */
export function cm(mm: number): string {
  return `${(mm / 10).toFixed(mm < 100 ? 1 : 0)} cm`;
}

/** From one length to another, as centimetres. */
export function cmRange({ from, to }: { from: number; to: number }): string {
  const places = to < 100 ? 1 : 0;
  const [a, b] = [from, to].map((mm) => (mm / 10).toFixed(places));
  return a === b ? `${a} cm` : `${a} to ${b} cm`;
}

/** From one figure to another, in whole ones, and never nothing. */
export function wholeRange({ from, to }: { from: number; to: number }): string {
  const [a, b] = [from, to].map((figure) => Math.max(1, Math.round(figure)));
  return a === b ? String(a) : `${a}–${b}`;
}

/** A figure with as many places as it needs: one, or two for the sizes of hooks. */
export function short(figure: number, places = 1): string {
  return String(Number(figure.toFixed(places)));
}

/** What the gauge is taken from, in a sentence. */
export function gaugeSource({ gauge, said, hook }: Shape): string {
  switch (gauge.from) {
    case 'set':
      return 'As you have set it.';
    case 'text':
      return `As the text says: “${said.gauge ?? ''}”.`;
    case 'hook':
      return `Worked out from a ${short(hook, 2)} mm hook and the yarn. A gauge would be surer.`;
    case 'usual':
      return 'The text names no gauge, hook or yarn: double knitting on a 3 mm hook is assumed.';
  }
}
