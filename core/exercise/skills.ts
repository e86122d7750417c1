/** The sixteen skills, in the order in which they are taught. */
export const SKILLS = [
  { id: 'orbit', label: 'Orbit' },
  { id: 'pan', label: 'Pan' },
  { id: 'zoom', label: 'Zoom' },
  { id: 'recover', label: 'Recover' },
  { id: 'standardViews', label: 'Standard views' },
  { id: 'pivot', label: 'Pivot' },
  { id: 'framing', label: 'Framing' },
  { id: 'projection', label: 'Projection' },
  { id: 'seeThrough', label: 'See-through' },
  { id: 'section', label: 'Section' },
  { id: 'squareOn', label: 'Square on' },
  { id: 'stand', label: 'Stand' },
  { id: 'facing', label: 'Facing' },
  { id: 'savedViews', label: 'Saved views' },
  { id: 'measuring', label: 'Measuring' },
  { id: 'ownControls', label: 'Own controls' },
] as const;

export type SkillId = (typeof SKILLS)[number]['id'];
export const SKILL_IDS = SKILLS.map((skill) => skill.id) as [SkillId, ...SkillId[]];
export const skillLabel = (id: string): string => SKILLS.find((skill) => skill.id === id)?.label ?? id;
