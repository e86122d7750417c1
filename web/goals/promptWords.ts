import type { Prompt } from '@core/goals';

const NEXT = {
  ring: 'Begin at the ring: bring it under the dot in the middle.',
  square: 'Go along the line to the square.',
} as const;

/** What comes next, in a sentence. `end`: what to press when all was tried. A call is asked for beside the stage: then null. */
export function promptWords(prompt: Prompt, end: string): string | null {
  switch (prompt.code) {
    case 'call':
    case 'quick':
    case 'way':
      return null;
    case 'allCalled':
      return `All calls are answered: press ${end}.`;
    case 'find':
      return prompt.found.length === prompt.count ? `All is found: press ${end}.` : null;
    case 'measure':
      return prompt.measured.length === prompt.count ? `All is measured: press ${end}.` : null;
    case 'allAnswered':
      return `All questions are answered: press ${end}.`;
    case 'line':
      return prompt.next === 'there' ? `At the square: press ${end}.` : NEXT[prompt.next];
  }
}
