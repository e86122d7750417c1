import { availableParallelism } from 'node:os';
import { resolve } from 'node:path';
import { Piscina } from 'piscina';
import { ServiceError } from '../errors';
import { createFairQueue } from './fairQueue';
import type { JobInput, JobName, JobResult, Outcome } from './jobs';

export interface JobOptions {
  /** Whose job it is: jobs of one person wait for each other, not for those of others. */
  readonly for: string;
  /** Buffers that go to the thread without being copied; they are empty here afterwards. */
  readonly transfer?: readonly ArrayBuffer[];
}

/** Threads for all heavy work, with limits of time, memory and number. */
export interface Pool {
  run<K extends JobName>(name: K, input: JobInput<K>, options: JobOptions): Promise<JobResult<K>>;
  /** Jobs that run and that wait. */
  load(): { readonly running: number; readonly waiting: number; readonly threads: number };
  close(): Promise<void>;
}

/** Seconds that a job may run. */
const SECONDS: Record<JobName, number> = {
  score: 20,
  details: 20,
  examine: 90,
  openTry: 10,
  model: 60,
  nameParts: 30,
  picture: 10,
  hashPassword: 10,
  verifyPassword: 10,
  spin: 2,
};
/** A thread's heap; what is outside of it (arrays of bytes) is bounded by the jobs before they take it. */
const HEAP_MB = 700;
/** Jobs that one person may have waiting, and all people together. */
const WAITING_EACH = 8;
const WAITING_ALL = 400;

export const TOO_LONG = 'too-long';
const tooLong = (): ServiceError => new ServiceError(422, TOO_LONG, 'This took longer than the server may spend on it.');
const tooMuch = (): ServiceError => new ServiceError(422, TOO_LONG, 'This needed more memory than the server may spend on it.');
const busy = (): ServiceError =>
  new ServiceError(503, 'busy', 'The server has more to do than it can at this moment. What you did is still here: try again in half a minute.');

export interface PoolOptions {
  readonly worker?: string;
  readonly threads?: number;
  readonly seconds?: Partial<Record<JobName, number>>;
  readonly heapMb?: number;
  readonly waitingEach?: number;
}

/** `worker`: the built file. Threads are started when they are needed, and end when the pool is closed. */
export function openPool({
  worker = process.env.DIALHOME_WORKER ?? resolve('dist/worker.mjs'),
  threads = Math.max(2, availableParallelism() - 1),
  seconds = {},
  heapMb = HEAP_MB,
  waitingEach = WAITING_EACH,
}: PoolOptions = {}): Pool {
  const piscina = new Piscina({
    filename: worker,
    minThreads: 0,
    maxThreads: threads,
    idleTimeout: 60_000,
    resourceLimits: { maxOldGenerationSizeMb: heapMb, stackSizeMb: 4 },
  });
  const queue = createFairQueue({ slots: threads, waitingEach, waitingAll: WAITING_ALL, refuse: busy });

  return {
    async run<K extends JobName>(name: K, input: JobInput<K>, options: JobOptions): Promise<JobResult<K>> {
      const outcome = await queue.run(options.for, async () => {
        const stop = new AbortController();
        const timer = setTimeout(() => stop.abort(), (seconds[name] ?? SECONDS[name]) * 1000);
        try {
          return (await piscina.run({ name, input }, { signal: stop.signal, ...(options.transfer ? { transferList: [...options.transfer] } : {}) })) as Outcome;
        } catch (error) {
          if (stop.signal.aborted) throw tooLong();
          if ((error as { code?: string }).code === 'ERR_WORKER_OUT_OF_MEMORY') throw tooMuch();
          throw error;
        } finally {
          clearTimeout(timer);
        }
      });
      if (!outcome.ok) throw new ServiceError(outcome.status, outcome.code, outcome.message, outcome.field);
      return outcome.value as JobResult<K>;
    },
    load: () => ({ ...queue.load(), threads: piscina.threads.length }),
    close: () => piscina.destroy(),
  };
}
