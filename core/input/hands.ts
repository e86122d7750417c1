import type { MoveGesture } from '../trace';
import type { Trigger } from './schemeSchema';

/** What a command can be given with, whatever the scheme calls it. */
export const HANDS = ['keys', 'drag', 'wheel', 'click', 'fingers', 'puck', 'screen'] as const;
export type Hand = (typeof HANDS)[number];

/** "By keys", "By the screen: dial and panels" */
export const HAND_WORDS: Record<Hand, string> = {
  keys: 'keys',
  drag: 'drags',
  wheel: 'the wheel',
  click: 'clicks',
  fingers: 'fingers',
  puck: 'the 3D mouse',
  screen: 'the screen: dial, panels and words',
};

const OF_TRIGGER: Record<Trigger['kind'], Hand> = {
  key: 'keys',
  held: 'keys',
  drag: 'drag',
  click: 'click',
  wheel: 'wheel',
  scroll: 'fingers',
  pinch: 'fingers',
  touch: 'fingers',
  axes: 'puck',
  puckButton: 'puck',
};

/** What answers a trigger of a scheme. */
export const handOfTrigger = ({ kind }: Trigger): Hand => OF_TRIGGER[kind];

/** What a gesture of a trace was made with: told by its device and, of a pointer, by the name of its binding (`bindingName`). */
export function handOf({ device, binding }: MoveGesture): Hand {
  switch (device) {
    case 'keyboard':
      return 'keys';
    case 'puck':
      return 'puck';
    case 'touch':
      return 'fingers';
    case 'dial':
    case 'interface':
      return 'screen';
    default: {
      if (binding.endsWith('wheel')) return 'wheel';
      if (binding.endsWith(' click')) return 'click';
      return binding.endsWith(' drag') ? 'drag' : 'fingers';
    }
  }
}
