import type { CallResult, Evidence, QuickResult, WayResult } from '../criteria';
import type { CommandGroupId } from '../exercise/commandGroups';
import type { MeasureKind, Polygon } from '../geometry';
import type { Vec3 } from '../math';
import type { Framing, SeenPlace } from '../measures';
import type { ScoredModel } from '../model';
import type { CommandKind, KeptScene } from '../navigation';

/** A direction to the eye as azimuth and elevation, radians; azimuths run on past half a turn, so that a path is one line. */
export interface Unrolled {
  readonly azimuth: number;
  readonly elevation: number;
}

/** What a card draws of a step beside its points. */
export type StepDetail =
  | { readonly kind: 'none' }
  | { readonly kind: 'calls'; readonly calls: readonly Omit<CallResult, 'view'>[] }
  | {
      readonly kind: 'orbit';
      readonly path: readonly Unrolled[];
      readonly reference: readonly Unrolled[];
      readonly pairs: readonly (readonly [number, number])[];
      /** Number of the pair that is farthest apart. */
      readonly worst: number;
    }
  | {
      readonly kind: 'frame';
      /** The subject's outline on the screen, frame heights. */
      readonly outline: readonly (readonly [u: number, v: number])[];
      readonly box: Framing['box'];
      readonly asked: Framing['box'];
      readonly margins: { readonly left: number; readonly right: number; readonly top: number; readonly bottom: number };
    }
  | {
      readonly kind: 'section';
      readonly mine: readonly Polygon[];
      readonly target: readonly Polygon[];
      /** Square metres. */
      readonly mineArea: number;
      readonly targetArea: number;
    }
  | {
      readonly kind: 'seen';
      readonly places: readonly SeenPlace[];
      /** Directions to the eye of the views that were looked at. */
      readonly directions: readonly Vec3[];
    }
  | {
      readonly kind: 'ways';
      /** All of the model that was shown; null: the whole. */
      readonly part: string | null;
      readonly questions: readonly WayResult[];
    }
  | {
      readonly kind: 'finds';
      readonly wrong: number;
      readonly items: readonly {
        readonly name: string;
        readonly found: boolean;
        /** From the find before, seconds. */
        readonly seconds: number | null;
        /** What it was found in, or could have been; null: no view from outside shows it. */
        readonly scene: KeptScene | null;
        /** Where it was picked in the frame, or where its middle is, frame heights. */
        readonly at: { readonly u: number; readonly v: number } | null;
      }[];
    }
  | {
      readonly kind: 'measured';
      readonly wrong: number;
      readonly asks: readonly {
        readonly name: string;
        readonly what: MeasureKind;
        /** Metres or radians; null: there is none. */
        readonly expected: number | null;
        readonly value: number | null;
        /** What it was measured in; null: it was not. */
        readonly scene: KeptScene | null;
        /** What was picked, world metres. */
        readonly points: readonly Vec3[];
      }[];
    }
  | { readonly kind: 'quick'; readonly calls: readonly QuickResult[] }
  | {
      readonly kind: 'back';
      readonly gestures: number;
      /** When the subject was back, seconds; null: never. */
      readonly seconds: number | null;
      /** Gestures of the shortest way that is known, by the kinds of their commands; null: none is known. */
      readonly shortest: readonly CommandKind[] | null;
    };

/** Makes what a card draws of a step of one kind of goal. */
export type MakeDetail<G> = (goal: G, evidence: Evidence, model: ScoredModel, allowed: readonly CommandGroupId[]) => StepDetail;

export const NO_DETAIL: StepDetail = { kind: 'none' };
