import { type Binding, bindingName, commandKindsOf, type Scheme } from '../input';
import type { CommandKind } from '../navigation';
import { stepSpans } from './clock';
import { INTERFACE_BINDINGS, type InterfaceBinding } from './interfaceBindings';
import type { Move, MoveGesture, Trace } from './traceSchema';

/** Why an attempt does not look as if a hand had made it. Nothing is taken off for it: an instructor is told. */
export type UnlikelyCode = 'noGesture' | 'unknownBinding' | 'otherCommand' | 'noDuration' | 'atOnce';

export interface Unlikely {
  readonly code: UnlikelyCode;
  /** How often. */
  readonly times: number;
  /** The first binding or command that it was seen with; a step's number from 1 for `atOnce`. */
  readonly example: string;
}

/** Devices whose gestures take time: they are not pressed but moved. */
const MOVED: ReadonlySet<MoveGesture['device']> = new Set(['mouse', 'touchpad', 'pen', 'touch', 'puck']);
/** A hand that moves gives at most so many commands in one instant. */
const IN_ONE_INSTANT = 5;
/** A step that is begun and ended within this is done by nobody, seconds. */
const INSTANT = 0.02;
/** Names are cut at this length when they are recorded. */
const LONGEST_NAME = 80;

/** Commands that come with others of a gesture: an orbit may end by a snap, who walks climbs stairs, and all can be taken back. */
function accompanied(kinds: readonly CommandKind[]): ReadonlySet<CommandKind> {
  const all = new Set<CommandKind>([...kinds, 'cancel']);
  if (all.has('orbit')) all.add('snap');
  if (all.has('walk')) all.add('rise');
  return all;
}

/** Standing needs more commands than those it is known for. */
const kindsOf = (binding: Binding): readonly CommandKind[] =>
  binding.command.kind === 'atPointer' && binding.command.does === 'stand' ? INTERFACE_BINDINGS.stand : commandKindsOf(binding);

/** What a binding of this name can give; null when there is none. Keys held together are named together. */
function givenBy(scheme: Scheme, name: string): ReadonlySet<CommandKind> | null {
  if (name === 'Esc') return new Set(['cancel']);
  const named = scheme.bindings.map((binding) => ({ name: bindingName(binding), kinds: kindsOf(binding) }));
  const whole = named.filter((entry) => entry.name === name);
  if (whole.length > 0) return accompanied(whole.flatMap((entry) => entry.kinds));
  const parts = name.split(', ');
  const found = parts.map((part, i) => {
    const cut = i === parts.length - 1 && name.length === LONGEST_NAME;
    return named.filter((entry) => (cut ? entry.name.startsWith(part) : entry.name === part));
  });
  if (found.some((list) => list.length === 0)) return null;
  return accompanied(found.flat().flatMap((entry) => entry.kinds));
}

/** What no hand does, each reason once. `scheme`: the one the attempt was made with; without it names are not judged. */
export function unlikeAHand(trace: Pick<Trace, 'moves' | 'events' | 'end'>, steps: number, scheme: Scheme | null): Unlikely[] {
  const found = new Map<UnlikelyCode, { times: number; example: string }>();
  const add = (code: UnlikelyCode, example: string): void => {
    const known = found.get(code);
    if (known) known.times++;
    else found.set(code, { times: 1, example: example.slice(0, LONGEST_NAME) });
  };
  const known = new Map<string, ReadonlySet<CommandKind> | null>();
  const given = ({ device, binding }: MoveGesture): ReadonlySet<CommandKind> | null => {
    if (device === 'interface') return Object.hasOwn(INTERFACE_BINDINGS, binding) ? new Set(INTERFACE_BINDINGS[binding as InterfaceBinding]) : null;
    if (!scheme) return null;
    if (!known.has(binding)) known.set(binding, givenBy(scheme, binding));
    return known.get(binding) ?? null;
  };
  for (const { command, gesture } of trace.moves) {
    if (!gesture) add('noGesture', command.kind);
    else if (scheme || gesture.device === 'interface') {
      const kinds = given(gesture);
      if (!kinds) add('unknownBinding', gesture.binding);
      else if (!kinds.has(command.kind)) add('otherCommand', `${gesture.binding}: ${command.kind}`);
    }
  }
  for (const moves of gesturesOf(trace.moves)) {
    const [first, last] = [moves[0] as Move, moves.at(-1) as Move];
    if (moves.length > IN_ONE_INSTANT && last.t === first.t && first.gesture && MOVED.has(first.gesture.device)) add('noDuration', first.gesture.binding);
  }
  stepSpans(trace, steps).forEach((span, i) => {
    const moved = span && trace.moves.some((move) => move.t >= span.from && move.t <= span.to);
    if (moved && span.to - span.from < INSTANT) add('atOnce', String(i + 1));
  });
  return [...found].map(([code, entry]) => ({ code, ...entry }));
}

/** Moves of one gesture after the other. */
function gesturesOf(moves: readonly Move[]): Move[][] {
  const found: Move[][] = [];
  let last: number | null = null;
  for (const move of moves) {
    if (move.gesture && move.gesture.id === last) found.at(-1)?.push(move);
    else found.push([move]);
    last = move.gesture?.id ?? null;
  }
  return found;
}

const WORDS: Record<UnlikelyCode, (entry: Unlikely) => string> = {
  noGesture: ({ times, example }) => `${times} ${times === 1 ? 'command came' : 'commands came'} from no gesture, the first of them “${example}”.`,
  unknownBinding: ({ times, example }) => `${times} ${times === 1 ? 'command names' : 'commands name'} a gesture that the scheme does not have: “${example}”.`,
  otherCommand: ({ times, example }) => `${times} ${times === 1 ? 'command' : 'commands'} came from a gesture that cannot give them: “${example}”.`,
  noDuration: ({ times, example }) => `${times} ${times === 1 ? 'movement' : 'movements'} took no time at all, the first by “${example}”.`,
  atOnce: ({ example }) => `Step ${example} was begun and done in the same instant.`,
};

/** A reason as a sentence for an instructor. */
export const unlikelyWords = (entry: Unlikely): string => WORDS[entry.code](entry);
