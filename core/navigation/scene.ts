import type { z } from 'zod';
import type { View } from '../view';
import type { keptSceneSchema, sceneSchema } from './sceneSchema';

export type Scene = z.infer<typeof sceneSchema>;
export type KeptScene = z.infer<typeof keptSceneSchema>;

/** What of a scene is seen, without selection and history. */
export const keptOf = ({ view, section, visibility, style }: Scene): KeptScene => ({ view, section, visibility, style });

export const EMPTY_HISTORY: Scene['history'] = { past: [], future: [], gesture: null, stash: [] };

/** A scene with everything shown, nothing cut, nothing selected. */
export function initialScene(view: View): Scene {
  return { view, section: null, visibility: {}, style: 'shadedEdges', selection: { parts: [] }, history: EMPTY_HISTORY };
}

/** A part and its parent, as far as visibility needs them. */
export interface PartLink {
  readonly id: string;
  readonly parent: string | null;
}

/**
 * What each part shows as, in the order given: its own state, but hidden under a hidden parent and glass under a
 * glass one. Parents may come before or after their children.
 */
export function effectiveVisibility(parts: readonly PartLink[], visibility: Scene['visibility']): ('shown' | 'hidden' | 'glass')[] {
  const byId = new Map(parts.map((part, i) => [part.id, i]));
  const found: ('shown' | 'hidden' | 'glass' | undefined)[] = new Array(parts.length);
  const stateOf = (i: number, depth: number): 'shown' | 'hidden' | 'glass' => {
    const known = found[i];
    if (known) return known;
    const part = parts[i] as PartLink;
    const own = visibility[part.id] ?? 'shown';
    const above = part.parent === null || depth > parts.length ? undefined : byId.get(part.parent);
    const parent = above === undefined ? 'shown' : stateOf(above, depth + 1);
    const state = parent === 'hidden' || own === 'hidden' ? 'hidden' : parent === 'glass' || own === 'glass' ? 'glass' : 'shown';
    found[i] = state;
    return state;
  };
  return parts.map((_, i) => stateOf(i, 0));
}
