import { angleBetween, backOf } from '../math';
import { pausedBetween } from '../trace/clock';
import { anglesOf, nearestStandardDirection, orientationFrom, type View } from '../view';
import type { Evidence } from './evidence';

/** Views that are shown one after the other, of each of which it is asked from where it is seen. */
export interface WayList {
  readonly questions: readonly View[];
  readonly ask: 'side' | 'side and height';
}

export interface WayResult {
  /** Number of the question. */
  readonly number: number;
  readonly question: View;
  /** From where it is seen, as it was answered, radians; null: it was not. */
  readonly answered: { readonly azimuth: number; readonly elevation: number } | null;
  /** Angle between the answered and the true direction to the eye, radians; pi without an answer. */
  readonly error: number;
  /** Whether the standard view nearest to the answer is the one nearest to the truth. */
  readonly right: boolean;
  /** From its showing to its answer, pauses left out; null: it was not answered. */
  readonly seconds: number | null;
}

/** The answered direction to the eye. Where only the side is asked the height is that of the view itself. */
function answeredWay(ask: WayList['ask'], question: View, azimuth: number, elevation: number): WayResult['answered'] {
  return { azimuth, elevation: ask === 'side' ? anglesOf(question.orientation).elevation : elevation };
}

/** What became of each question: the first answer that came while it was shown. */
export function wayResults({ questions, ask }: WayList, { trace, index, span }: Evidence): WayResult[] {
  const events = trace.events.filter((event) => event.t <= span.to && 'step' in event && event.step === index);
  return questions.map((question, number) => {
    const nothing: WayResult = { number, question, answered: null, error: Math.PI, right: false, seconds: null };
    const shown = events.find((event) => event.kind === 'shown' && event.call === number);
    const answer = shown && events.find((event) => event.kind === 'answer' && event.call === number && event.t >= shown.t);
    if (!shown || answer?.kind !== 'answer' || answer.azimuth === undefined) return nothing;
    const answered = answeredWay(ask, question, answer.azimuth, answer.elevation ?? 0);
    const made = backOf(orientationFrom({ azimuth: answered?.azimuth ?? 0, elevation: answered?.elevation ?? 0, roll: 0 }));
    const truth = backOf(question.orientation);
    return {
      ...nothing,
      answered,
      error: angleBetween(made, truth),
      right: nearestStandardDirection(made) === nearestStandardDirection(truth),
      seconds: answer.t - shown.t - pausedBetween(trace, shown.t, answer.t),
    };
  });
}
