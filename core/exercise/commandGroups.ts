import type { CommandKind } from '../navigation/command';

/** Commands an author allows or forbids together. What is in no group (select, cancel, reset) is always allowed. */
export const COMMAND_GROUPS = {
  orbit: { label: 'Orbit and roll', kinds: ['orbit', 'turn', 'roll', 'level'] },
  panZoom: { label: 'Pan and zoom', kinds: ['pan', 'zoom', 'zoomRegion', 'dolly', 'centre', 'lookAt'] },
  recover: { label: 'Fit, home, back', kinds: ['fit', 'home', 'back', 'forward'] },
  standard: { label: 'Standard views', kinds: ['standard', 'opposite', 'snap', 'normalTo'] },
  projection: { label: 'Projection', kinds: ['projection', 'fieldOfView'] },
  section: { label: 'Section', kinds: ['section', 'shiftSection', 'flipSection'] },
  show: { label: 'Hide, glass, style', kinds: ['show', 'isolate', 'showAll', 'style'] },
  walk: { label: 'Look and walk', kinds: ['look', 'walk', 'rise'] },
} as const satisfies Record<string, { label: string; kinds: readonly CommandKind[] }>;

export type CommandGroupId = keyof typeof COMMAND_GROUPS;
export const COMMAND_GROUP_IDS = Object.keys(COMMAND_GROUPS) as [CommandGroupId, ...CommandGroupId[]];

/** Whether a command of this kind may be used where only `allowed` groups are. */
export function isAllowed(kind: CommandKind, allowed: readonly CommandGroupId[]): boolean {
  const groups = COMMAND_GROUP_IDS.filter((id) => (COMMAND_GROUPS[id].kinds as readonly string[]).includes(kind));
  return groups.length === 0 || groups.some((id) => allowed.includes(id));
}
