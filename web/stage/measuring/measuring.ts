import type { Landmark } from '@core/exercise';
import { type Feature, type FeaturePick, featureAt, type MeasureKind, type Mesh, type NearestTriangle, partName, valueBetween } from '@core/geometry';
import type { Vec3 } from '@core/math';
import type { PickMade } from '@core/trace';
import { FRAME_ASPECT, project } from '@core/view';
import { createStore, type StoreApi } from 'zustand/vanilla';
import type { AskedValue } from '../aids';
import type { Recorder } from '../recorder';

/** A pick with the feature that was found there. */
export interface Picked {
  readonly pick: PickMade;
  readonly feature: Feature;
}

/** A value that was measured, metres or radians. */
export interface Measured {
  readonly id: number;
  readonly what: MeasureKind;
  readonly value: number;
  readonly picked: readonly Picked[];
}

export interface MeasuringState {
  readonly what: MeasureKind;
  /** What picks are taken for. */
  readonly as: FeaturePick['as'];
  /** The first of two picks; null: none was made yet. */
  readonly first: Picked | null;
  readonly kept: readonly Measured[];
  /** What to do, or why nothing came of the last pick. */
  readonly words: string;
}

/** What picks can be taken for, by what is measured; the first to begin with. */
export const FILTERS: { readonly [K in MeasureKind]: readonly FeaturePick['as'][] } = {
  distance: ['face', 'edge', 'point', 'hole'],
  diameter: ['hole'],
  spacing: ['hole'],
  angle: ['face', 'edge', 'hole'],
};

const NAMES: Record<FeaturePick['as'], string> = { face: 'a flat face', edge: 'an edge', point: 'a point', hole: 'a hole or a round face' };

/** As many values stand on the stage. */
const MOST = 8;

export interface Measuring extends StoreApi<MeasuringState> {
  setWhat(what: MeasureKind): void;
  setAs(as: FeaturePick['as']): void;
  /** Picks a named place. */
  from(landmark: Landmark): void;
  remove(id: number): void;
  /** Takes the last thing back: a first pick, else the last value; false when there is nothing. */
  back(): boolean;
  /** Takes what is picked on the stage from now on, until the returned function is called. */
  listen(): () => void;
}

/** Hears of a value, with what was asked. */
export type MeasuredListener = (measured: Measured, asked: AskedValue | null) => void;

export interface MeasuringOptions {
  readonly session: Recorder;
  readonly mesh: Mesh;
  readonly nearest: NearestTriangle;
  /** What a step asks for at present; null: nothing. */
  readonly asked: () => AskedValue | null;
  readonly onMeasured: MeasuredListener;
}

const hintOf = ({ what, as }: Pick<MeasuringState, 'what' | 'as'>, second: boolean): string =>
  what === 'diameter' ? `Pick ${NAMES[as]}.` : second ? `Now the second: ${NAMES[as]}.` : `Pick the first: ${NAMES[as]}.`;

/** Measures between what is picked on the stage, while it listens: made by itself it does nothing. */
export function createMeasuring({ session, mesh, nearest, asked, onMeasured }: MeasuringOptions): Measuring {
  const what = asked()?.what ?? 'distance';
  const filter = FILTERS[what][0] ?? 'face';
  const store = createStore<MeasuringState>(() => ({ what, as: filter, first: null, kept: [], words: hintOf({ what, as: filter }, false) }));
  let next = 1;
  const say = (change: Partial<MeasuringState>): void => {
    const state = { ...store.getState(), ...change };
    store.setState({ ...change, words: change.words ?? hintOf(state, state.first !== null) });
  };
  const measured = (picked: readonly Picked[]): void => {
    const state = store.getState();
    const value = valueBetween(state.what, picked[0]?.feature ?? null, picked[1]?.feature ?? null);
    if (value === null) {
      const parallel =
        state.what === 'distance'
          ? 'They are not parallel and have no distance: measure the angle, or pick others.'
          : 'There is no such value between these two.';
      say({ first: null, words: parallel });
      return;
    }
    const made: Measured = { id: next++, what: state.what, value, picked };
    store.setState({ kept: [...state.kept, made].slice(-MOST) });
    say({ first: null });
    onMeasured(made, asked());
  };
  const take = (part: string, point: Vec3, normal: Vec3, as = store.getState().as): void => {
    const state = store.getState();
    const { scene } = session.getState();
    const feature = featureAt(mesh, { part, point, normal, as }, nearest);
    if (!feature) {
      say({ words: `${partName(mesh.parts, part)}: ${NAMES[as]} is not there. ${hintOf(state, state.first !== null)}` });
      return;
    }
    const { u, v } = project(scene.view, point, FRAME_ASPECT);
    const picked: Picked = { feature, pick: { part, point, normal, as, t: session.moves.at(-1)?.t ?? session.time(), u, v } };
    if (state.what === 'diameter') measured([picked]);
    else if (state.first) measured([state.first, picked]);
    else say({ first: picked });
  };
  return {
    ...store,
    setWhat: (chosen) => say({ what: chosen, as: FILTERS[chosen][0] ?? 'face', first: null }),
    setAs: (chosen) => say({ as: chosen }),
    from: ({ part, point, normal, kind }) => take(part, point, normal, kind === 'face' ? 'face' : 'point'),
    remove: (id) => store.setState((state) => ({ kept: state.kept.filter((one) => one.id !== id) })),
    back() {
      const { first, kept } = store.getState();
      if (first) say({ first: null });
      else if (kept.length > 0) store.setState({ kept: kept.slice(0, -1) });
      else return false;
      return true;
    },
    listen() {
      let heard = session.moves.length;
      return session.subscribe(({ scene }) => {
        if (session.moves.length === heard) return;
        heard = session.moves.length;
        const command = session.moves.at(-1)?.command;
        const part = command?.kind === 'select' ? command.parts[0] : undefined;
        const { point, normal } = scene.selection;
        if (part !== undefined && point && normal && mesh.parts.some(({ id }) => id === part)) take(part, point, normal);
      });
    },
  };
}
