/** An id that none of a list has: the word with the number after the largest. */
export const nextId = (word: string, list: readonly { readonly id: string }[]): string =>
  `${word}-${1 + Math.max(0, ...list.map(({ id }) => Number(id.split('-')[1] ?? 0) || 0))}`;
