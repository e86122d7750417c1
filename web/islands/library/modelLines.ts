import { hasWords } from '@web/ui/hasWords';

/** A model as the library tells it. */
export interface ModelLine {
  readonly id: string;
  readonly name: string;
  readonly mine: boolean;
  readonly shared: boolean;
  /** Whether it is put away. */
  readonly away: boolean;
  readonly revision: number;
  /** Metres along x, y and z. */
  readonly size: readonly number[];
  readonly triangles: number;
  readonly parts: number;
}

export const WHOSE = { mine: 'yours', others: 'of others' } as const;
export const MODEL_ORDERS = { name: 'By name', size: 'Largest first', triangles: 'Most triangles first' } as const;

/** Which models are shown; an empty word filters nothing. */
export interface ModelsWanted {
  readonly words: string;
  readonly whose: keyof typeof WHOSE | '';
  readonly order: keyof typeof MODEL_ORDERS;
}

export const ALL_MODELS: ModelsWanted = { words: '', whose: '', order: 'name' };

/** The models that are wanted, in the order that is. */
export function modelsWanted(models: readonly ModelLine[], { words, whose, order }: ModelsWanted): ModelLine[] {
  const found = models.filter(({ name, mine }) => hasWords(name, words) && (whose === '' || mine === (whose === 'mine')));
  const byName = (a: ModelLine, b: ModelLine): number => a.name.localeCompare(b.name, 'en', { numeric: true });
  if (order === 'size') return found.sort((a, b) => Math.max(...b.size) - Math.max(...a.size) || byName(a, b));
  if (order === 'triangles') return found.sort((a, b) => b.triangles - a.triangles || byName(a, b));
  return found.sort(byName);
}
