import { median } from '../math';
import { advice } from './advice';
import type { CriterionSpec } from './criterion';

const missed: CriterionSpec = {
  label: 'Not found',
  unit: 'share',
  display: 'percent',
  of: 'of what is sought',
  how: 'The share of what is sought that was not picked where the screen showed it.',
  tolerance: { full: 0, zero: 1 },
  live: false,
  rank: 42,
  measure(m) {
    const finds = m.finds()?.finds;
    return finds ? finds.filter(({ t }) => t === null).length / Math.max(1, finds.length) : null;
  },
  advise(m) {
    const names = (m.finds()?.finds ?? []).filter(({ t }) => t === null).map(({ item }) => item.name);
    return names.length === 0 ? advice('asAsked', {}) : advice('notFound', { names });
  },
};

const itemTime: CriterionSpec = {
  label: 'Time to find',
  unit: 's',
  display: 'seconds',
  how: 'The median time from one find to the next, the first from the first movement; what was not found does not count.',
  tolerance: { full: 15, zero: 90 },
  live: false,
  rank: 62,
  tellsNothing: true,
  measure(m) {
    const seconds = (m.finds()?.finds ?? []).flatMap((find) => find.seconds ?? []);
    return seconds.length === 0 ? null : median(seconds);
  },
  advise(m, value) {
    if (value === null) return advice('notMeasured', {});
    const slowest = [...(m.finds()?.finds ?? [])].sort((a, b) => (b.seconds ?? 0) - (a.seconds ?? 0))[0];
    return slowest?.seconds != null ? advice('slowFind', { name: slowest.item.name, seconds: slowest.seconds }) : advice('notMeasured', {});
  },
};

const wrongPicks: CriterionSpec = {
  label: 'Wrong picks',
  unit: 'number',
  display: 'count',
  how: 'Picks at which nothing was that was asked for and still to be found; or measurements of something else than what was asked, more than 1 % off.',
  tolerance: { full: 0, zero: 6 },
  live: false,
  rank: 45,
  measure: (m) => (m.finds() ?? m.measurements())?.wrong.length ?? null,
  advise: (_, value) => (value ? advice('wrongPicks', { count: value }) : advice('asAsked', {})),
};

/** What was found of the things that are sought. */
export const FIND_CRITERIA = { missed, itemTime, wrongPicks } as const;
