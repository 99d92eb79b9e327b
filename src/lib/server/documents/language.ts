import { francAll } from 'franc';

/** Enough of a text to tell its language by; characters. */
const LOOKED_AT = 20_000;
/** English stands this close to the first where a text is one of abbreviations, or has little but figures. */
const NEAR = 0.95;
const SHORTEST = 60;

/** The language that a text is in, in English, where it is surely not English; null where it is, or can't be told. */
export function otherLanguage(text: string): string | null {
  const told = francAll(text.slice(0, LOOKED_AT), { minLength: SHORTEST });
  const [first] = told;
  const english = told.find(([code]) => code === 'eng')?.[1] ?? 0;
  if (!first || first[0] === 'eng' || first[0] === 'und' || english > NEAR) return null;
  return new Intl.DisplayNames('en', { type: 'language' }).of(first[0]) ?? null;
}
