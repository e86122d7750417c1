import { invalid } from './errors';

/** A name without the blanks around it; `asks` says what to write when it is empty or too long. */
export function nameOf(text: string, most = 80, asks = `Write a name of 1 to ${most} characters.`): string {
  const name = text.trim();
  if (!name || name.length > most) throw invalid(asks, 'name');
  return name;
}
