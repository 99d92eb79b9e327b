import { timingSafeEqual } from 'node:crypto';
import { collectDefaultMetrics, Gauge, Histogram, Registry } from 'prom-client';
import type { AskedFor } from './log.js';

/** Figures of this process in the open text format, for who watches it. */
export class Metrics {
  readonly #registry = new Registry();
  readonly #asked: Histogram<'method' | 'route' | 'status'>;

  /** @param waiting how many patterns are waiting to be counted */
  constructor(waiting: () => number) {
    collectDefaultMetrics({ register: this.#registry });
    this.#asked = new Histogram({
      name: 'dostik_request_seconds',
      help: 'How long answers took, until they began.',
      labelNames: ['method', 'route', 'status'],
      buckets: [0.005, 0.01, 0.025, 0.05, 0.1, 0.2, 0.5, 1, 2, 5, 10],
      registers: [this.#registry],
    });
    new Gauge({
      name: 'dostik_patterns_to_count',
      help: 'How many patterns are waiting to be counted.',
      registers: [this.#registry],
      collect() {
        this.set(waiting());
      },
    });
  }

  /** Notes a request. */
  asked({ method, route, status, ms }: AskedFor): void {
    this.#asked.observe({ method, route, status: String(status) }, ms / 1000);
  }

  text(): Promise<string> {
    return this.#registry.metrics();
  }

  get type(): string {
    return this.#registry.contentType;
  }
}

/**
 * Whether somebody may see the figures: at home, or with the word of METRICS_TOKEN.
 * @param outside whether they may come from another machine
 */
export function mayWatch(authorization: string | null, token: string | undefined, outside: boolean): boolean {
  if (token === undefined || token === '') return !outside;
  const given = Buffer.from(authorization ?? '');
  const wanted = Buffer.from(`Bearer ${token}`);
  return given.length === wanted.length && timingSafeEqual(given, wanted);
}
