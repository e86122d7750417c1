import { type Binding, bindingFor, bindingName, type Gesture, type Pick, pivotFor, resolve, type Scheme, type Surroundings, whyNothing } from '@core/input';
import type { Vec3 } from '@core/math';
import type { Command, Scene } from '@core/navigation';
import { byInterface, type MoveGesture } from '@core/trace';
import type { Aids } from '../aids';
import type { Pane } from '../panes';
import type { Probes } from '../probing/probes';
import type { Recorder } from '../recorder';
import type { SquareViews } from '../squareViews';
import { type HeldGesture, together } from './heldKeys';
import type { Place } from './pointerPlaces';

/** One movement of a hand: what it began on, and as what it is recorded. */
export interface GestureContext {
  readonly pane: Pane;
  readonly pick: Pick | null;
  readonly id: number;
  readonly device: MoveGesture['device'];
  /** A word of the near hand that is used instead of what the scheme binds. */
  readonly using?: Binding | null;
}

export interface DispatchOptions {
  readonly session: Recorder;
  readonly sides: SquareViews;
  readonly aids: Aids;
  readonly probes: Probes;
  readonly scheme: () => Scheme;
  /** Every whole gesture on the stage, bound or not, before it is resolved. */
  readonly onGesture?: ((gesture: Gesture) => void) | undefined;
  /** Hears of what answers a gesture or a held key, standing inside too; null: nothing does. */
  readonly onAnswered?: ((binding: Binding | null) => void) | undefined;
}

/** Makes commands of gestures, as the scheme says. */
export interface GestureDispatch {
  /** Does what the gesture is bound to; false when nothing is. `binding`: what was found for it already. */
  dispatch(gesture: Gesture, context: GestureContext, binding?: Binding | null): boolean;
  /** What keys give together that are held down at one moment. */
  hold(keys: readonly HeldGesture[], place: Place | null, id: number, names: string, at: number): void;
  bindingFor(gesture: Gesture, using?: Binding | null): Binding | null;
  pickAt(place: Place | null): Pick | null;
  /** What an orbit of this movement turns about. */
  pivotOf(context: GestureContext): Vec3;
  /** Whether the key is down that makes an orbit turn about something else. */
  holdPivot(down: boolean): void;
}

export function createGestureDispatch({ session, sides, aids, probes, scheme, onGesture, onAnswered }: DispatchOptions): GestureDispatch {
  let pivotKey = false;
  /** The held keys that were told of last. */
  let heldHeard: number | null = null;
  /** The scene as a pane shows it. */
  const sceneIn = (pane: Pane): Scene => {
    const { scene } = session.getState();
    return pane.name === 'free' ? scene : { ...scene, view: sides.getState()[pane.name] };
  };
  const isStanding = (using: Binding | null | undefined): boolean => !using && aids.getState().standing;

  // Looked for once a gesture: the middle of what is seen must not wander while one turns about it.
  let seen: { id: number; point: Vec3 | null } | null = null;
  const surroundings = (scene: Scene, id: number, using?: Binding | null): Surroundings => {
    const { speed, floor } = aids.getState();
    const { heldPivot } = scheme().options;
    return {
      ...(pivotKey && heldPivot ? { pivot: heldPivot.pivot } : {}),
      ...(isStanding(using) ? { standing: true, speed, onFloor: floor } : {}),
      selectionCentre: () => probes.selectionCentre(scene),
      visibleMiddle: () => {
        if (seen?.id !== id) seen = { id, point: probes.visibleMiddle(scene) };
        return seen.point;
      },
      partsInBox: (rectangle, whole) => probes.partsInBox(scene, rectangle, whole),
    };
  };

  const give = (commands: readonly Command[], pane: Pane, gesture: MoveGesture): void => {
    if (pane.name === 'free') session.perform(commands, gesture);
    else sides.perform(pane.name, commands, gesture);
  };
  const pickAt = (place: Place | null): Pick | null => (place ? probes.pick(sceneIn(place.pane), place.at.u, place.at.v) : null);

  const bound: GestureDispatch['bindingFor'] = (gesture, using) => using ?? bindingFor(scheme(), gesture, isStanding(using));

  return {
    pickAt,
    bindingFor: bound,
    dispatch(gesture, { pane, pick, id, device, using }, binding = bound(gesture, using)) {
      if (!using && (!('done' in gesture) || gesture.done)) {
        if (!isStanding(using)) onGesture?.(gesture);
        onAnswered?.(binding);
      }
      if (!binding) return false;
      if (binding.command.kind === 'aid') {
        if (gesture.kind === 'wheel') aids.changeSpeed(gesture.notches);
        else aids.toggle(binding.command.does, pick);
        return true;
      }
      const scene = sceneIn(pane);
      const commands = resolve(scheme(), gesture, scene, pick, surroundings(scene, id, using), binding);
      const why = commands.length === 0 ? whyNothing(binding, gesture) : null;
      if (why) session.say(why);
      else give(commands, pane, using ? byInterface(id, 'near hand') : { id, device, binding: bindingName(binding) });
      return true;
    },
    hold(keys, place, id, names, at) {
      if (onAnswered && heldHeard !== id) for (const key of keys) onAnswered(bound(key));
      heldHeard = id;
      const { scene } = session.getState();
      const now = surroundings(scene, id);
      const pick = pickAt(place);
      const commands = together(keys.flatMap((gesture) => resolve(scheme(), gesture, scene, pick, now)));
      const { standing, floor, walls } = aids.getState();
      session.perform(standing ? probes.walked(scene, commands, { onFloor: floor, walls }) : commands, { id, device: 'keyboard', binding: names }, { at });
    },
    pivotOf({ pick, id }) {
      const { scene } = session.getState();
      return pivotFor(scheme(), scene, pick, surroundings(scene, id)) ?? scene.view.target;
    },
    holdPivot(down) {
      pivotKey = down;
    },
  };
}
