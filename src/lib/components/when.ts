const clock = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' });
const weekday = new Intl.DateTimeFormat('en-GB', { weekday: 'long' });
const day = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short' });
const fullDay = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric' });

const MINUTE = 60_000;

/**
 * A moment as one speaks of it: "just now", "today 14:05", "yesterday", "on Tuesday", "3 Mar", "3 Mar 2025".
 * Days are those of the place where it is read.
 * @param at,now milliseconds since 1970.
 */
export function relatively(at: number, now: number): string {
  if (now - at < MINUTE && at <= now) return 'just now';
  const ago = Math.round((midnight(now) - midnight(at)) / (24 * 60 * MINUTE));
  if (ago === 0) return `today ${clock.format(at)}`;
  if (ago === 1) return 'yesterday';
  if (ago > 1 && ago < 7) return `on ${weekday.format(at)}`;
  return new Date(at).getFullYear() === new Date(now).getFullYear() ? day.format(at) : fullDay.format(at);
}

function midnight(at: number): number {
  return new Date(at).setHours(0, 0, 0, 0);
}
