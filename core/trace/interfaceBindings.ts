import { type CommandKind, commandTable } from '../navigation';

/** What is done on the screen rather than by the scheme, and the commands that each can give. A trace names them as bindings of the device `interface`. */
export const INTERFACE_BINDINGS = {
  dial: ['standard', 'opposite', 'level', 'turn', 'roll', 'look', 'snap', 'cancel'],
  'eye rule': ['rise', 'cancel'],
  'cut arrow': ['shiftSection', 'section', 'cancel'],
  'saved view': ['projection', 'fieldOfView', 'centre', 'standard', 'turn', 'roll', 'zoom', 'section', 'showAll', 'show', 'style'],
  wake: ['back', 'forward'],
  panel: ['select', 'show', 'isolate', 'showAll', 'fit', 'centre', 'normalTo', 'section', 'shiftSection', 'flipSection', 'home', 'back', 'style', 'projection'],
  'four views': ['fit'],
  'fit between the lines': ['fit', 'pan', 'zoom'],
  stand: ['projection', 'fieldOfView', 'level', 'zoom', 'walk', 'rise'],
  // A word of the near hand may be any command.
  'near hand': Object.keys(commandTable) as CommandKind[],
} as const satisfies Record<string, readonly CommandKind[]>;

export type InterfaceBinding = keyof typeof INTERFACE_BINDINGS;

/** The gesture of something done on the screen. */
export const byInterface = (id: number, binding: InterfaceBinding): { id: number; device: 'interface'; binding: InterfaceBinding } => ({
  id,
  device: 'interface',
  binding,
});

/** Kinds of command that the screen gives to everybody, whatever their scheme. */
export function kindsOnScreen(): CommandKind[] {
  const { 'near hand': _, ...shown } = INTERFACE_BINDINGS;
  return Object.values(shown).flat();
}
