import { flatHull } from '../../geometry';
import { askedBox, framingOf } from '../../measures';
import { subjectOf } from '../../model';
import { FRAME_ASPECT, project } from '../../view';
import { type MakeDetail, NO_DETAIL } from '../detail';
import type { FrameIt } from './kind';

/** The subject's outline and box, and the box that is asked. */
export const frameItDetail: MakeDetail<FrameIt> = ({ subject, margins }, { after }, { mesh }) => {
  const points = subjectOf(mesh, subject);
  const framing = framingOf(after.view, points);
  if (!framing) return NO_DETAIL;
  const seen = points.map((point) => project(after.view, point, FRAME_ASPECT));
  const outline = flatHull(seen).flatMap((i) => (seen[i] ? [[seen[i].u, seen[i].v] as const] : []));
  return { kind: 'frame', outline, box: framing.box, asked: askedBox(framing, margins), margins };
};
