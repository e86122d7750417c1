import { advice } from './advice';
import type { CriterionSpec } from './criterion';

const valueError: CriterionSpec = {
  label: 'Values',
  unit: 'share',
  display: 'percent',
  of: 'off what they should be',
  how: 'The mean over what is asked of how far the measured value is from the true one, as a share of it and at most 1; what was not measured counts 1.',
  tolerance: { full: 0.005, zero: 1 },
  live: false,
  rank: 41,
  measure(m) {
    const results = m.measurements()?.results ?? [];
    return results.length === 0 ? null : results.reduce((sum, { error }) => sum + error, 0) / results.length;
  },
  advise(m) {
    const results = m.measurements()?.results ?? [];
    const missing = results.filter(({ scene }) => scene === null);
    if (missing.length > 0) return advice('notMeasuredYet', { names: missing.map(({ ask }) => ask.name) });
    const worst = [...results].sort((a, b) => b.error - a.error)[0];
    if (!worst || worst.error < 1e-6) return advice('asAsked', {});
    return advice('wrongValue', { name: worst.ask.name, what: worst.ask.what, value: worst.value, expected: worst.expected });
  },
};

/** What was measured. */
export const MEASURE_CRITERIA = { valueError } as const;
