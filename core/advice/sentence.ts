/** Pieces of a sentence a coach would say. */

/** "14°", with a decimal below 3°. */
export function degrees(angle: number): string {
  const d = Math.abs((angle * 180) / Math.PI);
  return d < 3 ? `${Math.round(d * 10) / 10}°` : `${Math.round(d)}°`;
}

export const percent = (share: number): string => {
  const p = Math.abs(share * 100);
  return p < 3 ? `${Math.round(p * 10) / 10} %` : `${Math.round(p)} %`;
};

export const seconds = (s: number): string => `${s < 10 ? Math.round(s * 10) / 10 : Math.round(s)} s`;

export const plural = (n: number, one: string, many = `${one}s`): string => `${n} ${n === 1 ? one : many}`;

/** The eye's way, then the hand's; a capital first and a full stop last. */
export function say(eye: string, hand?: string | null): string {
  const text = hand ? `${eye}: ${hand}` : eye;
  return `${text[0]?.toUpperCase() ?? ''}${text.slice(1)}.`;
}

/** "a, b and c" */
export function listed(words: readonly string[]): string {
  return words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`;
}
