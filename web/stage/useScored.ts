import type { ScoredModel } from '@core/model';
import type { View } from '@core/view';
import { useMemo } from 'react';
import type { Prepared } from './prepared';

/** What scoring and replay need of a model that a page draws; null before it is loaded. */
export const useScored = (prepared: Prepared | null, home: View): ScoredModel | null =>
  useMemo(() => prepared && { mesh: prepared.mesh, home }, [prepared, home]);
