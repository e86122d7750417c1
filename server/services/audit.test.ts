import { expect, it } from 'vitest';
import { type AuditedDeed, type Facts, writeDown } from '../repositories/audit';
import { useSchool } from '../tests/useSchool';

import { auditRead } from './audit';

const { service, s } = useSchool('all');

/** Every deed with facts as they are written, and what is read of it. */
const DEEDS: readonly (readonly [AuditedDeed, Facts, string])[] = [
  ['person-added', { group: 'Watch', role: 'trainee' }, 'LEAD added TRAINEE as trainee to “Watch”.'],
  ['people-imported', { people: 20, file: 'class.csv' }, 'LEAD imported 20 people from “class.csv”.'],
  ['role-changed', { from: 'trainee', to: 'instructor' }, 'LEAD made TRAINEE, who was trainee, instructor.'],
  ['person-renamed', {}, 'LEAD changed the name of TRAINEE.'],
  ['group-renamed', { from: 'Watch', to: 'Crew' }, 'LEAD named the group “Watch” “Crew”.'],
  ['group-deleted', { group: 'Watch', people: 3 }, 'LEAD deleted the group “Watch”; its 3 people stay.'],
  ['person-moved', { from: 'Watch', to: 'Crew' }, 'LEAD moved TRAINEE from “Watch” to “Crew”.'],
  ['person-moved', { from: null, to: 'Crew' }, 'LEAD put TRAINEE into “Crew”.'],
  ['person-moved', { from: 'Watch', to: null }, 'LEAD took TRAINEE out of “Watch”.'],
  ['person-deactivated', {}, 'LEAD deactivated TRAINEE.'],
  ['person-back', {}, 'LEAD let TRAINEE sign in again.'],
  ['person-deleted', { role: 'instructor', passed: 3 }, 'LEAD deleted a person who was instructor, with all data; 3 things passed to somebody else.'],
  ['password-set', {}, 'LEAD set a new password for TRAINEE.'],
  ['person-exported', {}, 'LEAD saved everything of TRAINEE as a file.'],
  ['extra-time', { days: 4, why: 'a broken wrist' }, 'LEAD gave TRAINEE 4 more days: a broken wrist.'],
  ['extra-time', { days: 0, why: '' }, 'LEAD took back the extra time of TRAINEE.'],
  ['group-made', { group: 'Watch' }, 'LEAD made the group “Watch”.'],
  ['joining-opened', { group: 'Watch', days: 7 }, 'LEAD opened “Watch” to whoever has its code, for 7 days.'],
  ['course-given', { course: 'First', group: 'Watch' }, 'LEAD gave the course “First” to “Watch”.'],
  ['course-taken', { course: 'First', group: 'Watch' }, 'LEAD took the course “First” back from “Watch”.'],
  ['exercise-given', { exercise: 'Round', version: 2, group: 'Watch' }, 'LEAD gave “Round”, version 2, to “Watch”.'],
  ['exercise-taken', { exercise: 'Round', group: 'Watch' }, 'LEAD took “Round” back from “Watch”.'],
  ['exercise-moved', { exercise: 'Round', version: 3, group: 'Watch' }, 'LEAD moved “Round” to version 3 for “Watch”.'],
  ['exercise-published', { exercise: 'Round', version: 3 }, 'LEAD published “Round”, version 3.'],
  ['attempt-left-out', { exercise: 'Round', why: 'a broken mouse' }, 'LEAD left an attempt of TRAINEE at “Round” out: a broken mouse.'],
  ['attempt-counted', { exercise: 'Round', why: null }, 'LEAD let an attempt of TRAINEE at “Round” count again.'],
  ['score-set', { exercise: 'Round', score: 70, why: 'seen by eye' }, 'LEAD set the score of TRAINEE at “Round” to 70: seen by eye.'],
  ['score-set', { exercise: 'Round', score: null, why: null }, 'LEAD let the computed score of TRAINEE at “Round” count again.'],
];

it.each(DEEDS)('%s %j is told as a sentence', async (what, facts, sentence) => {
  await service.db('audit').delete();
  await writeDown(service.db, { what, byId: s.lead.who.id, aboutId: s.trainee.who.id, facts }, service.now());
  const [line] = await auditRead(s.lead);
  expect(line?.words.replace(s.lead.who.name, 'LEAD').replace(s.trainee.who.name, 'TRAINEE')).toBe(sentence);
});

it('is read page by page, the newest first, none twice, also where many were written at one moment', async () => {
  await service.db('audit').delete();
  for (let n = 0; n < 230; n++) {
    if (n % 90 === 0) service.pass(1);
    await writeDown(service.db, { what: 'group-made', byId: s.lead.who.id, facts: { group: `Group ${n}` } }, service.now());
  }
  const seen: string[] = [];
  const sizes: number[] = [];
  for (let before: { at: Date; id: string } | null = null; ; ) {
    const page = await auditRead(s.lead, before);
    if (page.length === 0) break;
    sizes.push(page.length);
    seen.push(...page.map(({ words }) => words));
    before = page.at(-1) ?? null;
  }
  expect(sizes).toEqual([100, 100, 30]);
  expect(new Set(seen).size).toBe(230);
});
