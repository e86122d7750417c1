import { MOST_IN_PERCENT, toldDegrees, toldPercent } from '../criteria';

/** Pieces of a sentence a coach would say. */

/** "14°", with a decimal below 3°. */
export const degrees = (angle: number): string => `${Math.abs(toldDegrees(angle))}°`;

export const percent = (share: number): string => `${Math.abs(toldPercent(share))} %`;

export const seconds = (s: number): string => `${s < 10 ? Math.round(s * 10) / 10 : Math.round(s)} s`;

export const plural = (n: number, one: string, many = `${one}s`): string => `${n} ${n === 1 ? one : many}`;

/** "18 % too large", "4.2 times too small". `ratio`: as many times too large. */
export function sizeOff(ratio: number): string {
  const times = ratio < 1 ? 1 / ratio : ratio;
  const size = times > MOST_IN_PERCENT ? `${Math.round(times * 10) / 10} times` : percent(ratio - 1);
  return `${size} too ${ratio < 1 ? 'small' : 'large'}`;
}

/** "4 mm", "12.5 cm", "1.24 m": three digits at most. */
export function lengthWords(metres: number): string {
  const m = Math.abs(metres);
  const figure = (x: number): number => Number(x.toPrecision(3));
  if (m < 0.1) return `${figure(m * 1000)} mm`;
  return m < 1 ? `${figure(m * 100)} cm` : `${figure(m)} m`;
}

/** The eye's way, then the hand's; a capital first and a full stop last. */
export function say(eye: string, hand?: string | null): string {
  const text = hand ? `${eye}: ${hand}` : eye;
  return `${text[0]?.toUpperCase() ?? ''}${text.slice(1)}.`;
}

/** "a, b and c" */
export function listed(words: readonly string[]): string {
  return words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`;
}
