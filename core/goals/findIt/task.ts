import { placedOf } from '../../criteria/findResults';
import { placedPart } from '../../geometry/placed';
import type { Command, Scene } from '../../navigation';
import { FRAME_ASPECT, project } from '../../view';
import type { GoalTask, TaskEvent, TaskStep } from '../goalKind';
import type { RedactedOf } from '../kinds';

type Asked = RedactedOf<'findIt'>;
type Item = Asked['items'][number];

export interface FindState {
  /** Ids of what was found, as far as that can be told here. */
  readonly found: readonly string[];
  readonly picks: number;
  /** What became of the last pick; null: there was none. */
  readonly last: { readonly how: 'found' | 'noted'; readonly name: string } | { readonly how: 'wrong'; readonly part: string } | null;
}

/** The part that an item is; null: it may not be known here. */
function partOf(item: Item): string | null {
  if (item.of === 'object') return placedPart(item.id);
  return 'part' in item && typeof item.part === 'string' ? item.part : null;
}

const isOf = (part: string, picked: string): boolean => picked === part || picked.startsWith(`${part}/`);

/** Where a pick was made in the frame; null: it points at nothing. */
function placeOf(command: Command, scene: Scene): { readonly u: number; readonly v: number } | null {
  if (command.kind !== 'select' || !command.point) return null;
  const { u, v, depth } = project(scene.view, command.point, FRAME_ASPECT);
  return depth > 0 || scene.view.projection === 'orthographic' ? { u, v } : null;
}

/** Each pick on the stage points something out. What was found is written by what was picked; what counts the server sees in its own picture. */
export const findItTask: GoalTask<Asked, FindState> = {
  begin: () => ({ found: [], picks: 0, last: null }),
  next({ items }, before, { scene, command }): TaskStep<FindState> {
    const events: TaskEvent[] = [];
    let state = before;
    const place = command && placeOf(command, scene);
    const picked = command?.kind === 'select' ? command.parts[0] : undefined;
    const here = (item: Item): boolean => {
      const part = partOf(item);
      return picked !== undefined && part !== null && isOf(part, picked);
    };
    // What was found before may be touched again.
    if (place && picked !== undefined && !items.some((item) => state.found.includes(item.id) && here(item))) {
      events.push({ kind: 'pick', ...place });
      const hit = items.find((item) => here(item));
      const secret = items.some((item) => partOf(item) === null);
      const last: FindState['last'] = hit ? { how: 'found', name: hit.name } : secret ? { how: 'noted', name: '' } : { how: 'wrong', part: picked };
      state = { found: hit ? [...state.found, hit.id] : state.found, picks: state.picks + 1, last };
    }
    const secrets = items.filter((item) => partOf(item) === null).length;
    const done = state.found.length === items.length || (secrets > 0 && state.picks >= items.length);
    return { state, events, prompt: { code: 'find', found: state.found, count: items.length, last: state.last, wants: ['select'] }, done, again: null };
  },
  placed: ({ items }) => placedOf(items),
};
