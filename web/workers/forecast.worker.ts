import { fitLearningCurve, forecast } from '@core/progress';
import { expose } from 'comlink';

/** Draws a learning curve on: hundreds of fits, which a page should not wait for. */
const api = {
  /** Scores of attempts at one exercise with one family of schemes, oldest first. */
  drawnOn(scores: readonly number[], threshold: number) {
    const points = scores.map((score, i) => ({ n: i + 1, score }));
    const told = forecast(points, threshold, scores.length);
    const { floor, gain, rate } = fitLearningCurve(points.map(({ n, score }) => ({ n, t: 100 - score })));
    return told && { ...told, curve: points.map(({ n }) => 100 - floor - gain * n ** -rate) };
  },
};
export type ForecastWorker = typeof api;
expose(api);
