import { type Evidence, goesOn, madeBy } from '../criteria';
import type { CommandKind } from '../navigation';
import type { Move, MoveGesture } from '../trace';

/** What a hand did in one go: the moves of a gesture, or the ticks of a wheel that follow each other. */
export interface GestureBlock {
  readonly step: number;
  /** Numbers of its first and last move among the step's. */
  readonly first: number;
  readonly last: number;
  /** Seconds from opening. */
  readonly from: number;
  readonly to: number;
  /** What it mostly did. */
  readonly kind: CommandKind;
  readonly device: MoveGesture['device'] | null;
  readonly binding: string | null;
}

/** The gestures of a step, in the order of time. */
export function gesturesOf({ index, moves }: Pick<Evidence, 'index' | 'moves'>): GestureBlock[] {
  const groups: { first: number; moves: Move[] }[] = [];
  for (const [i, move] of moves.entries()) {
    const last = groups.at(-1);
    if (last && goesOn(last.moves.at(-1) as Move, move)) last.moves.push(move);
    else groups.push({ first: i, moves: [move] });
  }
  return groups.map(({ first, moves: own }) => {
    const [begun, ended] = [own[0] as Move, own.at(-1) as Move];
    const commands = own.map((move) => move.command);
    const made = madeBy(commands)?.kind as CommandKind | undefined;
    return {
      step: index,
      first,
      last: first + own.length - 1,
      from: begun.t,
      to: ended.t,
      // Steps of a turn are told as what they are.
      kind: made && commands.some(({ kind }) => kind === made) ? made : begun.command.kind,
      device: begun.gesture?.device ?? null,
      binding: begun.gesture?.binding ?? null,
    };
  });
}
