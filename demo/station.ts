import {
  type CourseContent,
  type CoursePlan,
  type Scheme,
  type ScoredModel,
  type SimulatedLearner,
  schemeById,
  simulateAttempt,
  slipping,
  THRESHOLD,
} from '@core';
import { writeGlb } from '@formats';
import { newId, sha256 } from '@server/ids';
import { meshOf } from '@server/meshes';
import { addGroup, addMember, markMadeUp } from '@server/repositories/people';
import type { Person, RequestContext, Service } from '@server/service';
import { asSent, handIn, openAttempt } from '@server/services/attempts';
import { changeCourse, giveCourse, makeCourse } from '@server/services/courses';
import { makeExercise, publish, saveDraft } from '@server/services/exercises';
import { markLandmark } from '@server/services/landmarks';
import { retakeAll } from '@server/services/learning';
import { changeModel, importModel } from '@server/services/models';
import { makePerson } from '@server/services/people';
import { commentOnAttempts } from './comments';
import { COURSE, type DemoModel, draftOf } from './course';
import { LANDMARKS, placed } from './landmarks';
import { buoy, drive, lanternRoom, optic, tower } from './models';
import { type DemoLearner, GROUP, INSTRUCTOR, LEAD, LEARNERS, PASSWORD, ROUNDS_GROUP } from './people';
import { attemptAt, dayBefore, STORY_DAYS } from './storyDays';
import { FIRST_WATCH, FIRST_WATCH_UNITS, ROUNDS, ROUNDS_UNITS, type UnitPlan } from './units';

const MODELS: Record<DemoModel, { name: string; make: typeof buoy }> = {
  buoy: { name: 'Lantern buoy', make: buoy },
  optic: { name: 'Revolving optic', make: optic },
  drive: { name: 'Lens drive', make: drive },
  lanternRoom: { name: 'Lantern room', make: lanternRoom },
  tower: { name: 'Light tower', make: tower },
};

interface Published {
  readonly id: string;
  readonly version: number;
  readonly content: ReturnType<typeof draftOf>;
  readonly model: ScoredModel;
}

const between = (a: SimulatedLearner, b: SimulatedLearner, k: number): SimulatedLearner => ({
  noise: a.noise + (b.noise - a.noise) * k,
  reaction: a.reaction + (b.reaction - a.reaction) * k,
  corrections: Math.round(a.corrections + (b.corrections - a.corrections) * k),
  slips: a.slips + (b.slips - a.slips) * k,
});

async function importModels(asked: RequestContext): Promise<Map<DemoModel, { ref: { id: string; revision: number }; scored: ScoredModel }>> {
  const found = new Map<DemoModel, { ref: { id: string; revision: number }; scored: ScoredModel }>();
  for (const [key, { name, make }] of Object.entries(MODELS) as [DemoModel, (typeof MODELS)[DemoModel]][]) {
    const { model, revision } = await importModel(asked, { name, files: [{ name: `${key}.glb`, bytes: await writeGlb(make()) }] });
    await changeModel(asked, model.id, { shared: true });
    const mesh = await meshOf(asked, revision.meshHash);
    for (const mark of LANDMARKS[key]) await markLandmark(asked, model.id, placed(mark, mesh));
    found.set(key, { ref: { id: model.id, revision: revision.revision }, scored: { mesh, home: revision.home } });
  }
  return found;
}

/** Days for a unit of the first course, which began with the story, and of the second, which has just begun. */
const PACE = { firstWatch: 8, rounds: 14 };
const ROUNDS_BEGAN = 3;

/** A course of published exercises, given to a group. */
async function giveUnits(
  asked: RequestContext,
  groupId: string,
  { words, units, published, plan }: { words: { name: string; about: string }; units: readonly UnitPlan[]; published: readonly Published[]; plan: CoursePlan },
): Promise<void> {
  const idOfTitle = (title: string): string => {
    const found = published.find(({ content }) => content.title === title);
    if (!found) throw new Error(`no exercise of the demo is called "${title}"`);
    return found.id;
  };
  const content: CourseContent = {
    ...words,
    threshold: THRESHOLD,
    units: units.map(({ name, about, titles, waits }, i) => ({
      id: `unit-${i + 1}`,
      name,
      about,
      opensAfter: waits ? `unit-${i}` : null,
      exerciseIds: titles.map(idOfTitle),
    })),
  };
  const id = await makeCourse(asked, content);
  await changeCourse(asked, id, { shared: true });
  await giveCourse(asked, groupId, id, plan);
}

async function publishExercises(asked: RequestContext): Promise<Published[]> {
  const models = await importModels(asked);
  const found: Published[] = [];
  for (const plan of COURSE) {
    const model = models.get(plan.model);
    if (!model) continue;
    const id = await makeExercise(asked, model.ref.id);
    const content = draftOf(plan, model.scored, model.ref);
    await saveDraft(asked, id, content);
    const { version } = await publish(
      asked,
      id,
      content.steps.map(() => null),
    );
    found.push({ id, version, content, model: model.scored });
  }
  return found;
}

interface Planned {
  readonly exercise: Published;
  readonly hand: SimulatedLearner;
  readonly scheme: Scheme;
}

