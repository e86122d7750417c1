import { apply, type Command, type Scene } from '@core/navigation';
import type { MoveGesture } from '@core/trace';
import { FRAME_ASPECT, fit, standardOrientation, type View } from '@core/view';
import { createStore, type StoreApi } from 'zustand/vanilla';
import type { SquarePane } from './panes';
import type { Recorder } from './recorder';

export type SquareViewStates = Readonly<Record<SquarePane, View>>;

/** The three square views beside the free one. They help the eye: their cameras are no part of the attempt. */
export interface SquareViews extends StoreApi<SquareViewStates> {
  /** Does what a square view can: it slides and zooms; what changes the scene goes to the recorder, what would turn it is refused in words. */
  perform(pane: SquarePane, commands: readonly Command[], gesture: MoveGesture): void;
  /** Frames all that is shown in each of the three. */
  fitAll(): void;
}

const MARGIN = 0.08;
const CAMERA: ReadonlySet<Command['kind']> = new Set(['pan', 'zoom', 'zoomRegion', 'fit', 'centre']);
const SCENE: ReadonlySet<Command['kind']> = new Set([
  'section',
  'shiftSection',
  'flipSection',
  'show',
  'isolate',
  'showAll',
  'style',
  'select',
  'reset',
  'home',
  'back',
  'forward',
]);

export function createSquareViews(session: Recorder): SquareViews {
  const { context } = session;
  const square = (name: SquarePane, scene: Scene): View =>
    fit(
      { ...scene.view, orientation: standardOrientation(name), projection: 'orthographic', target: [0, 0, 0], distance: 10 },
      context.points?.('all', scene) ?? [],
      FRAME_ASPECT,
      MARGIN,
    );
  const all = (scene: Scene): SquareViewStates => ({ top: square('top', scene), front: square('front', scene), right: square('right', scene) });
  const store = createStore<SquareViewStates>(() => all(session.getState().scene));
  return {
    ...store,
    fitAll: () => store.setState(all(session.getState().scene)),
    perform(pane, commands, gesture) {
      for (const command of commands) {
        const { scene } = session.getState();
        if (SCENE.has(command.kind)) session.perform([command], gesture);
        else {
          // A drag that would turn a free view slides a square one.
          const made: Command | null = command.kind === 'orbit' ? { kind: 'pan', dx: command.dx, dy: command.dy } : CAMERA.has(command.kind) ? command : null;
          if (!made) session.say('This view stays square: turn in the free one.');
          else store.setState({ [pane]: apply({ ...scene, view: store.getState()[pane] }, made, context).view });
        }
      }
    },
  };
}
