import { actionWords, type Binding, type KeyLabels, triggerWords } from '@core/input';

/** What came of trying a line of the card. */
export interface Tried {
  /** What the hand did last; null: something that is bound to nothing, undefined: nothing yet. */
  readonly last: Binding | null | undefined;
  /** How often the line was done. */
  readonly times: number;
}

export const triedOnce = ({ times }: Tried, last: Binding | null, line: Binding): Tried => ({ last, times: times + (last === line ? 1 : 0) });

const NEEDS: Partial<Record<Binding['trigger']['kind'], string>> = {
  touch: 'It needs a touch screen.',
  scroll: 'It needs a touchpad.',
  pinch: 'It needs a touchpad.',
  axes: 'Use the simulated 3D mouse below.',
  puckButton: 'Use the simulated 3D mouse below.',
};

/** What to do, or what was just done. */
export function triedWords({ last, times }: Tried, line: Binding, labels?: KeyLabels): string {
  if (last === line) return times === 1 ? 'That was it.' : 'That was it again.';
  if (last === undefined) return ['Now you, on the piece beside this.', NEEDS[line.trigger.kind]].filter(Boolean).join(' ');
  const was = last ? `That was “${actionWords(last)}”, by ${triggerWords(last, labels)}.` : 'Nothing answers to that in this scheme.';
  return times > 0 ? was : `${was} Here: ${triggerWords(line, labels)}.`;
}
