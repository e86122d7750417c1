/** What a thread of the pool runs; built as `dist/worker.mjs` for server, scripts and tests alike. */
import { setPriority } from 'node:os';
import { isMainThread } from 'node:worker_threads';
import { type JobName, jobs, type Outcome, refusalOf } from './jobs';

/** Linux takes this for the calling thread alone: who waits for a page goes before what is scored. */
const NICE = 3;
if (!isMainThread && process.platform === 'linux') setPriority(0, NICE);

export default async function work({ name, input }: { readonly name: JobName; readonly input: never }): Promise<Outcome> {
  try {
    return { ok: true, value: await jobs[name](input) };
  } catch (error) {
    const refusal = refusalOf(error);
    if (refusal) return refusal;
    throw error;
  }
}
