import type { Plane } from '../geometry';
import type { Vec3 } from '../math';
import type { Margins } from '../measures';
import type { Scene } from '../navigation';
import type { View } from '../view';
import type { Call } from './call';
import type { Sought } from './findResults';
import type { Ask } from './measureResults';
import type { Method } from './methodSchema';
import type { QuickList } from './quickResults';
import type { ToSee } from './seenSoFar';
import type { WayList } from './wayResults';

/** A way round a pivot as it was recorded: seconds and views. */
export interface Line {
  readonly pivot: Vec3;
  readonly path: readonly { readonly t: number; readonly view: View }[];
}

/** What a goal asks for, in the terms that criteria are measured by. A goal gives what it has; criteria know no goal. */
export interface Aim {
  /** Part ids that size, place and visibility look at; none: the whole model. */
  readonly subject: readonly string[];
  /** The scene to reach. */
  readonly target: Scene | null;
  /** The cut to reach, and which parts it is compared on where the attempt shows none of those it goes through. */
  readonly cut: Plane | null;
  readonly cutParts: Scene['visibility'];
  /** Free space asked for round the subject. */
  readonly margins: Margins | null;
  /** Parts that must be seen after the cut. */
  readonly reveal: readonly string[] | null;
  readonly calls: { readonly list: readonly Call[]; readonly order: 'asGiven' | 'random' } | null;
  readonly line: Line | null;
  /** Whether it is about standing and looking rather than going round. */
  readonly standing: boolean;
  /** Where the eye must be, world metres, and whether the gaze must be level. */
  readonly stand: { readonly eye: Vec3; readonly level: boolean } | null;
  /** Whether the subject was lost and has to be brought back. */
  readonly recover: boolean;
  /** Gestures that are called. */
  readonly quick: QuickList | null;
  /** The surface that has to be looked at. */
  readonly see: ToSee | null;
  /** Views of which it is asked from where they are seen. */
  readonly ways: WayList | null;
  /** Things that have to be found. */
  readonly find: readonly Sought[] | null;
  /** Values that have to be measured. */
  readonly measure: readonly Ask[] | null;
  /** How it has to be done; a step says so, whatever its goal. */
  readonly method: Method | null;
}

export const NO_AIM: Aim = {
  subject: [],
  target: null,
  cut: null,
  cutParts: {},
  margins: null,
  reveal: null,
  calls: null,
  line: null,
  standing: false,
  stand: null,
  recover: false,
  quick: null,
  see: null,
  ways: null,
  find: null,
  measure: null,
  method: null,
};
