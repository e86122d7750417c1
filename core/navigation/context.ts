import type { Vec3 } from '../math';
import type { View } from '../view';
import type { PartLink, Scene } from './scene';

/** What a command may need besides the view. All but `frame` may be left out; see each command for what then happens. */
export interface Context {
  /** Frame in pixels that pixel arguments refer to. */
  readonly frame: { readonly width: number; readonly height: number };
  /** View that `home` goes to. */
  readonly home?: View;
  /** Points that `fit` frames: all = the shown parts; selection, when empty, = all. */
  readonly points?: (what: 'all' | 'selection', scene: Scene) => readonly Vec3[];
  /** Number of the running gesture: its commands share one history entry. */
  readonly gesture?: number;
  /** Scene that `reset` goes back to. */
  readonly start?: Scene;
  /** All parts, so that `isolate` can hide the others. */
  readonly parts?: readonly PartLink[];
}
