/** The 26 standard views: faces, edges, corners; vertical first, then front or rear, then left or right. */
export const STANDARD_NAMES = [
  'front',
  'rear',
  'left',
  'right',
  'top',
  'bottom',
  'top-front',
  'top-rear',
  'top-left',
  'top-right',
  'bottom-front',
  'bottom-rear',
  'bottom-left',
  'bottom-right',
  'front-left',
  'front-right',
  'rear-left',
  'rear-right',
  'top-front-left',
  'top-front-right',
  'top-rear-left',
  'top-rear-right',
  'bottom-front-left',
  'bottom-front-right',
  'bottom-rear-left',
  'bottom-rear-right',
] as const;

export type StandardName = (typeof STANDARD_NAMES)[number];

/** A view's name as it is read: "top front left". */
export const viewWords = (name: string): string => name.replaceAll('-', ' ');
