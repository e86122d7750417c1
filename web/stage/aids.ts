import type { MeasureKind } from '@core/geometry';
import type { Aid, Pick } from '@core/input';
import type { Vec3 } from '@core/math';
import type { Scene } from '@core/navigation';
import { byInterface } from '@core/trace';
import { createStore, type StoreApi } from 'zustand/vanilla';
import type { PaneName } from './panes';
import type { Probes } from './probing/probes';
import type { Recorder } from './recorder';

/** A plane with a grid on it. */
export interface GridPlane {
  readonly point: Vec3;
  readonly normal: Vec3;
  /** Metres between two lines. */
  readonly spacing: number;
}

/** What helps the eye. It moves no camera of the attempt and leaves no trace. */
export interface AidsState {
  readonly grid: GridPlane | null;
  readonly names: boolean;
  readonly landmarks: boolean;
  readonly loupe: boolean;
  readonly fourViews: boolean;
  readonly maximised: PaneName | null;
  readonly panels: boolean;
  readonly standing: boolean;
  /** Whether what is picked is measured. */
  readonly measuring: boolean;
  /** What a step asks to be measured, while that is done; null: what one likes. */
  readonly asked: AskedValue | null;
  readonly floor: boolean;
  readonly walls: boolean;
  /** Metres a second. */
  readonly speed: number;
}

/** A value that a step asks for. */
export interface AskedValue {
  readonly id: string;
  readonly name: string;
  readonly what: MeasureKind;
}

export interface Aids extends StoreApi<AidsState> {
  /** Turns an aid on or off; `pick`: what is pointed at. */
  toggle(aid: Aid, pick: Pick | null): void;
  changeSpeed(notches: number): void;
  maximise(pane: PaneName | null): void;
  /** Begins to measure something that a step asks for; null: ends measuring. */
  measure(asked: AskedValue | null): void;
}

const WALKING_SPEED = 1.4;
const SLOWEST = 0.1;
const FASTEST = 20;

/** A round length that divides `size` into about ten: 1, 2 or 5 times a power of ten. */
export function roundSpacing(size: number): number {
  const rough = Math.max(size, 1e-9) / 10;
  const power = 10 ** Math.floor(Math.log10(rough));
  const share = rough / power;
  return (share < 1.5 ? 1 : share < 3.5 ? 2 : share < 7.5 ? 5 : 10) * power;
}

/** Everything that tells of the view is put away. */
const PUT_AWAY = {
  grid: null,
  names: false,
  landmarks: false,
  loupe: false,
  fourViews: false,
  maximised: null,
  standing: false,
  measuring: false,
  asked: null,
} as const;

export function createAids(session: Recorder, probes: Probes): Aids {
  const store = createStore<AidsState>(() => ({
    ...PUT_AWAY,
    panels: true,
    floor: true,
    walls: true,
    speed: WALKING_SPEED,
  }));
  const gridFor = (scene: Scene): GridPlane => {
    const { point, normal } = scene.selection;
    const spacing = roundSpacing(probes.size);
    return point && normal ? { point, normal, spacing } : { point: [0, 0, probes.ground], normal: [0, 0, 1], spacing };
  };
  const stand = (pick: Pick | null): void => {
    if (store.getState().standing) {
      store.setState({ standing: false });
      return;
    }
    const { scene } = session.getState();
    const { point, normal } = scene.selection;
    const commands = probes.standOn(scene, pick ?? (point ? { point, normal } : null));
    if (!commands) session.say('There is no floor to stand on: point at one first.');
    else if (session.perform(commands, byInterface(session.newGesture(), 'stand'))) {
      store.setState({ standing: true });
      session.say('Standing inside: hold the arrows to walk and to look round; drag to look about.');
    }
  };
  // Where the stage stands still to be read, what helps the eye would tell too much.
  session.subscribe(({ still }, before) => {
    if (still && !before.still) store.setState(PUT_AWAY);
  });
  return {
    ...store,
    toggle(aid, pick) {
      const state = store.getState();
      const { scene, still } = session.getState();
      if (still && aid !== 'panels') session.say(still);
      else if (aid === 'standing') stand(pick);
      else if (aid === 'grid') store.setState({ grid: state.grid ? null : gridFor(scene) });
      else if (aid === 'measuring') store.setState({ measuring: !state.measuring, asked: null });
      else if (aid === 'fourViews') store.setState({ fourViews: !state.fourViews, maximised: null });
      else if (aid !== 'speed') {
        store.setState({ [aid]: !state[aid] });
        const { loupe, names, landmarks } = store.getState();
        if (loupe && (names || landmarks)) session.say('Names step aside while the loupe is out: put it away to see them.');
      }
    },
    changeSpeed: (notches) => store.setState((s) => ({ speed: Math.min(FASTEST, Math.max(SLOWEST, s.speed * 1.2 ** notches)) })),
    measure: (asked) => {
      const { still } = session.getState();
      if (still) session.say(still);
      else store.setState({ measuring: asked !== null, asked });
    },
    maximise: (pane) => store.setState({ maximised: pane }),
  };
}
