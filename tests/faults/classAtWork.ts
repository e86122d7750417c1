import { LEARNERS } from '@demo/people';

/** Learners who open attempts and hand them in, one after the other, and send again what was not answered, as a browser does. */
export interface ClassAtWork {
  /** Attempts that the server said it has. */
  readonly acknowledged: ReadonlySet<string>;
  /** Requests that failed and were sent again. */
  readonly failed: () => number;
  /** Lets everybody finish what they have begun, and waits for it. */
  stop(): Promise<void>;
}

/** The scheme that all of them use. */
export const SCHEME = 'two-button-mouse';

/** An exercise, with what a trace has to say of it. */
export interface ExerciseDone {
  readonly id: string;
  readonly version: number;
  readonly model: unknown;
  readonly start: unknown;
  readonly schemeRevision: number;
}

/** An attempt of `end` seconds as a page sends it. */
export const traceToSend = (exercise: ExerciseDone, seed: number, moves: readonly unknown[], end: number): unknown => ({
  version: 1,
  exercise: { id: exercise.id, version: exercise.version },
  model: exercise.model,
  scheme: { id: SCHEME, revision: exercise.schemeRevision },
  start: exercise.start,
  seed,
  moves,
  events: [
    { t: 0, kind: 'begin' },
    { t: end, kind: 'handIn' },
  ],
  end,
});

export interface ClassOptions {
  /** Addresses of the application, taken in turn. */
  readonly bases: readonly string[];
  /** The exercise that all of them do, with what a trace says of it. */
  readonly exercise: ExerciseDone;
  readonly learners: number;
}

const pause = (ms: number): Promise<void> => new Promise((done) => setTimeout(done, ms));
/** Seconds that an attempt takes. */
const LENGTH = 0.4;

export function putClassToWork({ bases, exercise, learners }: ClassOptions): ClassAtWork {
  const acknowledged = new Set<string>();
  let stopping = false;
  let failed = 0;
  let turn = 0;

  /** Sends until it is answered; an answer that says no is final. */
  const insist = async (path: string, body: unknown, cookie: string): Promise<{ status: number; cookie: string; json: Record<string, unknown> }> => {
    for (;;) {
      const base = bases[turn++ % bases.length] as string;
      try {
        const response = await fetch(`${base}${path}`, {
          method: 'POST',
          headers: { Origin: base, 'Content-Type': 'application/json', Cookie: cookie },
          body: JSON.stringify(body),
          signal: AbortSignal.timeout(20_000),
        });
        const json = (await response.json()) as Record<string, unknown>;
        if (response.status < 500 && response.status !== 429)
          return { status: response.status, cookie: (response.headers.get('set-cookie') ?? '').split(';')[0] ?? '', json };
      } catch {
        // Away for the moment.
      }
      failed++;
      await pause(50 + 150 * Math.random());
    }
  };

  const learn = async (signIn: string): Promise<void> => {
    const { cookie } = await insist('/api/demo-sign-in', { name: signIn }, '');
    while (!stopping) {
      const opened = await insist('/api/attempts', { exerciseId: exercise.id, version: exercise.version, schemeId: SCHEME }, cookie);
      if (opened.status !== 200) throw new Error(`an attempt could not be opened: ${JSON.stringify(opened.json)}`);
      const { id, seed } = opened.json as { id: string; seed: number };
      await pause(LENGTH * 1000);
      const moves = Array.from({ length: 12 }, (_, i) => ({
        t: (i * LENGTH) / 12,
        command: { kind: 'orbit', dx: 8, dy: 1, mode: 'turntable' },
        gesture: { id: 1, device: 'mouse', binding: 'left drag' },
      }));
      const trace = traceToSend(exercise, seed, moves, LENGTH);
      const answer = await insist(`/api/attempts/${id}/hand-in`, trace, cookie);
      if (answer.status !== 200) throw new Error(`an attempt was refused: ${JSON.stringify(answer.json)}`);
      acknowledged.add(id);
    }
  };

  const all = Promise.all(Array.from({ length: learners }, (_, i) => learn((LEARNERS[i % LEARNERS.length] as (typeof LEARNERS)[number]).signIn)));
  all.catch(() => {});
  return {
    acknowledged,
    failed: () => failed,
    async stop() {
      stopping = true;
      await all;
    },
  };
}
