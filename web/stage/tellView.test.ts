import { initialScene, type Scene } from '@core/navigation';
import { orientationFrom, standardOrientation, type View } from '@core/view';
import { describe, expect, it } from 'vitest';
import { tellView } from './tellView';
import { practicePiece } from './trying/practicePiece';

const { prepared, home } = practicePiece();
const seen = (change: Partial<View>, more: Partial<Scene> = {}): Scene => ({ ...initialScene({ ...home, ...change }), ...more });
const from = (azimuth: number, elevation: number, roll = 0): Partial<View> => {
  const rad = (degrees: number): number => (degrees * Math.PI) / 180;
  return { orientation: orientationFrom({ azimuth: rad(azimuth), elevation: rad(elevation), roll: rad(roll) }) };
};
const told = (scene: Scene, standing = false): string => tellView(scene, prepared, standing, []);

describe('what the stage shows, in words', () => {
  it.each([
    [from(0, 0), 'Seen from the front; upright; perspective.'],
    [from(30, 20), 'Seen 30° from the front towards the right, 20° above; upright'],
    [from(-60, -10), 'Seen 30° from the left towards the front, 10° beneath'],
    [from(170, 0), 'Seen 10° from the rear towards the right'],
    [from(0, 0, 12), 'rolled by 12° anticlockwise'],
    [{ orientation: standardOrientation('top') }, 'Seen from straight above, with the front at the bottom'],
  ])('tells the direction %#', (view, words) => {
    expect(told(seen(view))).toContain(words);
  });

  it('standing inside it tells where one looks, not from where', () => {
    expect(told(seen(from(0, 10)), true)).toContain('Standing inside, looking towards the rear, 10° down');
  });

  it('tells how much of the frame is filled, and what is out of it', () => {
    expect(told(seen({}))).toMatch(/takes \d\d % of the frame’s height and \d\d % of its width, in the middle\./);
    expect(told(seen({ distance: home.distance / 2 }))).toMatch(/reaches beyond the .* edge\./);
    expect(told(seen({ target: [500, 0, 0] }))).toContain('Nothing of what is shown is in sight.');
  });

  it('tells of hidden parts and of the figures beside the stage', () => {
    const words = tellView(seen({}, { visibility: { Roof: 'hidden' } }), prepared, false, [{ label: 'Direction', shown: '12°' }]);
    expect(words).toContain('1 part is hidden');
    expect(words).toContain('Direction 12°.');
  });
});
