/** Models that were fetched, kept in the browser under the hash of their content. */
const NAME = 'dial-home-meshes';
/** So many models are kept; the one that was kept first goes first. */
const MOST = 12;

const addressOf = (hash: string): string => `/api/meshes/${hash}`;

async function hashOf(bytes: ArrayBuffer): Promise<string> {
  const digest = new Uint8Array(await crypto.subtle.digest('SHA-256', bytes));
  return [...digest].map((byte) => byte.toString(16).padStart(2, '0')).join('');
}

/** The store, where the browser has one: pages that were not fetched safely have none. */
const opened = async (): Promise<Cache | null> => (globalThis.caches && globalThis.crypto?.subtle ? caches.open(NAME).catch(() => null) : null);

/** Bytes that were kept and are still what their hash says; null when they have to be fetched. */
export async function keptMesh(hash: string): Promise<ArrayBuffer | null> {
  const store = await opened();
  const bytes = await (await store?.match(addressOf(hash)))?.arrayBuffer();
  if (!bytes) return null;
  if ((await hashOf(bytes)) === hash) return bytes;
  await store?.delete(addressOf(hash));
  return null;
}

/** Keeps bytes for the next time. A store that is full or closed is no loss: they are fetched again. */
export async function keepMesh(hash: string, bytes: ArrayBuffer): Promise<void> {
  try {
    const store = await opened();
    if (!store) return;
    await store.put(addressOf(hash), new Response(bytes));
    const keys = await store.keys();
    for (const key of keys.slice(0, Math.max(0, keys.length - MOST))) await store.delete(key);
  } catch {
    // The quota is spent.
  }
}
