import * as z from 'zod/mini';
import { TRAITS } from './traits.js';

/** A house style as it is kept: by the id of a trait one of its ways. */
export const houseStyleSchema = z.record(z.string().check(z.maxLength(40)), z.string().check(z.maxLength(40)));

/** A house style that is to be settled: traits and ways that there are, and no others. */
export const settledStyleSchema = houseStyleSchema.check(({ value, issues }) => {
  if (Object.entries(value).every(([id, way]) => waysOf(id).includes(way))) return;
  const message = 'There is no such trait of a house style, or no such way of it.';
  issues.push({ code: 'custom', input: value, message });
});

function waysOf(id: string): readonly string[] {
  return TRAITS.find((trait) => trait.id === id)?.ways.map(({ way }) => way) ?? [];
}

/** A text in house style, as it comes from the worker. */
export const styledSchema = z.object({
  text: z.string(),
  lines: z.array(z.object({ line: z.number(), before: z.string(), after: z.string() })),
  left: z.number(),
  proved: z.boolean(),
});

/** What can be settled: each trait with its ways and their examples. */
export function styleTraits(): { id: string; about: string; ways: { way: string; example: string }[] }[] {
  return TRAITS.map(({ id, about, ways }) => ({ id, about, ways: ways.map((one) => ({ ...one })) }));
}
