/** What happened on one day. */
export interface Day<One> {
  readonly day: string;
  readonly all: readonly One[];
}

/**
 * What happened, in its order, day by day; where the same day comes twice, it stands there twice.
 * @param format writes the day of a moment, milliseconds since 1970
 */
export function byDay<One extends { readonly at: number }>(
  all: readonly One[],
  format: (at: number) => string,
): readonly Day<One>[] {
  const days: { day: string; all: One[] }[] = [];
  for (const one of all) {
    const day = format(one.at);
    const last = days.at(-1);
    if (last?.day === day) last.all.push(one);
    else days.push({ day, all: [one] });
  }
  return days;
}
