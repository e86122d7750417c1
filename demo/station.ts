import { type ScoredModel, type SimulatedLearner, schemeById, simulateAttempt, slipping } from '@core';
import { writeGlb } from '@formats';
import { newId } from '@server/ids';
import { meshOf } from '@server/meshes';
import { addGroup, addMember, markMadeUp } from '@server/repositories/people';
import type { Person, RequestContext, Service } from '@server/service';
import { assignExercise } from '@server/services/assigning';
import { asSent, handIn, openAttempt } from '@server/services/attempts';
import { makeExercise, publish, saveDraft } from '@server/services/exercises';
import { markLandmark } from '@server/services/landmarks';
import { changeModel, importModel } from '@server/services/models';
import { makePerson } from '@server/services/people';
import { commentOnAttempts } from './comments';
import { COURSE, type DemoModel, draftOf } from './course';
import { LANDMARKS, placed } from './landmarks';
import { buoy, drive, lanternRoom, optic, tower } from './models';
import { type DemoLearner, GROUP, INSTRUCTOR, LEAD, LEARNERS, PASSWORD } from './people';

const DAY = 86_400_000;
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

async function publishCourse(asked: RequestContext, groupId: string): Promise<Published[]> {
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
    await assignExercise(asked, { groupId, exerciseId: id, dueOn: null });
    found.push({ id, version, content, model: model.scored });
  }
  return found;
}

/** All attempts of one learner, spread over the four weeks up to the day they were last seen. */
async function practise(service: Service, person: Person, learner: DemoLearner, course: readonly Published[]): Promise<void> {
  const end = service.now().getTime() - learner.away * DAY;
  const begin = service.now().getTime() - 27 * DAY;
  const total = learner.reach * learner.repeats;
  for (let n = 0; n < total; n++) {
    const exercise = course[Math.floor(n / learner.repeats)];
    const schemeId = learner.schemes[Math.min(learner.schemes.length - 1, Math.floor((n * learner.schemes.length) / total))];
    const scheme = schemeId ? schemeById(schemeId) : null;
    if (!exercise || !scheme) continue;
    // Practice within an exercise and over the course both bring the hand nearer to where it settles.
    const k = Math.min(1, 0.6 * ((n % learner.repeats) / Math.max(1, learner.repeats - 1)) + 0.5 * (n / total));
    let clock = begin + ((end - begin) * (n + 1)) / (total + 1);
    const asked: RequestContext = { ...service, now: () => new Date(clock), who: person };
    const opened = await openAttempt(asked, { exerciseId: exercise.id, version: exercise.version, schemeId: scheme.id });
    // The seed that the server gave decides the order of random calls, and here the hand's misses as well.
    const hand = between(learner.first, learner.settled, k);
    const made = simulateAttempt({ ...exercise.content, id: exercise.id, version: exercise.version }, exercise.model, scheme, hand, opened.seed);
    const earlier = schemeById(learner.schemes[0] ?? '');
    const trace = earlier && earlier.id !== scheme.id ? slipping(made, earlier, scheme, hand.slips, opened.seed) : made;
    clock += trace.end * 1000 + 1000;
    await handIn(asked, opened.id, asSent(trace));
  }
}

/** Everything of the demo, made through the services as people would make it. `say`: told what is being done. */
export async function seedStation(service: Service, say: (text: string) => void = () => {}): Promise<void> {
  say('The station: people and models …');
  const lead = await makePerson(service, { ...LEAD, role: 'lead', password: PASSWORD });
  const instructor = await makePerson(service, { ...INSTRUCTOR, role: 'instructor', password: PASSWORD });
  const group = { id: newId(), name: GROUP };
  await addGroup(service.db, group, service.now());
  await addMember(service.db, group.id, instructor.id, 'instructor');
  const learners: { person: Person; learner: DemoLearner }[] = [];
  for (const learner of LEARNERS) {
    const person = await makePerson(service, { name: learner.name, signIn: learner.signIn, role: 'trainee', password: PASSWORD });
    await addMember(service.db, group.id, person.id, 'trainee');
    learners.push({ person, learner });
  }
  await markMadeUp(service.db, [lead.id, instructor.id, ...learners.map(({ person }) => person.id)]);
  say('The course …');
  const course = await publishCourse({ ...service, who: instructor }, group.id);
  say('Four weeks of practice, replayed and scored …');
  for (const { person, learner } of learners) await practise(service, person, learner, course);
  await commentOnAttempts(
    service,
    instructor,
    learners.map(({ person }) => person),
  );
}
