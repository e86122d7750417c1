/** What a thread of the pool runs; built as `dist/worker.mjs` for server, scripts and tests alike. */
import { setPriority } from 'node:os';
import { isMainThread } from 'node:worker_threads';
import { z } from 'zod';
import { type JobName, jobs, type Outcome, refusalOf } from './jobs';

/** Linux takes this for the calling thread alone: who waits for a page goes before what is scored. */
const NICE = 3;
if (!isMainThread && process.platform === 'linux') setPriority(0, NICE);

export default async function work({ name, input }: { readonly name: JobName; readonly input: never }): Promise<Outcome> {
  try {
    const value: unknown = await jobs[name](input);
    const outcome: Outcome = { ok: true, value };
    return outcome;
  } catch (error) {
    const refusal = refusalOf(error);
    if (refusal) return refusal;
    if (error instanceof z.ZodError) {
      const issue = error.issues[0];
      const path = issue?.path.join('.') ?? '';
      return { ok: false, status: 422, code: 'invalid', message: `${path ? `${path}: ` : ''}${issue?.message ?? 'This could not be read.'}`, field: path };
    }
    throw error;
  }
}
