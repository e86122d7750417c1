import type { SchemeFamily } from '@core/input';

/** The families of schemes that progress is measured by, as people see them. */
export const FAMILY_WORDS: Record<SchemeFamily, string> = { mouse: 'Mouse', touch: 'Fingers or pen', keyboard: 'Keyboard', puck: '3D mouse' };
export const FAMILIES = Object.keys(FAMILY_WORDS) as SchemeFamily[];
