import type { PrepareWorker } from '@web/workers/prepare.worker';
import { releaseProxy, transfer, wrap } from 'comlink';
import { keepMesh, keptMesh } from './meshStore';
import type { Prepared, Refined } from './prepared';

/** Makes a mesh file ready to draw in a worker; a large one can be drawn before its edges are there. */
export async function prepareBytes(bytes: Uint8Array<ArrayBuffer>): Promise<Prepared> {
  const worker = new Worker(new URL('../workers/prepare.worker.ts', import.meta.url), { type: 'module' });
  const api = wrap<PrepareWorker>(worker);
  const end = (): void => {
    api[releaseProxy]();
    worker.terminate();
  };
  try {
    const { prepared, whole } = (await api.prepare(transfer(bytes, [bytes.buffer]))) as { prepared: Prepared; whole: boolean };
    if (whole) {
      end();
      return prepared;
    }
    return { ...prepared, refined: (api.refine() as Promise<Refined>).finally(end) };
  } catch (error) {
    end();
    throw error;
  }
}

/** Fetches a model once (the browser keeps it under its content hash) and makes it ready to draw. */
export async function openModel(hash: string): Promise<Prepared> {
  const kept = await keptMesh(hash);
  if (kept) return prepareBytes(new Uint8Array(kept));
  const response = await fetch(`/api/meshes/${hash}`);
  if (!response.ok)
    throw new Error(
      response.status === 404 ? 'This model is not yours to see, or no longer there.' : 'The model could not be loaded. Check the network, then try again.',
    );
  const bytes = await response.arrayBuffer();
  // Kept beside the work: the first picture does not wait for it.
  void keepMesh(hash, bytes.slice(0));
  return prepareBytes(new Uint8Array(bytes));
}
