/** Every criterion: its words, the unit it is measured in, and how it is shown. Smaller is always better. */
export const CRITERIA = [
  { id: 'direction', label: 'Direction', unit: 'rad', shown: 'degrees' },
  { id: 'roll', label: 'Roll', unit: 'rad', shown: 'degrees' },
  { id: 'size', label: 'Size', unit: 'octaves', shown: 'octaves' },
  { id: 'placement', label: 'Placement', unit: 'frame heights', shown: 'percent' },
  { id: 'projection', label: 'Projection', unit: '0 or 1', shown: 'yesNo' },
  { id: 'overlap', label: 'Match of outline', unit: '1 - share', shown: 'match' },
  { id: 'visibility', label: 'What is shown', unit: 'share', shown: 'percent' },
  { id: 'margin', label: 'Margins', unit: 'frame units', shown: 'percent' },
  { id: 'fill', label: 'Fill', unit: 'frame units', shown: 'percent' },
  { id: 'clipped', label: 'Clipped', unit: 'share', shown: 'percent' },
  { id: 'hiddenShare', label: 'Hidden by others', unit: 'share', shown: 'percent' },
  { id: 'standardAngle', label: 'Standard view', unit: 'rad', shown: 'degrees' },
  { id: 'normalAngle', label: 'Square on', unit: 'rad', shown: 'degrees' },
  { id: 'callTime', label: 'Time a call', unit: 's', shown: 'seconds' },
  { id: 'wrongTurns', label: 'Wrong turns', unit: 'views', shown: 'count' },
  { id: 'orbitPath', label: 'Path', unit: 'rad', shown: 'degrees' },
  { id: 'orbitWorst', label: 'Farthest off', unit: 'rad', shown: 'degrees' },
  { id: 'orbitSweep', label: 'Sweep', unit: 'rad', shown: 'degrees' },
  { id: 'pivotDrift', label: 'Pivot drift', unit: 'frame heights', shown: 'percent' },
  { id: 'smoothness', label: 'Smoothness', unit: 'spectral arc', shown: 'number' },
  { id: 'sectionAngle', label: 'Angle of cut', unit: 'rad', shown: 'degrees' },
  { id: 'sectionOffset', label: 'Place of cut', unit: 'share of extent', shown: 'percent' },
  { id: 'sectionOverlap', label: 'Match of cut', unit: '1 - share', shown: 'match' },
  { id: 'sectionSide', label: 'Side kept', unit: '0 or 1', shown: 'yesNo' },
  { id: 'revealed', label: 'Revealed', unit: 'share', shown: 'match' },
  { id: 'detour', label: 'Detour', unit: 'ratio', shown: 'percent' },
  { id: 'time', label: 'Time', unit: 's', shown: 'seconds' },
  { id: 'gestures', label: 'Gestures', unit: 'gestures', shown: 'count' },
  { id: 'switches', label: 'Changes of gesture', unit: 'changes', shown: 'count' },
  { id: 'lostTime', label: 'Out of frame', unit: 's', shown: 'seconds' },
  { id: 'hints', label: 'Hints', unit: 'hints', shown: 'count' },
] as const;

export type CriterionId = (typeof CRITERIA)[number]['id'];
export const CRITERION_IDS = CRITERIA.map((entry) => entry.id) as [CriterionId, ...CriterionId[]];

export function criterionInfo(id: CriterionId): (typeof CRITERIA)[number] {
  return CRITERIA.find((entry) => entry.id === id) as (typeof CRITERIA)[number];
}
