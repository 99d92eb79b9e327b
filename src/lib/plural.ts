const rules = new Intl.PluralRules('en');

/** A number with its noun: "1 round", "2 rounds", "0 entries". */
export function plural(count: number, one: string, many = `${one}s`): string {
  return `${count.toLocaleString('en')} ${rules.select(count) === 'one' ? one : many}`;
}
