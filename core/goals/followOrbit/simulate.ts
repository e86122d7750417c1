import { exact } from '../../math';
import { type Actor, turnTo } from '../../simulation/actor';
import { anglesOf, wrapAngle } from '../../view';
import type { FollowOrbit } from './kind';

/** Goes to the line's start and along it, with a hand that wanders. */
export function simulateFollowOrbit(actor: Actor, goal: FollowOrbit): void {
  const { recorder, learner, random } = actor;
  const first = (goal.path[0] as (typeof goal.path)[number]).view;
  const begin = anglesOf(first.orientation);
  turnTo(actor, begin.azimuth, begin.elevation, learner.corrections);
  actor.hand.react();
  recorder.grasp();
  const last = goal.path.at(-1)?.t ?? 1;
  const count = Math.min(400, Math.max(20, Math.round(last * 30)));
  // A slowly wandering miss: two slow waves, as large as the hand is unsteady.
  const wave = (): ((t: number) => number) => {
    const phase = [random.next(), random.next()].map((p) => p * 2 * Math.PI) as [number, number];
    const size = learner.noise * 0.35 * (1 + 0.3 * random.normal());
    return (t) => size * (exact.sin(1.1 * t + phase[0]) + 0.5 * exact.sin(2.7 * t + phase[1]));
  };
  const offRound = wave();
  const offUp = wave();
  let at = 0;
  for (let i = 1; i <= count; i++) {
    recorder.wait(last / count);
    const t = (last * i) / count;
    while (at < goal.path.length - 1 && (goal.path[at + 1]?.t ?? 0) <= t) at++;
    const wanted = anglesOf((goal.path[at] as (typeof goal.path)[number]).view.orientation);
    const now = anglesOf(recorder.scene().view.orientation);
    const dx = (-wrapAngle(wanted.azimuth + offRound(t) - now.azimuth) / Math.PI) * 1000;
    const dy = ((wanted.elevation + offUp(t) - now.elevation) / Math.PI) * 1000;
    recorder.command({ kind: 'orbit', dx, dy, mode: 'turntable', pivot: goal.pivot });
  }
  recorder.release();
}
