import { BUILT_IN_SCHEMES, type Scheme } from '@core';
import { FormatError, readSchemeFile } from '@formats';
import { transact } from '../database';
import { forbidden, invalid, notFound, ServiceError } from '../errors';
import { newId } from '../ids';
import { lockPerson } from '../repositories/people';
import * as schemes from '../repositories/schemes';
import type { RequestContext, Service } from '../service';
import { isStaff, requireLedGroup } from './people';

/** A person keeps at most this many schemes. */
const MOST = 100;

/** A scheme as one person sees it. */
export interface SchemeSeen {
  readonly scheme: Scheme;
  /** Null for those that ship with the application. */
  readonly ownerName: string | null;
  /** Whether the one who asks may change it. */
  readonly mine: boolean;
  readonly shares: readonly { readonly groupId: string; readonly locked: boolean }[];
  /** Who locked it for the one who asks, so that they practise with it alone. */
  readonly lockedBy: string | null;
}

/** Keeps the schemes that ship with the application, each revision once. */
export async function keepBuiltInSchemes(service: Service): Promise<void> {
  for (const scheme of BUILT_IN_SCHEMES) await schemes.addSchemeRevision(service.db, scheme, null);
}

/** All schemes that the one who asks may use: those that ship, their own, and those shared with their groups. */
export async function schemesSeen(asked: RequestContext): Promise<SchemeSeen[]> {
  const ids = await schemes.listSchemeIds(asked.db, asked.who.role === 'lead' ? null : asked.who.id);
  const shares = await schemes.listShares(asked.db, ids);
  const locks = new Map((await schemes.locksFor(asked.db, asked.who.id)).map((lock) => [lock.schemeId, lock.by]));
  const own = await Promise.all(
    ids.map(async (id): Promise<SchemeSeen[]> => {
      const [scheme, owner] = await Promise.all([schemes.findScheme(asked.db, id), schemes.ownerOf(asked.db, id)]);
      if (!scheme || !owner) return [];
      const mine = owner.ownerId === asked.who.id || asked.who.role === 'lead';
      return [
        {
          scheme,
          ownerName: owner.ownerName,
          mine,
          shares: isStaff(asked.who) ? shares.filter((s) => s.schemeId === id).map((s) => ({ groupId: s.groupId, locked: s.lockedBy !== null })) : [],
          lockedBy: locks.get(id) ?? null,
        },
      ];
    }),
  );
  return [...BUILT_IN_SCHEMES.map((scheme) => ({ scheme, ownerName: null, mine: false, shares: [], lockedBy: null })), ...own.flat()];
}

/** The schemes that the one who asks may practise with: where one is locked for a group of theirs, that alone. */
export async function schemesToPractise(asked: RequestContext, meantFor: readonly string[]): Promise<Scheme[]> {
  const seen = await schemesSeen(asked);
  const locked = seen.filter((s) => s.lockedBy !== null);
  const open = locked.length > 0 ? locked : seen;
  // A scheme made from one that an exercise is meant for is not told from others: an exercise names schemes by id.
  return open.map((s) => s.scheme).filter((scheme) => meantFor.length === 0 || meantFor.includes(scheme.id));
}

async function own(asked: RequestContext, id: string): Promise<{ scheme: Scheme; ownerId: string }> {
  const owner = await schemes.ownerOf(asked.db, id);
  const scheme = owner && (await schemes.findScheme(asked.db, id));
  if (!owner || !scheme || !(await schemesSeen(asked)).some((s) => s.scheme.id === id)) throw notFound('This scheme');
  if (owner.ownerId !== asked.who.id && asked.who.role !== 'lead') throw forbidden(`This scheme belongs to ${owner.ownerName}: duplicate it to change it.`);
  return { scheme, ownerId: owner.ownerId };
}

async function keepNew(asked: RequestContext, content: Omit<Scheme, 'id' | 'revision'>): Promise<Scheme> {
  const scheme: Scheme = { ...content, id: newId(), revision: 1 };
  await transact(asked.db, async (tx) => {
    await lockPerson(tx, asked.who.id);
    if ((await schemes.countOwn(tx, asked.who.id)) >= MOST) throw invalid(`You keep ${MOST} schemes already: remove one first.`);
    await schemes.addScheme(tx, scheme.id, asked.who.id, asked.now());
    await schemes.addSchemeRevision(tx, scheme, asked.who.id);
  });
  return scheme;
}

/** A copy of any scheme that the one who asks may see, to change. */
export async function duplicateScheme(asked: RequestContext, id: string): Promise<Scheme> {
  const found = (await schemesSeen(asked)).find((s) => s.scheme.id === id);
  if (!found) throw notFound('This scheme');
  return keepNew(asked, { ...found.scheme, name: `${found.scheme.name}, my own`.slice(0, 80) });
}

/**
 * A new revision of one's own scheme. `base`: the revision that was changed; where there is a newer one, nothing is kept
 * and nothing lost: the caller still holds its changes and may look at the newer one first.
 */
export async function saveScheme(asked: RequestContext, id: string, base: number, content: Scheme): Promise<Scheme> {
  const { scheme, ownerId } = await own(asked, id);
  const next: Scheme = { ...content, id, revision: base + 1 };
  const stale = new ServiceError(
    409,
    'changed',
    'This scheme was changed elsewhere meanwhile. Look at the newer one, then save again; your changes are still here.',
  );
  if (scheme.revision !== base || !(await schemes.addSchemeRevision(asked.db, next, ownerId))) throw stale;
  return next;
}

/** Puts a scheme away. Attempts made with it keep their revision. */
export async function removeScheme(asked: RequestContext, id: string): Promise<void> {
  await own(asked, id);
  await schemes.removeScheme(asked.db, id, asked.now());
}

/** Shares a scheme with a group that the one who asks leads, locks it for that group, or takes it back. */
export async function shareScheme(asked: RequestContext, id: string, groupId: string, how: 'shared' | 'locked' | 'none'): Promise<void> {
  await requireLedGroup(asked, groupId);
  await own(asked, id);
  if (how === 'none') await schemes.removeShare(asked.db, id, groupId);
  else await schemes.setShare(asked.db, { schemeId: id, groupId, lockedBy: how === 'locked' ? asked.who.id : null });
}

/** A scheme from a file, as one's own. What cannot be read is said with its line, and nothing is kept. */
export async function importScheme(asked: RequestContext, text: string): Promise<Scheme> {
  try {
    return await keepNew(asked, readSchemeFile(text));
  } catch (error) {
    if (error instanceof FormatError) throw invalid(error.message, 'file');
    throw error;
  }
}
