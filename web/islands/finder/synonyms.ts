/** What people call things that are called otherwise here: what a line is found by beside its own words. */
const SYNONYMS: readonly (readonly [words: RegExp, also: string])[] = [
  [/^Orbit|^Go round|^Go (higher|lower)/, 'rotate turn spin circle around'],
  [/^Pan|^Slide the eye/, 'move shift drag translate scroll'],
  [/^Zoom|^Closer|^Farther|^A little/, 'zoom magnify enlarge nearer bigger smaller'],
  [/^Roll|^Level/, 'tilt bank straighten upright horizon'],
  [/^Fit/, 'show all whole everything overview extents full view'],
  [/^Home/, 'start default beginning original view'],
  [/view$|^The opposite|^Look from/, 'standard side elevation plan orthographic flip'],
  [/^Isometric/, 'corner axonometric three quarter'],
  [/^Square on|^Nearest/, 'normal perpendicular straight face'],
  [/^Back a view|^Forward a view/, 'previous next undo redo view history'],
  [/^Perspective|^Projection|perspective$/, 'orthographic parallel camera lens field of view'],
  [/[Cc]ut/, 'section slice clip plane'],
  [/^Hide|^Isolate|^Show everything|glass/, 'visible invisible transparent see through only alone ghost'],
  [/^Pick/, 'select choose'],
  [/^Measure/, 'distance length dimension ruler'],
  [/^Stand|^Walk|^Look about/, 'inside first person enter'],
  [/^Grid/, 'ground lines raster'],
  [/^Nameplates|^Landmarks/, 'labels names tags'],
  [/^Loupe/, 'magnifier glass lens'],
  [/^Four views/, 'split quad panes'],
  [/^Drawing style|style$/, 'wireframe shaded edges display mode'],
];

export const synonymsOf = (words: string): string => SYNONYMS.flatMap(([found, also]) => (found.test(words) ? [also] : [])).join(' ');
