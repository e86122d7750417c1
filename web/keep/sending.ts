import { call, Refused } from '@web/ui/api';
import { hold } from './holding';
import { dropKept, type KeptAttempt, keepHead, keptAttempt, keptAttempts, keptTrace } from './keptAttempts';

/** What became of an attempt that was to be sent. */
export type Sent = { readonly kind: 'sent' } | { readonly kind: 'waits'; readonly words: string } | { readonly kind: 'refused'; readonly words: string };

/** Answers after which sending again may help: the server is away, has too much to do, or does not know who asks. */
const mayHelp = (status: number): boolean => status === 0 || status === 401 || status === 403 || status === 408 || status === 429 || status >= 500;

/** Sends a finished attempt and forgets it once the server has it. The server takes the same attempt once, however often it comes. */
export async function sendKept(person: string, id: string): Promise<Sent> {
  const letGo = await hold(`sending ${id}`);
  if (!letGo) return { kind: 'waits', words: 'Another window of this browser is sending it.' };
  try {
    const head = await keptAttempt(person, id);
    if (!head) return { kind: 'sent' };
    try {
      await call('handIn', { params: { id }, body: await keptTrace(person, head) });
    } catch (error) {
      const words = error instanceof Error ? error.message : String(error);
      if (error instanceof Refused && !mayHelp(error.status)) {
        // Someone else may be signed in by now, in another window: to them it does not exist, and it stays for its own person.
        if (error.status !== 404) await keepHead(person, { ...head, refused: words });
        return { kind: 'refused', words };
      }
      return { kind: 'waits', words };
    }
    await dropKept(person, id);
    return { kind: 'sent' };
  } finally {
    letGo();
  }
}

/** Sends all that waits for a person, one after the other; gives those that have arrived. */
export async function sendAll(person: string): Promise<KeptAttempt[]> {
  const arrived: KeptAttempt[] = [];
  for (const head of await keptAttempts(person)) {
    if (head.end === null || head.refused) continue;
    const result = await sendKept(person, head.id);
    if (result.kind === 'sent') arrived.push(head);
    // The server is away: the others would wait as well.
    else if (result.kind === 'waits') break;
  }
  return arrived;
}
