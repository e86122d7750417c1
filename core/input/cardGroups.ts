import type { CommandKind } from '../navigation';
import { commandKindsOf } from './commandKindsOf';
import type { Binding } from './schemeSchema';

/** Headings of a scheme card, in the order in which skills are taught. */
export const CARD_GROUPS = [
  'Round it',
  'Along and closer',
  'Way back',
  'Square views',
  'Picking and seeing through',
  'The cut',
  'Aids',
  'Standing inside',
] as const;
export type CardGroup = (typeof CARD_GROUPS)[number];

const GROUPS: Partial<Record<CommandKind, CardGroup>> = {
  orbit: 'Round it',
  turn: 'Round it',
  roll: 'Round it',
  level: 'Square views',
  standard: 'Square views',
  opposite: 'Square views',
  snap: 'Square views',
  normalTo: 'Square views',
  projection: 'Square views',
  fieldOfView: 'Square views',
  fit: 'Way back',
  home: 'Way back',
  back: 'Way back',
  forward: 'Way back',
  reset: 'Way back',
  select: 'Picking and seeing through',
  show: 'Picking and seeing through',
  isolate: 'Picking and seeing through',
  showAll: 'Picking and seeing through',
  style: 'Picking and seeing through',
  section: 'The cut',
  shiftSection: 'The cut',
  flipSection: 'The cut',
  look: 'Standing inside',
  walk: 'Standing inside',
  rise: 'Standing inside',
};

/** The heading under which a binding stands on the card. */
export function cardGroupOf(binding: Pick<Binding, 'command' | 'context'>): CardGroup {
  if (binding.context === 'standing') return 'Standing inside';
  if (binding.command.kind === 'aid') return 'Aids';
  if (binding.command.kind === 'atPointer' && binding.command.does === 'stand') return 'Standing inside';
  return GROUPS[commandKindsOf(binding)[0] ?? 'pan'] ?? 'Along and closer';
}
