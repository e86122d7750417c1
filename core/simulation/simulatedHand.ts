import type { Scheme } from '../input';
import { exact, type Random } from '../math';
import type { Command } from '../navigation';
import { FRAME } from '../view';
import type { Recorder } from './recorder';

/** A learner as the simulation sees one. */
export interface SimulatedLearner {
  /** Share of a movement's length by which its end misses, one standard deviation (signal-dependent noise). */
  readonly noise: number;
  /** Seconds to react: median of a lognormal. */
  readonly reaction: number;
  /** Corrective movements made before being content. */
  readonly corrections: number;
  /** Probability of a wrong key or a wrong way at first. */
  readonly slips: number;
}

const HZ = 30;
const DEGREE = Math.PI / 180;

/** Position along a minimum-jerk movement at the share `s` of its time, 0 … 1 (Flash & Hogan 1985). */
export const minimumJerk = (s: number): number => s * s * s * (10 - 15 * s + 6 * s * s);

/** How the device of a scheme makes the three movements a camera needs. */
export interface Hand {
  /** Turns the eye round and up by angles in radians, roughly. */
  readonly orbit: (round: number, up: number) => void;
  /** Makes things larger by octaves. */
  readonly zoom: (octaves: number) => void;
  /** Slides the model on the screen, frame heights. */
  readonly slide: (right: number, up: number) => void;
  readonly roll: (angle: number) => void;
  /** Walks ahead and to the right, metres. */
  readonly walk: (forward: number, right: number) => void;
  /** Raises the eye, metres. */
  readonly rise: (metres: number) => void;
  /** Looks to the left and up, radians. */
  readonly look: (yaw: number, pitch: number) => void;
  /** One key or button. */
  readonly press: (command: Command) => void;
  readonly react: () => void;
  /** A length with the noise of this hand. */
  readonly missed: (length: number) => number;
}

export function createHand(recorder: Recorder, scheme: Scheme, learner: SimulatedLearner, random: Random): Hand {
  const byKeys = scheme.family === 'keyboard';
  const missed = (length: number): number => length * (1 + learner.noise * random.normal());
  const react = (): void => recorder.wait(learner.reaction * exact.exp(0.3 * random.normal()));

  /** One smooth gesture: `piece(share)` gives the command for a share of the whole movement. */
  const sweep = (size: number, piece: (share: number) => Command): void => {
    react();
    // Longer movements take longer, as a logarithm (Fitts 1954).
    const seconds = 0.35 + 0.25 * exact.log2(1 + size * 8);
    const count = Math.max(4, Math.round(seconds * HZ));
    recorder.grasp();
    let done = 0;
    for (let i = 1; i <= count; i++) {
      recorder.wait(1 / HZ);
      const share = minimumJerk(i / count) - done;
      done += share;
      recorder.command(piece(share));
    }
    recorder.release();
  };

  const press = (command: Command): void => {
    recorder.wait(0.12 + 0.1 * random.next());
    recorder.grasp();
    recorder.command(command);
    recorder.release();
  };

  /** As many large and small key steps as come nearest. */
  const steps = (amount: number, large: number, small: number, make: (size: number) => Command): void => {
    react();
    const coarse = Math.trunc(amount / large);
    const fine = Math.round((amount - coarse * large) / small);
    recorder.grasp();
    for (let i = 0; i < Math.abs(coarse); i++) {
      recorder.wait(0.15);
      recorder.command(make(Math.sign(coarse) * large));
    }
    for (let i = 0; i < Math.abs(fine); i++) {
      recorder.wait(0.18);
      recorder.command(make(Math.sign(fine) * small));
    }
    recorder.release();
  };

  return {
    missed,
    react,
    press,
    orbit: (round, up) => {
      if (byKeys) {
        if (Math.abs(round) > 1.5 * DEGREE)
          steps(round, 15 * DEGREE, 3 * DEGREE, (a) => ({ kind: 'turn', axis: a > 0 ? 'right' : 'left', angle: Math.abs(a) }));
        if (Math.abs(up) > 1.5 * DEGREE) steps(up, 15 * DEGREE, 3 * DEGREE, (a) => ({ kind: 'turn', axis: a > 0 ? 'up' : 'down', angle: Math.abs(a) }));
        return;
      }
      const dx = (-missed(round) / Math.PI) * FRAME.height;
      const dy = (missed(up) / Math.PI) * FRAME.height;
      sweep(Math.abs(round) + Math.abs(up), (share) => ({ kind: 'orbit', dx: dx * share, dy: dy * share, mode: 'turntable' }));
    },
    zoom: (octaves) => {
      if (byKeys) {
        const factor = (o: number): Command => ({ kind: 'zoom', factor: exact.pow(2, o) });
        steps(octaves, exact.log2(1.25), exact.log2(1.05), factor);
        return;
      }
      const total = missed(octaves);
      sweep(Math.abs(octaves), (share) => ({ kind: 'zoom', factor: exact.pow(2, total * share) }));
    },
    slide: (right, up) => {
      if (byKeys) {
        if (Math.abs(right) > 0.025) steps(right, 0.05, 0.05, (a) => ({ kind: 'pan', dx: a * FRAME.height, dy: 0 }));
        if (Math.abs(up) > 0.025) steps(up, 0.05, 0.05, (a) => ({ kind: 'pan', dx: 0, dy: -a * FRAME.height }));
        return;
      }
      const dx = missed(right) * FRAME.height;
      const dy = -missed(up) * FRAME.height;
      sweep(Math.abs(right) + Math.abs(up), (share) => ({ kind: 'pan', dx: dx * share, dy: dy * share }));
    },
    walk: (forward, right) => {
      const [ahead, aside] = [missed(forward), missed(right)];
      sweep(Math.abs(forward) + Math.abs(right), (share) => ({
        kind: 'walk',
        forward: ahead * share * HZ,
        right: aside * share * HZ,
        dt: 1 / HZ,
        onGround: true,
      }));
    },
    rise: (metres) => {
      const total = missed(metres);
      sweep(Math.abs(metres), (share) => ({ kind: 'rise', metres: total * share }));
    },
    look: (yaw, pitch) => {
      const [round, up] = [missed(yaw), missed(pitch)];
      sweep(Math.abs(yaw) + Math.abs(pitch), (share) => ({ kind: 'look', yaw: round * share, pitch: up * share }));
    },
    roll: (angle) => {
      const count = Math.round(angle / (3 * DEGREE));
      react();
      recorder.grasp();
      for (let i = 0; i < Math.abs(count); i++) {
        recorder.wait(0.12);
        recorder.command({ kind: 'roll', angle: Math.sign(count) * 3 * DEGREE });
      }
      recorder.release();
    },
  };
}
