import { BUILT_IN_SCHEMES, TWO_BUTTON_MOUSE } from '@core';
import { advice } from '@core/criteria';
import { orientationFrom } from '@core/view';
import { CallsTable } from '@web/goals/callView/CardDetail';
import { OrbitChart } from '@web/goals/followOrbit/CardDetail';
import { SectionChart } from '@web/goals/SectionChart';
import { LiveAdvice, LiveBars } from '@web/islands/practise/LiveHelp';
import { StepList } from '@web/islands/practise/StepList';
import { ViewDial } from '@web/stage/dial/ViewDial';
import { PartTree } from '@web/stage/panels/PartTree';
import { Wake } from '@web/stage/Wake';
import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { Bar } from './Bar';
import { Flashes } from './Flashes';
import { wordsOfExercise } from './markdown';
import { SchemeCard } from './SchemeCard';

const text = (markup: string): string =>
  markup
    .replace(/<[^>]+>/g, ' ')
    .replace(/&nbsp;/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();
const labels = (markup: string): string[] => [...markup.matchAll(/aria-label="([^"]*)"/g)].map((m) => m[1] as string);

describe('bars and flashes', () => {
  it.each([
    [1, 'good', 'bg-sea'],
    [0.6, 'nearly', 'bg-amber'],
    [0.1, 'not yet', 'hatch'],
  ])('a bar of %d says %s by word and by shape', (points, words, style) => {
    const markup = renderToStaticMarkup(<Bar label="Direction" shown="15.0°" points={points} />);
    expect(labels(markup)).toEqual([`Direction: 15.0°, ${words}`]);
    expect(markup).toContain(style);
  });

  it('a bar without points still shows that it is there', () => {
    expect(renderToStaticMarkup(<Bar label="Roll" shown="180°" points={0} />)).toContain('width:2%');
  });

  it('flashes are three lamps with their count in words', () => {
    const markup = renderToStaticMarkup(<Flashes count={2} />);
    expect(labels(markup)).toEqual(['2 of 3 flashes']);
    expect(markup.match(/<circle/g)).toHaveLength(3);
    expect(markup.match(/<path/g)).toHaveLength(2);
  });
});

describe('the scheme card', () => {
  it.each(BUILT_IN_SCHEMES.map((s) => [s.name, s] as const))('of %s shows every binding', (_name, scheme) => {
    const markup = renderToStaticMarkup(<SchemeCard scheme={scheme} />);
    expect(markup.match(/<li/g)).toHaveLength(scheme.bindings.length);
    expect(text(markup)).toContain(scheme.about.slice(0, 20));
  });

  it('says what the hand does and what comes of it', () => {
    const shown = text(renderToStaticMarkup(<SchemeCard scheme={TWO_BUTTON_MOUSE} />));
    for (const row of [
      'Orbit left drag',
      'Pan: slide the view right drag',
      'Zoom into a rectangle; drawn leftwards, out of it Shift + left drag',
      'Fit all E',
      'Go round to the left by 15° left arrow',
    ])
      expect(shown).toContain(row);
  });
});

describe('the view dial', () => {
  const view = (azimuth: number, elevation: number, roll = 0) => ({
    target: [0, 0, 0] as const,
    orientation: orientationFrom({ azimuth, elevation, roll }),
    distance: 1,
    projection: 'perspective' as const,
    fovY: 1,
  });

  it('tells azimuth, height and roll in degrees', () => {
    const markup = renderToStaticMarkup(<ViewDial scheme={TWO_BUTTON_MOUSE} view={view(Math.PI / 4, -Math.PI / 6, Math.PI / 18)} onCommand={() => {}} />);
    expect([...markup.matchAll(/value="([^"]+)"/g)].map((m) => m[1])).toEqual(['45.0°', '-30.0°', '10.0°']);
    expect(labels(markup)).toContain('Looking from 45.0° round, -30.0° height, 10.0° roll');
  });

  it('puts the front at the bottom and the right side at the right', () => {
    const dot = (azimuth: number): { x: number; y: number } => {
      const circles = [
        ...renderToStaticMarkup(<ViewDial scheme={TWO_BUTTON_MOUSE} view={view(azimuth, 0)} onCommand={() => {}} />).matchAll(
          /<circle cx="([\d.]+)" cy="([\d.]+)" r="7"/g,
        ),
      ];
      const last = circles.at(-1);
      return { x: Number(last?.[1]), y: Number(last?.[2]) };
    };
    expect(dot(0)).toEqual({ x: 120, y: 204 });
    expect(dot(Math.PI / 2).x).toBeCloseTo(204, 6);
    expect(dot(Math.PI).y).toBeCloseTo(36, 6);
    expect(dot(-Math.PI / 2).x).toBeCloseTo(36, 6);
  });

  it('has a named button for each mark, and none where standard views are not allowed', () => {
    const markup = renderToStaticMarkup(<ViewDial scheme={TWO_BUTTON_MOUSE} view={view(0, 0)} onCommand={() => {}} />);
    for (const name of ['Look from the front', 'Look from the rear left', 'Look from the top', 'At eye level', 'Level: no roll', 'The opposite of this'])
      expect(labels(markup)).toContain(name);
    // The 26 standard views, each once.
    expect(new Set(labels(markup).filter((label) => label.startsWith('Look from')))).toHaveLength(26);
    expect(renderToStaticMarkup(<ViewDial scheme={TWO_BUTTON_MOUSE} view={view(0, 0)} onCommand={() => {}} enabled={false} />)).not.toContain('role="button"');
  });

  it('shows the target as a hollow mark only when there is one', () => {
    expect(renderToStaticMarkup(<ViewDial scheme={TWO_BUTTON_MOUSE} view={view(0, 0)} target={view(1, 0.2)} onCommand={() => {}} />)).toContain(
      '--color-amber',
    );
    expect(renderToStaticMarkup(<ViewDial scheme={TWO_BUTTON_MOUSE} view={view(0, 0)} onCommand={() => {}} />)).not.toContain('--color-amber');
  });

  it('shows no negative zero', () => {
    expect(text(renderToStaticMarkup(<ViewDial scheme={TWO_BUTTON_MOUSE} view={view(-1e-6, -1e-6)} onCommand={() => {}} />))).not.toContain('-0.0');
  });
});

describe('the wake', () => {
  const view = { target: [0, 0, 0] as const, orientation: [0, 0, 0, 1] as const, distance: 1, projection: 'perspective' as const, fovY: 1 };
  const fixes = (n: number) => Array.from({ length: n }, (_, i) => ({ view: { ...view, distance: i + 1 }, label: `fix ${i}` }));

  it('names each fix, marks the present one and lets the others be pressed', () => {
    const markup = renderToStaticMarkup(<Wake scheme={TWO_BUTTON_MOUSE} fixes={fixes(3)} at={1} pictureOf={null} onGo={() => {}} enabled />);
    expect(labels(markup)).toEqual(expect.arrayContaining(['Go back to fix 0, view 1', 'Here: fix 1', 'Go back to fix 2, view 3']));
    expect(markup.match(/disabled=""/g)).toHaveLength(1);
  });

  it('shows the newest few of a long attempt', () => {
    const markup = renderToStaticMarkup(<Wake scheme={TWO_BUTTON_MOUSE} fixes={fixes(40)} at={39} pictureOf={null} onGo={() => {}} enabled />);
    expect(markup.match(/Go back to|Here:/g)).toHaveLength(9);
    expect(markup).toContain('Here: fix 39');
    expect(markup).toContain('31 earlier views');
  });

  it('cannot be pressed where going back is not allowed', () => {
    expect(
      renderToStaticMarkup(<Wake scheme={TWO_BUTTON_MOUSE} fixes={fixes(2)} at={1} pictureOf={null} onGo={() => {}} enabled={false} />).match(/disabled=""/g),
    ).toHaveLength(2);
  });
});

describe('practise and its card', () => {
  it('steps: done, present and to come', () => {
    const ids = ['a', 'b', 'c'];
    const words = wordsOfExercise({ brief: '', steps: ids.map((id) => ({ brief: `Do ${id}`, hints: [] })) });
    const markup = renderToStaticMarkup(<StepList steps={ids.map((id) => ({ id }))} words={words} at={1} />);
    expect(text(markup)).toBe('✓ Do a 2 Do b 3 Do c');
    expect(markup.match(/aria-current="step"/g)).toHaveLength(1);
  });

  it('live help says the worst first, a hint in its place, and that all is right', () => {
    const result = { id: 'direction', label: 'Direction', shown: '29°', weight: 1, points: 0.5 };
    const first = advice('goRound', { right: 0.5, higher: 0 });
    const closeness = { results: Array.from({ length: 7 }, () => result), first, mendedBy: [] };
    const nothingAsked = { prompt: null, done: true };
    const told = (of: Partial<Parameters<typeof LiveAdvice>[0]>): string =>
      text(
        renderToStaticMarkup(
          <LiveAdvice closeness={closeness} hint={null} asked={nothingAsked} standing={false} end="Hand in" scheme={TWO_BUTTON_MOUSE} {...of} />,
        ),
      );
    expect(told({})).toBe('Go 29° round to the right: drag left.');
    expect(told({ hint: '<p>Look <em>left</em>.</p>' })).toBe('Look left .');
    const right = { results: [result], first: null, mendedBy: [] };
    expect(told({ closeness: right, end: 'Done' })).toBe('All as asked: press Done.');
    // What has not been tried is not as asked; where one view tells nothing, nothing is said to be right.
    expect(told({ closeness: right, asked: { prompt: null, done: false } })).toBe('');
    expect(told({ closeness: { results: [], first: null, mendedBy: [] } })).toBe('');
    const line = (next: 'ring' | 'square' | 'there', done: boolean): string =>
      told({ closeness: { results: [], first: null, mendedBy: [] }, asked: { prompt: { code: 'line', next }, done } });
    expect(line('ring', false)).toMatch(/^Begin at the ring/);
    expect(line('square', false)).toMatch(/to the square/);
    expect(line('there', true)).toBe('At the square: press Hand in.');
    // Who is to look about stands inside first.
    const about = { results: [result], first: advice('lookAbout', { left: -1.7, up: 0 }), mendedBy: [] };
    expect(told({ closeness: about })).toBe('Stand inside first: press Y.');
    expect(told({ closeness: about, standing: true })).toBe('Look 97° to the right: drag left.');
    const called = { prompt: { code: 'allCalled' }, done: true } as const;
    expect(told({ closeness: { results: [], first: null, mendedBy: [] }, asked: called })).toBe('All calls are answered: press Hand in.');
    expect(renderToStaticMarkup(<LiveBars closeness={closeness} />).match(/role="group"/g)).toHaveLength(5);
    expect(renderToStaticMarkup(<LiveBars closeness={null} />)).not.toContain('closeness');
  });

  it('calls: how far off and how long, or that they were not answered', () => {
    const calls = [
      { number: 0, call: { kind: 'standard' as const, name: 'top-front' as const }, error: Math.PI / 60, seconds: 2.34, wrongTurns: 1 },
      { number: 1, call: { kind: 'opposite' as const }, error: Math.PI, seconds: null, wrongTurns: 0 },
    ];
    const shown = text(renderToStaticMarkup(<CallsTable calls={calls} />));
    expect(shown).toContain('the top front 3.0° 2.3 s 1');
    expect(shown).toContain('the opposite of this not answered – 0');
  });

  it('the orbit chart draws both ways at one scale and marks the worst place', () => {
    const path = Array.from({ length: 64 }, (_, i) => ({ azimuth: i / 63, elevation: 0.1 }));
    const reference = path.map((p) => ({ ...p, elevation: 0 }));
    const markup = renderToStaticMarkup(<OrbitChart detail={{ kind: 'orbit', path, reference, pairs: path.map((_, i) => [i, i] as const), worst: 10 }} />);
    const ends = [...markup.matchAll(/d="M([\d.]+) ([\d.]+).*?L([\d.]+) ([\d.]+)"/g)].map((m) => m.slice(1).map(Number));
    const [line, mine] = ends as [number[], number[]];
    const across = (line[2] as number) - (line[0] as number);
    const up = (line[1] as number) - (mine[1] as number);
    // 0.1 rad up is a tenth of 1 rad across.
    expect(up / across).toBeCloseTo(0.1, 2);
    expect(markup).toContain('--color-signal');
  });

  it('the section chart lays both cuts over each other with their areas', () => {
    const square = (size: number) => [
      {
        closed: true,
        points: [
          [0, 0],
          [size, 0],
          [size, size],
          [0, size],
        ] as [number, number][],
      },
    ];
    const shown = text(
      renderToStaticMarkup(<SectionChart detail={{ kind: 'section', mine: square(0.1), target: square(0.2), mineArea: 0.01, targetArea: 0.04 }} />),
    );
    expect(shown).toContain('target 400 cm²');
    expect(shown).toContain('yours 100 cm²');
    expect(renderToStaticMarkup(<SectionChart detail={{ kind: 'section', mine: [], target: [], mineArea: 0, targetArea: 0 }} />)).toBe('');
  });

  it('the part tree nests parts and marks what is picked', () => {
    const part = (id: string, parent: string | null) => ({ id, name: id.split('/').at(-1) ?? id, start: 0, count: 3, parent });
    const markup = renderToStaticMarkup(
      <PartTree parts={[part('a', null), part('a/b', 'a'), part('a/b/c', 'a/b'), part('d', null)]} picked={['a/b/c']} onPick={() => {}} />,
    );
    expect(text(markup)).toBe('a b c d');
    expect(markup.match(/<details/g)).toHaveLength(2);
    expect(markup.match(/aria-pressed="true"/g)).toHaveLength(1);
  });
});

describe('the scheme card', () => {
  it('has every gesture once under its heading, and what the scheme says of itself', () => {
    const markup = renderToStaticMarkup(<SchemeCard scheme={TWO_BUTTON_MOUSE} />);
    expect(markup.match(/<li/g)).toHaveLength(TWO_BUTTON_MOUSE.bindings.length);
    expect(text(markup)).toContain(TWO_BUTTON_MOUSE.about);
    const way = markup.slice(markup.indexOf('aria-label="Way back"'));
    expect(text(way.slice(0, way.indexOf('</section>')))).toMatch(/Fit all.*Home.*Back a view/);
  });

  it('leaves out headings that a scheme has nothing for', () => {
    const few = { ...TWO_BUTTON_MOUSE, bindings: TWO_BUTTON_MOUSE.bindings.slice(0, 2) };
    expect([...renderToStaticMarkup(<SchemeCard scheme={few} />).matchAll(/<section aria-label="([^"]+)"/g)].map((m) => m[1])).toEqual([
      'Round it',
      'Along and closer',
    ]);
  });
});
