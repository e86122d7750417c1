import type { CommandKind } from '../navigation';
import type { Binding } from './schemeSchema';

const MOVE_KINDS = { sixAxes: ['orbit', 'pan', 'zoom', 'roll'], fingers: ['pan', 'zoom', 'roll'], boxTouching: ['select'], boxInside: ['select'] } as const;
const POINTER_KINDS = { approach: ['zoom'], selectMore: ['select'], stand: ['level', 'walk', 'rise'] } as const;
const STEADY_KINDS = { zoom: 'zoom', forward: 'walk', slide: 'walk', rise: 'rise', turn: 'look' } as const;

/** Commands that a binding can give. */
export function commandKindsOf(binding: Pick<Binding, 'command'>): readonly CommandKind[] {
  const { command } = binding;
  switch (command.kind) {
    case 'command':
      return [command.command.kind];
    case 'move':
      return command.does in MOVE_KINDS ? MOVE_KINDS[command.does as keyof typeof MOVE_KINDS] : [command.does as CommandKind];
    case 'atPointer':
      return command.does in POINTER_KINDS ? POINTER_KINDS[command.does as keyof typeof POINTER_KINDS] : [command.does as CommandKind];
    case 'steady':
      return [STEADY_KINDS[command.does]];
    case 'selection':
      return [command.does === 'isolate' ? 'isolate' : 'show'];
    case 'toggle':
      return [command.does];
    case 'aid':
      return [];
  }
}
