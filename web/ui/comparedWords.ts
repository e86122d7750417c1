import type { ComparedPair } from '@server/services/comparing';

const percent = (ratio: number): string => `${Math.round(Math.abs(1 - ratio) * 100)} %`;
/** From twice as quick on it is told as so many times. */
const TWICE = 2;

function side(ratio: number): string {
  if (ratio >= TWICE) return `${ratio.toFixed(1)} times as quick`;
  if (Math.round((1 - ratio) * 100) === 0) return 'as quick';
  return `${percent(ratio)} ${ratio < 1 ? 'slower' : 'quicker'}`;
}

/** "With the puck 20 % slower than with the mouse, between 31 % slower and 6 % slower"; null: not enough yet. */
export function ratioWords({ mine, other, ratio }: ComparedPair): string | null {
  if (!ratio) return null;
  const between = `(between ${side(ratio.low)} and ${side(ratio.high)})`;
  if (ratio.low <= 1 && ratio.high >= 1) return `${mine.name} is about as quick as ${other.name} today ${between}.`;
  return `${mine.name} is ${side(ratio.likely)} ${ratio.likely >= TWICE ? 'as' : 'than'} ${other.name} today ${between}.`;
}

/** When the slower one will be as quick; null: nothing to tell. */
export function meetingWords({ mine, other, ratio, meetIn }: ComparedPair): string | null {
  if (!ratio || meetIn === null || (ratio.low <= 1 && ratio.high >= 1)) return null;
  const slower = ratio.likely < 1 ? mine.name : other.name;
  if (meetIn === Number.POSITIVE_INFINITY) return `As it goes now, ${slower} stays the slower one.`;
  if (meetIn === 0) return 'By their curves they meet about now.';
  return `Practised on with ${slower}, the curves meet in about ${meetIn} ${meetIn === 1 ? 'attempt' : 'attempts'} at each exercise.`;
}
