import { BUILT_IN_SCHEMES, TWO_BUTTON_MOUSE } from '@core/input';
import { innerBox } from '@core/measures';
import { contextFor } from '@core/model';
import { apply } from '@core/navigation';
import { minimumJerkPath } from '@core/simulation';
import { crate, start } from '@core/tests/practice';
import { SectionArrow } from '@web/stage/marks/SectionArrow';
import { SectionPanel } from '@web/stage/panels/SectionPanel';
import { PuckPanel } from '@web/stage/puck/PuckPanel';
import { createRecorder } from '@web/stage/recorder';
import { makeCaps } from '@web/workers/makeCaps';
import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { OrbitLine } from './followOrbit/Overlay';
import { InnerLines } from './frameIt/Overlay';

const session = () => createRecorder({ start, context: contextFor(crate, start), allowed: ['section'] });
const text = (markup: string): string =>
  markup
    .replace(/<[^>]+>/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();

describe('the line to follow', () => {
  const path = minimumJerkPath(start.view, start.view.target, [{ round: 1, higher: 0.2, seconds: 2 }], contextFor(crate));
  const goal = { kind: 'followOrbit' as const, pivot: start.view.target, path };
  const startMark = (view: typeof start.view): { x: number; y: number } => {
    const found = renderToStaticMarkup(<OrbitLine goal={goal} view={view} />).match(/<g opacity="[\d.]+"><circle cx="([-\d.e]+)" cy="([-\d.e]+)"/);
    return { x: Number(found?.[1]), y: Number(found?.[2]) };
  };

  it('its start lies under the eye when one looks from there, and away from it from elsewhere', () => {
    const here = startMark(start.view);
    expect(Math.hypot(here.x, here.y)).toBeLessThan(1e-6);
    const moved = apply(start, { kind: 'turn', axis: 'left', angle: 0.8 }, contextFor(crate));
    // One went to the left: the start now lies to the right.
    expect(startMark(moved.view).x).toBeGreaterThan(0.1);
  });

  it('says start in words, and draws what is behind paler', () => {
    expect(text(renderToStaticMarkup(<OrbitLine goal={goal} view={start.view} />))).toBe('start');
    const behind = apply(start, { kind: 'opposite' }, contextFor(crate));
    expect(renderToStaticMarkup(<OrbitLine goal={goal} view={behind.view} />)).toContain('opacity="0.5"');
  });
});

describe('inner lines', () => {
  const margins = { left: 0.1, right: 0.2, top: 0.25, bottom: 0.05 };
  it('leave what the margins say, in frame heights', () => {
    expect(innerBox(margins)).toEqual({ u0: expect.closeTo(-0.64), u1: expect.closeTo(0.48), v0: expect.closeTo(-0.45), v1: expect.closeTo(0.25) });
    const markup = renderToStaticMarkup(<InnerLines margins={margins} />);
    expect(markup).toContain(`height="${0.25 + 0.45}"`);
    expect(markup).not.toContain('data-side');
  });

  it('can be dragged where they are built', () => {
    const markup = renderToStaticMarkup(<InnerLines margins={margins} onChange={() => {}} />);
    expect([...markup.matchAll(/data-side="(\w+)"/g)].map((m) => m[1])).toEqual(['left', 'right', 'top', 'bottom']);
  });
});

describe('the cut', () => {
  it('has an arrow and figures only while there is one', () => {
    const s = session();
    expect(renderToStaticMarkup(<SectionArrow session={s} view={start.view} mesh={crate.mesh} />)).toBe('');
    expect(renderToStaticMarkup(<SectionPanel scheme={TWO_BUTTON_MOUSE} scene={s.getState().scene} mesh={crate.mesh} caps={null} onCommand={() => {}} />)).toBe(
      '',
    );
    const cut = apply(start, { kind: 'section', plane: { normal: [0, 0, 1], offset: 0.4 } }, contextFor(crate));
    const other = createRecorder({ start: cut, context: contextFor(crate, cut), allowed: ['section'] });
    const arrow = renderToStaticMarkup(<SectionArrow session={other} view={start.view} mesh={crate.mesh} />);
    const line = arrow
      .match(/x1="([-\d.e]+)" y1="([-\d.e]+)" x2="([-\d.e]+)" y2="([-\d.e]+)"/)
      ?.slice(1)
      .map(Number) as [number, number, number, number];
    // The normal points up in the world and the view is nearly level: the arrow points up the screen.
    expect(line[3]).toBeLessThan(line[1] - 0.1);
    const caps = makeCaps(crate.mesh, { normal: [0, 0, 1], offset: 0.4 }, [0, 1, 2]);
    const panel = text(renderToStaticMarkup(<SectionPanel scheme={TWO_BUTTON_MOUSE} scene={cut} mesh={crate.mesh} caps={caps} onCommand={() => {}} />));
    // The crate is 2 m by 1.2 m there; the knob begins higher.
    expect(panel).toMatch(/The cut Distance mm.*Flip Take away Area 2\.4 m² , outline 6\.4 m/);
  });
});

it('the puck panel has three pads with names and its two buttons', () => {
  const scheme = BUILT_IN_SCHEMES.find((s) => s.family === 'puck');
  if (!scheme) throw new Error('a puck scheme');
  const markup = renderToStaticMarkup(<PuckPanel listener={{ axes: () => {}, button: () => {}, rest: () => {} }} scheme={scheme} onMoves={() => {}} />);
  expect([...markup.matchAll(/aria-label="([^"]+: [^"]+)"/g)].map((m) => m[1]?.split(':')[0])).toEqual(['Slide and push', 'Twist and tilt', 'Lift and lean']);
  expect(markup.match(/aria-valuetext="at rest"/g)).toHaveLength(3);
  expect(text(markup)).toContain('Button 1: fit all');
});

it('a button of the puck says what the scheme makes of it', () => {
  const listener = { axes: () => {}, button: () => {}, rest: () => {} };
  const markup = text(renderToStaticMarkup(<PuckPanel listener={listener} scheme={TWO_BUTTON_MOUSE} />));
  expect(markup).toContain('Button 1: nothing');
  expect(markup).toContain('Play a script');
});
