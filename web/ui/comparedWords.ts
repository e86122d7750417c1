import type { ComparedPair } from '@server/services/comparing';

const percent = (ratio: number): string => `${Math.round(Math.abs(1 - ratio) * 100)} %`;
const side = (ratio: number): string => (Math.round((1 - ratio) * 100) === 0 ? 'as quick' : `${percent(ratio)} ${ratio < 1 ? 'slower' : 'quicker'}`);

/** "With the puck 20 % slower than with the mouse, between 31 % slower and 6 % slower"; null: not enough yet. */
export function ratioWords({ mine, other, ratio }: ComparedPair): string | null {
  if (!ratio) return null;
  const between = `between ${side(ratio.low)} and ${side(ratio.high)}`;
  const surely = ratio.high < 1 || ratio.low > 1;
  return surely
    ? `${mine.name} is ${side(ratio.likely)} than ${other.name} today (${between}).`
    : `${mine.name} is about as quick as ${other.name} today (${between}).`;
}

/** When the slower one will be as quick; null: nothing to tell. */
export function meetingWords({ mine, other, ratio, meetIn }: ComparedPair): string | null {
  if (!ratio || meetIn === null || (ratio.low <= 1 && ratio.high >= 1)) return null;
  const slower = ratio.likely < 1 ? mine.name : other.name;
  if (meetIn === Number.POSITIVE_INFINITY) return `As it goes now, ${slower} stays the slower one.`;
  if (meetIn === 0) return 'By their curves they meet about now.';
  return `Practised on with ${slower}, the curves meet in about ${meetIn} ${meetIn === 1 ? 'attempt' : 'attempts'} at each exercise.`;
}
