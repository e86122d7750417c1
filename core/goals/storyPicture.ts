import { contextFor, type ScoredModel } from '../model';
import { apply, type Scene } from '../navigation';
import { aimOf, picturedBy, shownBy } from './aims';

/** What stands for a step in a row of pictures, and why that. */
export interface StoryPicture {
  readonly scene: Scene;
  /** The target to reach; the first view that is asked about; the parts it is about, picked; or only where it begins. */
  readonly shows: 'target' | 'asked' | 'subject' | 'start';
}

/** The scene that tells most of a step on this model, in an exercise that begins at `start`. */
export function storyPicture(step: Parameters<typeof aimOf>[0], start: Scene, model: ScoredModel): StoryPicture {
  const target = picturedBy(step.goal, start);
  if (target) return { scene: target, shows: 'target' };
  const [asked] = shownBy(step.goal, model);
  if (asked) return { scene: asked, shows: 'asked' };
  const { subject } = aimOf(step);
  if (subject.length === 0) return { scene: start, shows: 'start' };
  return { scene: apply(start, { kind: 'select', parts: [...subject] }, contextFor(model, start)), shows: 'subject' };
}
