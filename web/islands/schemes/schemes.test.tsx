import { KEYBOARD_ALONE, PEN, type Scheme, SIX_AXIS_PUCK, TOUCH_SCREEN, TWO_BUTTON_MOUSE } from '@core/input';
import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { CapturePad } from './CapturePad';
import { keyCaptured, wheelCaptured } from './capture';
import { OptionsForm } from './OptionsForm';
import { SchemeEditor } from './SchemeEditor';

const text = (markup: string): string =>
  markup
    .replace(/<[^>]+>/g, ' ')
    .replace(/\s+/g, ' ')
    .replaceAll('&#x27;', "'");
const nothing = (): void => {};
const no = { shiftKey: false, ctrlKey: false, altKey: false };

describe('the options of a scheme', () => {
  const shown = (scheme: Scheme): string => renderToStaticMarkup(<OptionsForm scheme={scheme} disabled={false} onChange={nothing} />);

  it('say what is set: how it orbits, what it turns about, how keys go', () => {
    const markup = shown(KEYBOARD_ALONE);
    expect(markup).toContain('<option value="gathers" selected="">gathers speed</option>');
    expect(markup).toContain('<option value="picked" selected="">the point picked last</option>');
    expect(shown(TWO_BUTTON_MOUSE)).toContain('<option value="keeps" selected="">keeps its rate</option>');
    expect(shown({ ...TWO_BUTTON_MOUSE, options: { ...TWO_BUTTON_MOUSE.options, orbit: 'trackball' } })).toContain(
      '<option value="trackball" selected="">free',
    );
  });

  it('of a 3D mouse are there where there is one: six gains, dead zone, curve, which axes count', () => {
    const words = text(shown(SIX_AXIS_PUCK));
    for (const axis of ['slide', 'push', 'lift', 'tilt', 'lean', 'twist']) expect(words).toContain(`Gain of ${axis}`);
    expect(words).toMatch(/Dead zone.*Curve/);
    expect(words).toContain('only the one pushed farthest');
    expect(text(shown(TWO_BUTTON_MOUSE))).not.toContain('Gain of');
  });

  it('offer the words of the near hand where the scheme has one, and mark those it holds', () => {
    const markup = shown(TWO_BUTTON_MOUSE);
    expect(text(markup)).toContain('Words of the near hand (8 of 12)');
    expect(markup.match(/aria-pressed="true"/g)).toHaveLength(8);
    expect(text(shown(KEYBOARD_ALONE))).not.toContain('near hand');
  });
});

describe('showing a gesture', () => {
  it('a key with what is held; a key that is only held for others is none yet', () => {
    expect(keyCaptured({ code: 'KeyB', ...no, shiftKey: true })).toEqual({ trigger: { kind: 'key', code: 'KeyB' }, modifiers: ['shift'] });
    expect(keyCaptured({ code: 'ShiftLeft', ...no })).toBeNull();
    expect(keyCaptured({ code: '', ...no })).toBeNull();
  });

  it('a wheel clicks in large steps straight up, two fingers slide finely or aslant, and spread with a control key nobody holds', () => {
    const rolled = (deltaX: number, deltaY: number, change: object = {}) => wheelCaptured({ deltaX, deltaY, deltaMode: 0, ...no, ...change }).trigger.kind;
    expect(rolled(0, 100)).toBe('wheel');
    expect(rolled(0, 3, { deltaMode: 1 })).toBe('wheel');
    expect(rolled(0, 4)).toBe('scroll');
    expect(rolled(12, 80)).toBe('scroll');
    expect(rolled(0, 4, { ctrlKey: true })).toBe('pinch');
  });

  const pad = (scheme: Scheme, action: Parameters<typeof CapturePad>[0]['action']): string =>
    renderToStaticMarkup(<CapturePad words="Orbit" action={action} device={scheme.device} now={null} onCaptured={nothing} onCancel={nothing} />);
  const options = (markup: string): string[] => [...markup.matchAll(/<option[^>]*>([^<]+)</g)].map((m) => m[1] as string).slice(1);

  it('can be done by choosing: what the device can make for the action, and nothing else', () => {
    expect(options(pad(TOUCH_SCREEN, { kind: 'move', does: 'orbit' }))).toEqual(['one finger', 'two fingers', 'three fingers']);
    expect(options(pad(PEN, { kind: 'move', does: 'pan' }))).toEqual(['left drag', 'right drag', 'one finger', 'two fingers']);
    expect(options(pad(SIX_AXIS_PUCK, { kind: 'command', command: { kind: 'home' } }))).toContain('puck button 3');
    expect(pad(KEYBOARD_ALONE, { kind: 'command', command: { kind: 'home' } })).not.toContain('Or choose');
  });
});

describe('the editor', () => {
  it('says what is in the way at both rows with what mends it, and what a click waits for', () => {
    const pan = TWO_BUTTON_MOUSE.bindings.findIndex((b) => b.command.kind === 'move' && b.command.does === 'pan');
    const twice = {
      ...TWO_BUTTON_MOUSE,
      bindings: TWO_BUTTON_MOUSE.bindings.map((b, i) => (i === pan ? { ...b, trigger: { kind: 'drag' as const, button: 'left' as const } } : b)),
    };
    const words = text(renderToStaticMarkup(<SchemeEditor scheme={twice} onChange={nothing} />));
    expect(words).toContain('1 pair in each other’s way');
    expect(words.match(/left drag is set twice/g)).toHaveLength(2);
    expect(words).toContain('Give this another Clear the other');
    expect(words).toContain('It acts when the button is let go');
    expect(text(renderToStaticMarkup(<SchemeEditor scheme={TWO_BUTTON_MOUSE} onChange={nothing} />))).toContain('none in another’s way');
  });

  it('says what the device cannot make', () => {
    const without = {
      ...TWO_BUTTON_MOUSE,
      bindings: TWO_BUTTON_MOUSE.bindings.map((b, i) => (i === 0 ? { ...b, trigger: { kind: 'drag' as const, button: 'middle' as const } } : b)),
    };
    expect(text(renderToStaticMarkup(<SchemeEditor scheme={without} onChange={nothing} />))).toContain('This device cannot give “middle drag”');
  });
});
