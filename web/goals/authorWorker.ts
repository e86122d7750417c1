import type { Mesh } from '@core/geometry';
import type { View } from '@core/view';
import type { AuthorWorker } from '@web/workers/author.worker';
import { type Remote, wrap } from 'comlink';

const known = new WeakMap<Mesh, Promise<Remote<AuthorWorker>>>();

/** The worker that computes for one who builds on this model; it is started when it is first asked, and lives as long as the page. */
export function authorWorker(mesh: Mesh, home: View): Promise<Remote<AuthorWorker>> {
  let found = known.get(mesh);
  if (!found) {
    const api = wrap<AuthorWorker>(new Worker(new URL('../workers/author.worker.ts', import.meta.url), { type: 'module' }));
    known.set(mesh, (found = api.open(mesh, home).then(() => api)));
  }
  return found;
}
