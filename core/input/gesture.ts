import type { Vec3 } from '../math';
import type { Modifier, PivotRule } from './schemeSchema';

/** The buttons of a pointer, in the order of `MouseEvent.button`. */
export const POINTER_BUTTONS = ['left', 'middle', 'right'] as const;
export type PointerButton = (typeof POINTER_BUTTONS)[number];

/** Where a device points in the frame, frame heights from its centre, v up. */
export interface FramePoint {
  readonly u: number;
  readonly v: number;
}

/** What a device did, in frame heights; the stage scales pixels to it, so window size and pixel ratio leave no trace. */
export type Gesture =
  | {
      readonly kind: 'drag';
      readonly button: PointerButton;
      readonly modifiers: readonly Modifier[];
      readonly from: FramePoint;
      readonly last: FramePoint;
      readonly to: FramePoint;
      readonly done: boolean;
    }
  | {
      readonly kind: 'click';
      readonly button: PointerButton;
      readonly count: 1 | 2;
      readonly modifiers: readonly Modifier[];
      readonly at: FramePoint;
    }
  | { readonly kind: 'wheel'; readonly modifiers: readonly Modifier[]; readonly notches: number; readonly at: FramePoint }
  /** `repeats`: how often the key has repeated since it went down. */
  | { readonly kind: 'key'; readonly code: string; readonly modifiers: readonly Modifier[]; readonly at: FramePoint | null; readonly repeats?: number }
  /** Two fingers slid on a touchpad, frame heights to the right and up. */
  | { readonly kind: 'scroll'; readonly modifiers: readonly Modifier[]; readonly du: number; readonly dv: number; readonly at: FramePoint }
  /** Two fingers spread on a touchpad by a factor. */
  | { readonly kind: 'pinch'; readonly factor: number; readonly at: FramePoint }
  /** Fingers on the screen: their middle, how far they spread (a factor) and turned (radians, anticlockwise) since the last time. */
  | {
      readonly kind: 'touch';
      readonly fingers: 1 | 2 | 3;
      readonly from: FramePoint;
      readonly last: FramePoint;
      readonly to: FramePoint;
      readonly spread: number;
      readonly twist: number;
      readonly done: boolean;
    }
  /** A key kept down for another `dt` seconds, after `age` seconds already; without an age it goes at full speed. */
  | {
      readonly kind: 'held';
      readonly code: string;
      readonly modifiers: readonly Modifier[];
      readonly dt: number;
      readonly age?: number;
      readonly at: FramePoint | null;
    }
  | { readonly kind: 'axes'; readonly axes: SixAxes; readonly dt: number }
  | { readonly kind: 'puckButton'; readonly button: number };

/** Shifts right, away, up and tilts about the same axes, each -1 … 1. */
export type SixAxes = readonly [x: number, y: number, z: number, rx: number, ry: number, rz: number];

/** What lies under the pointer, found by the stage; null where there is nothing. */
export interface Pick {
  readonly point: Vec3;
  readonly normal: Vec3;
  readonly part: string;
  /** Metres from the eye along the view axis. */
  readonly depth: number;
}

/** A rectangle in the frame, frame heights. */
export interface FrameRectangle {
  readonly u0: number;
  readonly v0: number;
  readonly u1: number;
  readonly v1: number;
}

/** What the stage knows besides the scene when a gesture is resolved: where the hand is at work, and what only the mesh can tell. */
export interface Surroundings {
  /** Whether one stands inside the model: bindings of that context come first. */
  readonly standing?: boolean;
  /** Walking speed, metres a second. */
  readonly speed?: number;
  /** Whether walking keeps to the floor. */
  readonly onFloor?: boolean;
  /** The pivot rule of a key that is held, in place of the scheme's. */
  readonly pivot?: PivotRule;
  /** Finds the middle of the box of what is selected. */
  readonly selectionCentre?: () => Vec3 | null;
  /** Finds the middle of what is seen in the frame. */
  readonly visibleMiddle?: () => Vec3 | null;
  /** Parts that a rectangle touches, or that lie wholly inside it. */
  readonly partsInBox?: (rectangle: FrameRectangle, whole: boolean) => string[];
}
