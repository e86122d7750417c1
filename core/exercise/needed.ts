import type { Action, Binding, Scheme } from '../input';
import type { SkillId } from './skills';

/** What an action is, whatever it is done to: `move orbit`, `command standard`, `aid standing`. */
function keyOf(action: Action): string {
  if (action.kind !== 'command') return `${action.kind} ${action.does}`;
  const { command } = action;
  return command.kind === 'section' && !command.plane ? 'command section away' : `command ${command.kind}`;
}

/** What each skill is practised with, the most important first. */
const WANTED: Record<SkillId, readonly string[]> = {
  orbit: ['move orbit', 'command turn', 'move roll', 'command level'],
  pan: ['move pan', 'command pan', 'move fingers'],
  zoom: ['move zoom', 'command zoom', 'move zoomRegion', 'atPointer approach'],
  recover: ['command fit', 'command home', 'command back', 'command forward', 'command level'],
  standardViews: ['command standard', 'command opposite', 'command snap', 'command level'],
  pivot: ['atPointer centre', 'move orbit', 'atPointer lookAt'],
  framing: ['move pan', 'move zoom', 'command fit', 'move zoomRegion'],
  projection: ['toggle projection', 'command fieldOfView', 'command projection'],
  seeThrough: ['atPointer select', 'selection hide', 'selection glass', 'selection isolate', 'command showAll', 'toggle style'],
  section: ['atPointer section', 'command section', 'command shiftSection', 'command flipSection', 'command section away'],
  squareOn: ['atPointer normalTo', 'command normalTo', 'command snap', 'command standard'],
  stand: ['atPointer stand', 'aid standing', 'move look', 'steady forward', 'steady rise', 'command walk'],
  facing: ['command standard', 'move orbit', 'command opposite'],
  savedViews: ['command back', 'command forward', 'command home'],
  measuring: ['aid measuring', 'atPointer select'],
  ownControls: ['move orbit', 'move pan', 'move zoom'],
};

/** What every exercise is done with. */
const ALWAYS: readonly string[] = [
  ...['move orbit', 'move pan', 'move zoom', 'move sixAxes', 'move fingers', 'command fit', 'command home', 'command back'],
  ...['command turn', 'command pan', 'command zoom', 'command standard', 'command forward', 'command opposite'],
];

/** Lines that stand first on the card of an exercise: at least, where the scheme has so many, and at most. */
export const NEEDED_LINES = { least: 6, most: 10 } as const;

/**
 * The bindings that an exercise of these skills needs, six to ten: first one of each thing that they are practised with, then
 * what every exercise is done with until there are six, then more of the first.
 */
export function neededFor(scheme: Pick<Scheme, 'bindings'>, skills: readonly SkillId[]): Binding[] {
  const taken = new Map<string, Binding>();
  // Of several gestures for one thing the plainest.
  const bindings = [...scheme.bindings].sort((a, b) => a.modifiers.length - b.modifiers.length);
  const next = (key: string): boolean => {
    const found = bindings.find((binding) => keyOf(binding.command) === key && !taken.has(JSON.stringify(binding.command)));
    if (found && taken.size < NEEDED_LINES.most) taken.set(JSON.stringify(found.command), found);
    return found !== undefined;
  };
  const wanted = [...new Set(skills.flatMap((skill) => WANTED[skill]))];
  for (const key of wanted) next(key);
  for (const key of ALWAYS) if (taken.size < NEEDED_LINES.least && ![...taken.values()].some((binding) => keyOf(binding.command) === key)) next(key);
  for (const { command } of bindings) if (taken.size < NEEDED_LINES.least) next(keyOf(command));
  let more = true;
  while (more && taken.size < NEEDED_LINES.most) more = wanted.map(next).some(Boolean);
  return [...taken.values()];
}
