import type { Evidence } from '../criteria';
import type { Prompt, RedactedGoal } from '../goals';
import { foldTask } from '../goals/foldTask';

/** What a step asked for from a moment on, seconds from opening. */
export interface PromptFrom {
  readonly t: number;
  readonly prompt: Prompt | null;
}

/** What a step asked for in its course: one entry for each change. */
export function promptsOf(goal: RedactedGoal, seed: number, evidence: Evidence): PromptFrom[] {
  const { trace, index, span } = evidence;
  const events = trace.events.filter((event) => 'step' in event && event.step === index && event.t <= span.to);
  const found: PromptFrom[] = [];
  const tell = (t: number, prompt: Prompt | null): void => {
    const last = found.at(-1);
    if (last && (last.prompt === prompt || JSON.stringify(last.prompt) === JSON.stringify(prompt))) return;
    if (last?.t === t) found.pop();
    found.push({ t, prompt });
  };
  const begun = foldTask(goal, seed, { before: evidence.before, moves: [], views: [], events: [] });
  tell(Number.NEGATIVE_INFINITY, begun.prompt);
  foldTask(goal, seed, { before: evidence.before, moves: evidence.moves, views: evidence.views, events }, (t, at) => tell(t, at.prompt));
  return found;
}
