/** A test call, and a server to it, for tests. */
import { courseOfText, type Step } from '../../core/index.js';
import { NOTHING_WANTED, type BenchCall } from '../bench.js';
import { NotSent, type Post } from './post.js';

const BALL =
  'Ball\nUS terms\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnds 3-5: sc around (12)\n\nEAR (make 2)\nRnd 1: 5 sc in MR (5)\n';
const course = courseOfText(BALL, 'Ball');
export const CALL: BenchCall = { name: 'Ball', number: 1, wanted: NOTHING_WANTED, course, newer: false, at: 0 };

/** A server that keeps each step and photograph once, as ours does, and whose line can be cut. */
export class Server implements Post {
  readonly steps: Step[] = [];
  readonly photographs = new Map<string, number>();
  withdrawn = false;
  /** Its clock is so far ahead of ours. */
  ahead = 0;
  /** What it takes for no step. */
  refuses: (step: Step) => boolean = () => false;
  /** Cuts the line before, or behind, what a request brings: the answer is lost then. */
  cut: () => 'before' | 'behind' | null = () => null;

  #line<Given>(take: () => Given): Promise<Given> {
    if (this.withdrawn) return Promise.reject(new NotSent('This test was withdrawn.', 'withdrawn'));
    const cut = this.cut();
    if (cut === 'before') return Promise.reject(new NotSent('There is no network.', 'later'));
    const given = take();
    return cut === 'behind' ? Promise.reject(new NotSent('There is no network.', 'later')) : Promise.resolve(given);
  }

  call = () => this.#line(() => CALL);
  join = (_: string, name: string) => this.#line(() => ({ token: 'token', name }));
  exchange: Post['exchange'] = (_, __, { after, steps }) => {
    if (steps.some((step) => this.refuses(step))) return Promise.reject(new NotSent('No step.', 'refused'));
    return this.#line(() => {
      for (const step of steps) if (!this.steps.some(({ id }) => id === step.id)) this.steps.push(step);
      const down = this.steps.slice(after, after + 1000);
      const more = after + down.length < this.steps.length;
      return {
        after: after + down.length,
        steps: down,
        more,
        name: 'Aune',
        newer: false,
        now: Date.now() + this.ahead,
      };
    });
  };
  photograph: Post['photograph'] = (_, __, id, file) =>
    this.#line(() => {
      this.photographs.set(id, (this.photographs.get(id) ?? 0) + file.size);
    });
}
