import type { CriterionId } from '../criteria';
import type { CommandKind } from '../navigation';

/** A way round and over, radians: to the right and higher are positive; of one who stands, as the gaze goes. */
export interface Turned {
  readonly right: number;
  readonly higher: number;
}

/** What may have happened at a moment, with its figures. Points are of 100; angles radians. */
export interface MomentFigures {
  readonly largestLoss: { readonly points: number; readonly criterion: CriterionId | null; readonly gesture: CommandKind };
  readonly gotLost: { readonly seconds: number };
  readonly wrongWay: { readonly gesture: CommandKind; readonly turned: Turned; readonly target: Turned; readonly larger: number; readonly standing: boolean };
  /** By how much the target was passed: octaves of size, frame heights, or radians. */
  readonly tooFar: { readonly what: 'size' | 'placement' | 'direction'; readonly gesture: CommandKind; readonly by: number };
  readonly wrongAnswer: { readonly what: 'call' | 'way' | 'pick' | 'measurement' | 'gesture'; readonly number: number };
  readonly longStop: { readonly seconds: number };
  readonly oldHabit: { readonly gesture: string; readonly wanted: string };
  readonly hint: { readonly number: number };
  readonly stepEnd: { readonly last: boolean };
}

export type MomentKind = keyof MomentFigures;

/** A moment of an attempt worth looking at. `t`: when it had happened, `from`: when it began, seconds from opening. */
export type Moment = { readonly [K in MomentKind]: { readonly kind: K; readonly figures: MomentFigures[K] } & At }[MomentKind];

/** When something happened: seconds from opening, and the number of the step. */
export interface At {
  readonly t: number;
  readonly from: number;
  readonly step: number;
}
