import { framingOf } from '@core/measures';
import { shownPoints } from '@core/model';
import type { Scene } from '@core/navigation';
import { anglesOf, FRAME_ASPECT, wrapAngle } from '@core/view';
import type { Prepared } from './prepared';

/** A figure that is shown beside the stage, such as how close the view is. */
export interface ToldFigure {
  readonly label: string;
  readonly shown: string;
}

const SIDES = ['front', 'right', 'rear', 'left'] as const;
const QUARTER = Math.PI / 2;
/** Less than this, degrees, is not told. */
const NONE = 0.5;

const degrees = (angle: number): number => Math.abs((angle * 180) / Math.PI);
const whole = (angle: number): string => `${Math.round(degrees(angle))}°`;
const percent = (share: number): string => `${Math.round(share * 100)} %`;

/** "the front", or "30° from the front towards the right"; `azimuth`: radians, 0 is the front; `before`: stands before a side itself. */
function sideWords(azimuth: number, before = ''): string {
  const nearest = Math.round(azimuth / QUARTER);
  const beyond = wrapAngle(azimuth - nearest * QUARTER);
  const side = (n: number): string => SIDES[((n % 4) + 4) % 4] as string;
  if (degrees(beyond) < NONE) return `${before}the ${side(nearest)}`;
  return `${whole(beyond)} from the ${side(nearest)} towards the ${side(nearest + Math.sign(beyond))}`;
}

function directionWords({ view }: Scene, standing: boolean): string {
  const { azimuth, elevation, roll } = anglesOf(view.orientation);
  const up = Math.sign(elevation);
  const height = degrees(elevation) < NONE ? '' : `, ${whole(elevation)}`;
  const pole = degrees(Math.abs(elevation) - QUARTER) < NONE;
  const where = standing
    ? `Standing inside, looking towards ${sideWords(azimuth + Math.PI)}${height && `${height} ${up > 0 ? 'down' : 'up'}`}`
    : pole
      ? `Seen from straight ${up > 0 ? 'above' : 'beneath'}, with ${sideWords(azimuth)} at the bottom`
      : `Seen ${sideWords(azimuth, 'from ')}${height && `${height} ${up > 0 ? 'above' : 'beneath'}`}`;
  return `${where}; ${degrees(roll) < NONE ? 'upright' : `rolled by ${whole(roll)} ${roll > 0 ? 'anticlockwise' : 'clockwise'}`}; ${view.projection}.`;
}

function placeWords(scene: Scene, { mesh }: Prepared): string {
  const points = shownPoints(mesh, scene);
  if (points.length === 0) return 'No part is shown.';
  const framing = framingOf(scene.view, points);
  if (!framing) return 'The eye is among the parts.';
  const { u0, u1, v0, v1 } = framing.box;
  const [right, top] = [FRAME_ASPECT / 2, 0.5];
  if (u1 < -right || u0 > right || v1 < -top || v0 > top) return 'Nothing of what is shown is in sight.';
  const over = [u0 < -right && 'left', u1 > right && 'right', v1 > top && 'upper', v0 < -top && 'lower'].filter(Boolean);
  const size = `What is shown takes ${percent(v1 - v0)} of the frame’s height and ${percent((u1 - u0) / FRAME_ASPECT)} of its width`;
  if (over.length > 0) return `${size}, and reaches beyond the ${over.join(' and the ')} edge.`;
  const aside = Math.abs(u0 + u1) / 2 > 0.05 ? (u0 + u1 > 0 ? 'to the right' : 'to the left') : '';
  const high = Math.abs(v0 + v1) / 2 > 0.05 ? (v0 + v1 > 0 ? 'above' : 'beneath') : '';
  return `${size}, ${aside || high ? `${[high, aside].filter(Boolean).join(' and ')} ${aside ? 'of ' : ''}the middle` : 'in the middle'}.`;
}

/** What the stage shows, in words, for who does not see it: from where, how large, what is cut or hidden, and the figures beside it. */
export function tellView(scene: Scene, prepared: Prepared, standing: boolean, figures: readonly ToldFigure[]): string {
  const changed = Object.values(scene.visibility).filter((state) => state !== 'shown').length;
  return [
    directionWords(scene, standing),
    placeWords(scene, prepared),
    scene.section ? 'It is cut.' : '',
    changed > 0 ? `${changed} ${changed === 1 ? 'part is' : 'parts are'} hidden or seen through.` : '',
    figures.length > 0 ? `${figures.map(({ label, shown }) => `${label} ${shown}`).join(', ')}.` : '',
  ]
    .filter(Boolean)
    .join(' ');
}
