import { forbidden } from '../errors';
import { type AuditedDeed, type AuditLine, auditLines, type Facts } from '../repositories/audit';
import type { RequestContext } from '../service';

type Words = (about: string, facts: Facts) => string;

/** What was done, as what follows the name of who did it. */
const WORDS: Record<AuditedDeed, Words> = {
  'person-added': (about, { group, role }) => `added ${about} as ${role}${group ? ` to “${group}”` : ''}`,
  'people-imported': (_, { people, file }) => `imported ${people} people${file ? ` from “${file}”` : ''}`,
  'role-changed': (about, { from, to }) => `made ${about}, who was ${from}, ${to}`,
  'person-renamed': (about) => `changed the name of ${about}`,
  'person-moved': (about, { from, to }) =>
    to === null ? `took ${about} out of “${from}”` : from === null ? `put ${about} into “${to}”` : `moved ${about} from “${from}” to “${to}”`,
  'person-deactivated': (about) => `deactivated ${about}`,
  'person-back': (about) => `let ${about} sign in again`,
  'person-deleted': (_, { role, passed }) =>
    `deleted a person who was ${role}, with all data${Number(passed) > 0 ? `; ${passed} things passed to somebody else` : ''}`,
  'password-set': (about) => `set a new password for ${about}`,
  'person-exported': (about) => `saved everything of ${about} as a file`,
  'extra-time': (about, { days, why }) => (days === 0 ? `took back the extra time of ${about}` : `gave ${about} ${days} more days: ${why}`),
  'group-made': (_, { group }) => `made the group “${group}”`,
  'group-renamed': (_, { from, to }) => `named the group “${from}” “${to}”`,
  'group-deleted': (_, { group, people }) => `deleted the group “${group}”; its ${people} people stay`,
  'joining-opened': (_, { group, days }) => `opened “${group}” to whoever has its code, for ${days} days`,
  'course-given': (_, { course, group }) => `gave the course “${course}” to “${group}”`,
  'course-taken': (_, { course, group }) => `took the course “${course}” back from “${group}”`,
  'exercise-given': (_, { exercise, version, group }) => `gave “${exercise}”, version ${version}, to “${group}”`,
  'exercise-taken': (_, { exercise, group }) => `took “${exercise}” back from “${group}”`,
  'exercise-given-to': (about, { exercise, version }) => `gave “${exercise}”, version ${version}, to ${about}`,
  'exercise-taken-from': (about, { exercise }) => `took “${exercise}” back from ${about}`,
  'exercise-moved': (_, { exercise, version, group }) => `moved “${exercise}” to version ${version} for “${group}”`,
  'exercise-published': (_, { exercise, version }) => `published “${exercise}”, version ${version}`,
  'attempt-left-out': (about, { exercise, why }) => `left an attempt of ${about} at “${exercise}” out: ${why}`,
  'attempt-counted': (about, { exercise }) => `let an attempt of ${about} at “${exercise}” count again`,
  'score-set': (about, { exercise, score, why }) =>
    score === null ? `let the computed score of ${about} at “${exercise}” count again` : `set the score of ${about} at “${exercise}” to ${score}: ${why}`,
};

const GONE = 'somebody who was deleted';

export interface AuditSeen {
  readonly id: string;
  readonly at: Date;
  readonly words: string;
}

const said = ({ id, at, what, by, about, facts }: AuditLine): AuditSeen => ({
  id,
  at,
  words: `${by ?? 'Somebody who was deleted'} ${WORDS[what](about ?? GONE, facts)}.`,
});

const A_PAGE = 100;

/** Who changed what, the newest first, for leads. `before`: the last line of the page before. */
export async function auditRead(asked: RequestContext, before: { readonly at: Date; readonly id: string } | null = null): Promise<AuditSeen[]> {
  if (asked.who.role !== 'lead') throw forbidden('Who changed what is shown to leads.');
  return (await auditLines(asked.db, A_PAGE, before)).map(said);
}
