const plain = (text: string): string => text.toLocaleLowerCase('en').trim();

/** Whether every word that is sought stands in a text, in whatever case and order. */
export function hasWords(text: string, sought: string): boolean {
  const within = plain(text);
  return plain(sought)
    .split(/\s+/)
    .every((word) => within.includes(word));
}