/** What a learner does, in the order of their attempts: each exercise a few times, some under an earlier scheme first, then where they get no further. */
function plannedFor(learner: DemoLearner, course: readonly Published[]): Planned[] {
  const { repeats, reach, firstUnderOld = 0, stalls } = learner;
  const schemes = learner.schemes.map((id) => schemeById(id) as Scheme);
  const [old, present] = [schemes[0] as Scheme, schemes.at(-1) as Scheme];
  const plan = Array.from({ length: (firstUnderOld + reach) * repeats }, (_, n): Planned => {
    const place = Math.floor(n / repeats);
    // Practice over the course brings the hand nearer to where it settles, and within an exercise a little more.
    const gone = 1 - 0.5 ** (n / learner.half);
    const again = 0.5 * (1 - 0.5 ** (n % repeats));
    const under = place < firstUnderOld ? { exercise: course[place], scheme: old } : { exercise: course[place - firstUnderOld], scheme: present };
    return { exercise: under.exercise as Published, scheme: under.scheme, hand: between(learner.first, learner.settled, gone + (1 - gone) * again) };
  });
  const where = course.find(({ content }) => content.title === stalls?.title);
  return stalls && where ? [...plan, ...Array.from({ length: stalls.times }, () => ({ exercise: where, scheme: present, hand: stalls.hand }))] : plan;
}

/** The luck of all hands. With this one Oskar gets no further with his cuts, as the story says; another number is another story. */
const LUCK = 14;

/** An id that is the same at every seeding: the seed of an attempt comes from it. */
function idOf(learner: DemoLearner, n: number): string {
  const hex = sha256(`${learner.signIn} ${n} ${LUCK}`);
  return [hex.slice(0, 8), hex.slice(8, 12), `4${hex.slice(13, 16)}`, `8${hex.slice(17, 20)}`, hex.slice(20, 32)].join('-');
}

/** All attempts of one learner, spread over the weeks up to the day they were last seen. */
async function practise(service: Service, person: Person, learner: DemoLearner, course: readonly Published[]): Promise<void> {
  const plan = plannedFor(learner, course);
  const now = service.now();
  for (const [n, { exercise, scheme, hand }] of plan.entries()) {
    let clock = attemptAt(n, plan.length, learner.away, now);
    const asked: RequestContext = { ...service, now: () => new Date(clock), who: person };
    const opened = await openAttempt(asked, { exerciseId: exercise.id, version: exercise.version, schemeId: scheme.id }, idOf(learner, n));
    // The seed that the server gave decides the order of random calls, and here the hand's misses as well.
    const made = simulateAttempt({ ...exercise.content, id: exercise.id, version: exercise.version }, exercise.model, scheme, hand, opened.seed);
    const earlier = schemeById(learner.schemes[0] ?? '');
    const trace = earlier && earlier.id !== scheme.id ? slipping(made, earlier, scheme, hand.slips, opened.seed) : made;
    clock += trace.end * 1000 + 1000;
    await handIn(asked, opened.id, asSent(trace));
  }
}

/** A second group of those who are furthest, taught by the lead, with a course of its own. */
async function secondCourse(asked: RequestContext, people: readonly Person[], published: readonly Published[]): Promise<void> {
  const { name, members } = ROUNDS_GROUP;
  const group = { id: newId(), name };
  await addGroup(asked.db, group, asked.now());
  await addMember(asked.db, group.id, asked.who.id, 'instructor');
  for (const person of people) if (members.includes(person.signIn)) await addMember(asked.db, group.id, person.id, 'trainee');
  await giveUnits(asked, group.id, {
    words: ROUNDS,
    units: ROUNDS_UNITS,
    published,
    plan: { startsOn: dayBefore(ROUNDS_BEGAN, asked.now(), asked.zone), pace: PACE.rounds, dues: {} },
  });
}

/** Learners who practise at the same moment of the seeding: while one is scored, another's hand is simulated. */
const AT_ONCE = 3;

/** Everything of the demo, made through the services as people would make it. `say`: told what is being done; `all`: who learns there. */
export async function seedStation(service: Service, say: (text: string) => void = () => {}, all: readonly DemoLearner[] = LEARNERS): Promise<void> {
  say('The station: people and models …');
  const lead = await makePerson(service, { ...LEAD, role: 'lead', password: PASSWORD });
  const instructor = await makePerson(service, { ...INSTRUCTOR, role: 'instructor', password: PASSWORD });
  const group = { id: newId(), name: GROUP };
  await addGroup(service.db, group, service.now());
  await addMember(service.db, group.id, instructor.id, 'instructor');
  const learners: { person: Person; learner: DemoLearner }[] = [];
  for (const learner of all) {
    const person = await makePerson(service, { name: learner.name, signIn: learner.signIn, role: 'trainee', password: PASSWORD });
    learners.push({ person, learner });
  }
  await markMadeUp(service.db, [lead.id, instructor.id, ...learners.map(({ person }) => person.id)]);
  say('The course …');
  const teaching: RequestContext = { ...service, who: instructor };
  const course = await publishExercises(teaching);
  // They came when the group had the course already.
  await giveUnits(teaching, group.id, {
    words: FIRST_WATCH,
    units: FIRST_WATCH_UNITS,
    published: course,
    plan: { startsOn: dayBefore(STORY_DAYS, service.now(), service.zone), pace: PACE.firstWatch, dues: {} },
  });
  for (const { person } of learners) await addMember(service.db, group.id, person.id, 'trainee');
  const waiting = [...learners];
  let done = 0;
  const one = async (): Promise<void> => {
    for (let next = waiting.shift(); next; next = waiting.shift()) {
      await practise(service, next.person, next.learner, course);
      done += 1;
      say(`Eight weeks of practice, replayed and scored: ${done} of ${learners.length} learners …`);
    }
  };
  await Promise.all(Array.from({ length: AT_ONCE }, one));
  await secondCourse(
    { ...service, who: lead },
    learners.map(({ person }) => person),
    course,
  );
  // They practised side by side: what was hard for whom is told by the order of the days.
  await retakeAll(service);
  await commentOnAttempts(
    service,
    instructor,
    learners.map(({ person }) => person),
  );
}
