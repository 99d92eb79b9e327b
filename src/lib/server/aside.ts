import * as workerpool from 'workerpool';

/** Work that can be asked for: each with one argument and a result that can be sent from process to process. */
export type Jobs = Readonly<Record<string, (asked: never) => unknown>>;

/** What a piece of work may take. */
interface Limits {
  /** Milliseconds of one core. By the clock it may take much longer: others work here as well. */
  readonly longest: number;
  /** For what is worked on, beside the program itself; megabytes. */
  readonly memory: number;
  /** Processes at most; one of them is started before it is needed, where `ready` says so. */
  readonly workers: number;
  readonly ready: boolean;
}

/** Has work done in processes beside this one. */
export interface Aside<Work extends Jobs> {
  /**
   * @param told hears what the work says of itself while it is done.
   * @throws OverLimit where it takes too long or too much memory.
   */
  have<Job extends keyof Work & string>(
    job: Job,
    asked: Parameters<Work[Job]>[0],
    told?: (said: unknown) => void,
  ): Promise<Awaited<ReturnType<Work[Job]>>>;
  close(): Promise<void>;
}

/** By the clock, for what waits and does not work: so many times the time that it may take of a core. */
const PATIENCE = 12;

/** A piece of work took more time or memory than it may. */
export class OverLimit extends Error {}

/**
 * Works in processes beside this one, so that no text can hold up a request, and none can take the server with it: a worker
 * thread that grows too fast ends the whole process, limit or no limit.
 * @param script the bundle whose jobs are asked for (scripts/bundles.mjs).
 */
export function workingAside<Work extends Jobs>(
  script: string,
  { longest, memory, workers, ready }: Limits,
): Aside<Work> {
  const pool = workerpool.pool(script, {
    workerType: 'process',
    minWorkers: ready ? 1 : 0,
    maxWorkers: workers,
    // The process ends itself at what takes too long (asideWorker.ts).
    forkArgs: [String(longest)],
    forkOpts: { serialization: 'advanced', execArgv: [`--max-old-space-size=${memory}`] },
    // What a process says that runs out of memory is of no use to anybody.
    emitStdStreams: true,
  });
  return {
    async have<Job extends keyof Work & string>(
      job: Job,
      asked: Parameters<Work[Job]>[0],
      told?: (said: unknown) => void,
    ): Promise<Awaited<ReturnType<Work[Job]>>> {
      try {
        const done: unknown = await pool
          .exec(job, [asked], told ? { on: told } : undefined)
          .timeout(longest * PATIENCE);
        return done as Awaited<ReturnType<Work[Job]>>;
      } catch (error) {
        if (error instanceof workerpool.Promise.TimeoutError || error instanceof workerpool.TerminateError)
          throw new OverLimit('This takes too long, or too much memory.');
        throw error;
      }
    },
    close: async () => {
      await pool.terminate(true);
    },
  };
}
