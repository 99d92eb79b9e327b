import type { CountedPattern } from '../counting/counted.js';
import { deviations, type Deviation, type HouseStyle } from '../style/style.js';
import type { Trait } from '../style/traits.js';
import type { Found, Rule } from './rule.js';

/** The id under which the house style speaks. */
export const HOUSE_STYLE = 'style/house';

/** What a house style finds in a pattern; it is no rule of the catalogue, and speaks only where a style has been set. */
export function styleRule(
  style: HouseStyle,
): Pick<Rule, 'id' | 'severity'> & { check(counted: CountedPattern): Iterable<Found> } {
  return {
    id: HOUSE_STYLE,
    severity: 'hint',
    *check(counted) {
      const { text } = counted.pattern.source;
      const byTrait = new Map<Trait, Deviation[]>();
      for (const deviation of deviations(counted, style)) {
        const same = byTrait.get(deviation.trait);
        if (same) same.push(deviation);
        else byTrait.set(deviation.trait, [deviation]);
      }
      // One finding for each trait, at its first place, with a fix for all of them.
      for (const [trait, places] of byTrait) {
        const first = places[0];
        if (!first) continue;
        const { span } = first.occurrence;
        const edits = places.flatMap((place) => place.edits ?? []);
        const able = places.filter((place) => place.edits !== null).length;
        const wanted = trait.ways.find(({ way }) => way === style[trait.id])?.example ?? '';
        const all =
          places.length === 1
            ? 'here'
            : `here and in ${places.length - 1} more ${places.length === 2 ? 'place' : 'places'}`;
        yield {
          span,
          round: first.round,
          message: `${trait.about}: "${text.slice(span.from, span.to).trim()}" ${all}; in house style "${wanted}".`,
          fixes:
            able === 0
              ? []
              : [
                  {
                    title: able === 1 ? `As "${wanted}"` : `As "${wanted}" in ${able} places`,
                    edits: edits.map(({ from, to, text: put }) => ({ span: { from, to }, text: put })),
                  },
                ],
        };
      }
    },
  };
}
