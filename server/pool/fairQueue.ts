/** Lets so many pieces of work run at once; people whose work waits take turns. */
export interface FairQueue {
  run<T>(person: string, work: () => Promise<T>): Promise<T>;
  load(): { readonly running: number; readonly waiting: number };
}

export interface FairQueueOptions {
  readonly slots: number;
  /** Most that may wait for one person, and for all together; beyond it `refuse` says why not. */
  readonly waitingEach: number;
  readonly waitingAll: number;
  readonly refuse: () => Error;
}

export function createFairQueue({ slots, waitingEach, waitingAll, refuse }: FairQueueOptions): FairQueue {
  // A map keeps the order in which people came; who has had a turn goes to its end.
  const lines = new Map<string, (() => void)[]>();
  let running = 0;
  let waiting = 0;

  const next = (): void => {
    if (running >= slots) return;
    const [first] = lines;
    if (!first) return;
    const [person, line] = first;
    const begin = line.shift();
    lines.delete(person);
    if (line.length > 0) lines.set(person, line);
    waiting--;
    running++;
    begin?.();
  };

  return {
    load: () => ({ running, waiting }),
    run(person, work) {
      const line = lines.get(person) ?? [];
      if (running >= slots && (line.length >= waitingEach || waiting >= waitingAll)) return Promise.reject(refuse());
      return new Promise((done, fail) => {
        line.push(() => {
          work()
            .then(done, fail)
            .finally(() => {
              running--;
              next();
            });
        });
        lines.set(person, line);
        waiting++;
        next();
      });
    },
  };
}
