import { exact, type Vec3 } from '../../math';
import { askedBox, fillOf, framingOf, type Margins } from '../../measures';
import { type Command, navigate } from '../../navigation';
import { FRAME, FRAME_ASPECT, project, type View } from '../../view';

const CONTEXT = { frame: FRAME };
/** A size and a slide change one another in perspective: so often both are mended. */
const ROUNDS = 14;
/** So near to what is asked it fits, frame heights. */
const FITS = 1e-5;

/** Slides and sizes that, after a fit, make points fill the room between the inner lines, in its middle. */
export function fitBetween(fitted: View, points: readonly Vec3[], margins: Margins): Command[] {
  const commands: Command[] = [];
  let at = fitted;
  const middle = [0, 1, 2].map((axis) => points.reduce((sum, p) => sum + (p[axis] as number) / points.length, 0)) as unknown as Vec3;
  for (let i = 0; i < ROUNDS; i++) {
    const framing = framingOf(at, points);
    if (!framing) break;
    const asked = askedBox(framing, margins);
    const right = (asked.u0 + asked.u1 - framing.box.u0 - framing.box.u1) / 2;
    const up = (asked.v0 + asked.v1 - framing.box.v0 - framing.box.v1) / 2;
    const fill = fillOf(framing, margins);
    if (!(fill > 0) || Math.abs(right) + Math.abs(up) + Math.abs(exact.log2(fill)) < FITS) break;
    const { depth } = project(at, middle, FRAME_ASPECT);
    const about = { u: (asked.u0 + asked.u1) / 2, v: (asked.v0 + asked.v1) / 2, depth };
    const mend: Command[] = [
      { kind: 'pan', dx: right * FRAME.height, dy: -up * FRAME.height, depth },
      { kind: 'zoom', factor: 1 / fill, at: about },
    ];
    for (const command of mend) at = navigate(at, command, CONTEXT);
    commands.push(...mend);
  }
  return commands;
}
