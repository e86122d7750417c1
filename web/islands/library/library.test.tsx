import type { LandmarkSeen } from '@server/services/landmarks';
import { pickOf } from '@web/stage/panels/PartsPanel';
import { renderToStaticMarkup } from 'react-dom/server';
import { expect, it } from 'vitest';
import { LandmarksPanel } from './LandmarksPanel';

const lid: LandmarkSeen = { id: 'a', name: 'Sloped lid', kind: 'face', part: 'drive/lid', point: [0, 0, 1], normal: [0, 0, 1] };
const panel = (selection: Parameters<typeof LandmarksPanel>[0]['selection'], landmarks: readonly LandmarkSeen[] = [lid]): string =>
  renderToStaticMarkup(
    <LandmarksPanel modelId="m" parts={[]} landmarks={landmarks} removed={null} selection={selection} onChanged={() => {}} onPick={() => {}} />,
  );

it('landmarks are listed with their names to change, to show and to remove', () => {
  const markup = panel({ parts: [] });
  expect(markup).toContain('aria-label="Name of Sloped lid"');
  expect(markup).toContain('aria-label="Show Sloped lid"');
  expect(markup).toContain('aria-label="Remove Sloped lid"');
  expect(markup).toContain('Pick a place on the stage to name it.');
  expect(markup).not.toContain('Mark</button>');
});

it('a place that was picked can be named as its part, its face or its point; a part of the tree has no place', () => {
  const picked = panel({ parts: ['drive/case/door'], point: [0, 0, 0], normal: [0, -1, 0] });
  expect(picked).toContain('<strong class="text-ink">door</strong>');
  for (const kind of ['the part', 'the face', 'the point']) expect(picked).toContain(kind);
  expect(panel({ parts: ['drive/case/door'] })).toContain('Click the place on the stage itself');
});

it('picking a landmark picks its place, so that one can turn about it and look squarely at it; of a part only the part', () => {
  expect(pickOf(lid)).toEqual({ kind: 'select', parts: ['drive/lid'], point: [0, 0, 1], normal: [0, 0, 1] });
  expect(pickOf({ ...lid, kind: 'part' })).toEqual({ kind: 'select', parts: ['drive/lid'] });
});
