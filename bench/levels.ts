import { attemptsToReach, forecast, LEVEL, type LevelState, levelShown, randomFrom, updateLevel } from '@core';

const LEARNERS = 2000;
const scoreOf = (odds: number): number => Math.min(100, Math.max(0, 104 / (1 + Math.exp(-odds)) - 2));
const share = (held: number, of: number): string => `${Math.round((1000 * held) / of) / 10} % of ${of}`;

/** How often the 80 % interval of a level holds the true level of learners that follow the model; of real hands nobody knows it. */
function levelsHeld(attempts: number): string {
  const random = randomFrom(attempts);
  let held = 0;
  for (let learner = 0; learner < LEARNERS; learner++) {
    let truth = Math.sqrt(LEVEL.priorVariance) * random.normal();
    let state: LevelState | null = null;
    for (let day = 0; day < attempts; day++) {
      if (day > 0) truth += Math.sqrt(LEVEL.Q + LEVEL.perObservation) * random.normal();
      state = updateLevel(state, { score: scoreOf(truth + Math.sqrt(LEVEL.R) * random.normal()), at: day, difficulty: 0, helped: false });
    }
    const { low, high } = levelShown(state as LevelState, attempts - 1);
    if (low <= scoreOf(truth) && scoreOf(truth) <= high) held += 1;
  }
  return share(held, LEARNERS);
}

/** How often the 80 % interval of a forecast holds the true number, of learners who are not there yet and for whom one is told. */
function forecastsHeld(attempts: number, noise: number): string {
  const random = randomFrom(attempts);
  let made = 0;
  let held = 0;
  for (let learner = 0; learner < LEARNERS / 2; learner++) {
    const curve = { floor: 2 + 10 * random.next(), gain: 35 + 35 * random.next(), rate: 0.3 + 0.9 * random.next() };
    const points = Array.from({ length: attempts }, (_, i) => {
      const error = curve.floor + curve.gain * (i + 1) ** -curve.rate + noise * random.normal();
      return { n: i + 1, score: 100 - Math.min(100, Math.max(0, error)) };
    });
    const truth = attemptsToReach(curve, 20) - attempts;
    const told = truth > 0 ? forecast(points, 80, learner) : null;
    if (!told) continue;
    made += 1;
    if (told.low <= truth && truth <= told.high) held += 1;
  }
  return share(held, made);
}

/** Prints how honest levels and forecasts are. */
export function levelBenches(): void {
  process.stdout.write('\nIntervals of 80 %, how often they hold what is true (70 to 90 % wanted)\n');
  for (const attempts of [3, 6, 12, 30]) process.stdout.write(`  level after ${attempts} attempts: ${levelsHeld(attempts)}\n`);
  for (const [attempts, noise] of [
    [6, 3],
    [8, 6],
    [12, 6],
    [20, 9],
  ] as const)
    process.stdout.write(`  forecast after ${attempts} attempts that spread by ${noise} points: ${forecastsHeld(attempts, noise)}\n`);
}
