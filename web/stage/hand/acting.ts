import { type Binding, bindingFor, bindingName, type Gesture, type Pick, pivotFor, resolve, type Scheme, type Surroundings, whyNothing } from '@core/input';
import type { Vec3 } from '@core/math';
import type { Command, Scene } from '@core/navigation';
import { byInterface, type MoveGesture } from '@core/trace';
import type { Aids } from '../aids';
import type { Pane } from '../panes';
import type { Probes } from '../probing/probes';
import type { Session } from '../session';
import type { Sides } from '../sides';
import { type HeldGesture, together } from './heldKeys';
import type { Place } from './places';

/** One movement of a hand: what it began on, and as what it is recorded. */
export interface Doing {
  readonly pane: Pane;
  readonly pick: Pick | null;
  readonly id: number;
  readonly device: MoveGesture['device'];
  /** A scheme of one binding while a word of the near hand is used. */
  readonly using?: Scheme | null;
}

export interface ActingOptions {
  readonly session: Session;
  readonly sides: Sides;
  readonly aids: Aids;
  readonly probes: Probes;
  readonly scheme: () => Scheme;
  /** Every whole gesture on the stage, bound or not, before it is resolved. */
  readonly onGesture?: ((gesture: Gesture) => void) | undefined;
}

/** Makes of gestures what the scheme says. */
export interface Acting {
  /** False when nothing is bound to the gesture. */
  act(gesture: Gesture, doing: Doing): boolean;
  /** What keys give together that are held down at one moment. */
  hold(keys: readonly HeldGesture[], place: Place | null, id: number, names: string): void;
  bindingFor(gesture: Gesture, using?: Scheme | null): Binding | null;
  pickAt(place: Place | null): Pick | null;
  /** What an orbit of this movement turns about. */
  pivotOf(doing: Doing): Vec3;
  /** Whether the key is down that makes an orbit turn about something else. */
  holdPivot(down: boolean): void;
}

export function createActing({ session, sides, aids, probes, scheme, onGesture }: ActingOptions): Acting {
  let pivotKey = false;
  /** The scene as a pane shows it. */
  const sceneIn = (pane: Pane): Scene => {
    const { scene } = session.getState();
    return pane.name === 'free' ? scene : { ...scene, view: sides.getState()[pane.name] };
  };
  const isStanding = (using: Scheme | null | undefined): boolean => !using && aids.getState().standing;

  // Looked for once a gesture: the middle of what is seen must not wander while one turns about it.
  let seen: { id: number; point: Vec3 | null } | null = null;
  const surroundings = (scene: Scene, id: number, using?: Scheme | null): Surroundings => {
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

  return {
    pickAt,
    bindingFor: (gesture, using) => bindingFor(using ?? scheme(), gesture, isStanding(using)),
    act(gesture, { pane, pick, id, device, using }) {
      const standing = isStanding(using);
      if (!using && !standing && (!('done' in gesture) || gesture.done)) onGesture?.(gesture);
      const inForce = using ?? scheme();
      const binding = bindingFor(inForce, gesture, standing);
      if (!binding) return false;
      if (binding.command.kind === 'aid') {
        if (gesture.kind === 'wheel') aids.changeSpeed(gesture.notches);
        else aids.toggle(binding.command.does, pick);
        return true;
      }
      const scene = sceneIn(pane);
      const commands = resolve(inForce, gesture, scene, pick, surroundings(scene, id, using));
      const why = commands.length === 0 ? whyNothing(inForce, gesture, standing) : null;
      if (why) session.say(why);
      else give(commands, pane, using ? byInterface(id, 'near hand') : { id, device, binding: bindingName(binding) });
      return true;
    },
    hold(keys, place, id, names) {
      const { scene } = session.getState();
      const now = surroundings(scene, id);
      const pick = pickAt(place);
      const commands = together(keys.flatMap((gesture) => resolve(scheme(), gesture, scene, pick, now)));
      const { standing, floor, walls } = aids.getState();
      session.perform(standing ? probes.walked(scene, commands, { onFloor: floor, walls }) : commands, { id, device: 'keyboard', binding: names });
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
