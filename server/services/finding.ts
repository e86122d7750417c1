import { actionWords, type Binding, triggerWords } from '@core';
import type { RequestContext } from '../service';
import { coursesRead } from './courses';
import { exercisesRead } from './exercises';
import { givenTo } from './given';
import { modelsRead } from './models';
import { groupsTaught, isStaff, traineesTaught } from './people';
import { schemesSeen } from './schemes';

/** Something that can be gone to. */
export interface Findable {
  readonly kind: 'exercise' | 'person' | 'group' | 'course' | 'model';
  readonly name: string;
  readonly href: string;
}

async function placesOf(asked: RequestContext): Promise<Findable[]> {
  if (!isStaff(asked.who)) {
    const { assigned, closed } = await givenTo(asked, asked.who.id);
    return assigned
      .filter(({ exerciseId }) => !closed.has(exerciseId))
      .map(({ exerciseId, title }) => ({ kind: 'exercise', name: title, href: `/practise/${exerciseId}` }));
  }
  const [exercises, people, groups, courses, models] = await Promise.all([
    exercisesRead(asked),
    traineesTaught(asked),
    groupsTaught(asked),
    coursesRead(asked),
    modelsRead(asked),
  ]);
  return [
    ...exercises.flatMap(({ id, title, archived }): Findable[] => (archived ? [] : [{ kind: 'exercise', name: title || 'Untitled', href: `/build/${id}` }])),
    ...people.map(({ id, name }): Findable => ({ kind: 'person', name, href: `/learners/${id}` })),
    ...groups.map(({ id, name }): Findable => ({ kind: 'group', name, href: `/groups/${id}` })),
    ...courses.flatMap(({ id, name, archived }): Findable[] => (archived ? [] : [{ kind: 'course', name, href: `/courses/${id}` }])),
    ...models.flatMap(({ model }): Findable[] => (model.archivedAt ? [] : [{ kind: 'model', name: model.name, href: `/library/${model.id}` }])),
  ];
}

/** What a scheme does, by which gesture. */
export interface GestureFound {
  readonly does: string;
  readonly gesture: string;
}

const found = (binding: Binding): GestureFound => ({ does: actionWords(binding), gesture: triggerWords(binding) });

/** All that the one who asks can go to, and what the stage can do with the gestures of a scheme, what follows the hand first; of an unknown one nothing. */
export async function findable(
  asked: RequestContext,
  schemeId: string,
): Promise<{ readonly places: readonly Findable[]; readonly gestures: readonly GestureFound[] }> {
  const [places, schemes] = await Promise.all([placesOf(asked), schemesSeen(asked)]);
  const bindings = schemes.find(({ scheme }) => scheme.id === schemeId)?.scheme.bindings ?? [];
  const isMove = ({ command }: Binding): boolean => command.kind === 'move';
  return { places, gestures: [...bindings.filter(isMove), ...bindings.filter((binding) => !isMove(binding))].map(found) };
}
