import type { Step, TraineeExercise } from '@core/exercise';
import type { Mesh } from '@core/geometry';
import type { ScoredModel } from '@core/model';
import { judgedAt, type Moment, momentsOf, type Sample, sampleTimes } from '@core/review';
import { gatherEvidence } from '@core/scoring';
import type { Trace } from '@core/trace';
import type { View } from '@core/view';
import { expose } from 'comlink';

/** What the criteria of a step came to at moments of it, as far as they are computed. */
export interface JudgedSamples {
  readonly step: number;
  readonly samples: readonly { readonly [id: string]: Sample }[];
}

/** So long is worked before what is done is sent, ms. */
const PIECE = 150;
/** A step whose pictures take long is not judged longer than this, ms: the curve is then coarser. */
const LONGEST = 20_000;

let work: {
  readonly model: ScoredModel;
  readonly steps: TraineeExercise['steps'];
  readonly trace: Trace;
  readonly evidence: ReturnType<typeof gatherEvidence>;
} | null = null;

/** Looks through an attempt: what takes long, beside the page. */
const api = {
  open(mesh: Mesh, home: View, steps: TraineeExercise['steps'], trace: Trace): void {
    const model = { mesh, home };
    work = { model, steps, trace, evidence: gatherEvidence(steps, model, trace) };
  },
  /** What is worth a look. `known`: whether the goals may be. */
  moments: (known: boolean): Moment[] => (work ? momentsOf(work.steps, work.model, work.trace, known, work.evidence) : []),
  /** How close the attempt was over time, in pieces, the ends first; only where the goals are known. */
  curves(onPiece: (piece: JudgedSamples) => void): void {
    if (!work) return;
    const { model, steps, evidence: all } = work;
    all.forEach((evidence, step) => {
      if (!evidence) return;
      const begun = performance.now();
      let sent = begun;
      let piece: JudgedSamples['samples'][number][] = [];
      for (const t of sampleTimes(evidence)) {
        piece.push(judgedAt(steps[step] as Step, model, evidence, t) as JudgedSamples['samples'][number]);
        const now = performance.now();
        if (now - sent > PIECE) {
          onPiece({ step, samples: piece });
          piece = [];
          sent = now;
        }
        if (now - begun > LONGEST) break;
      }
      if (piece.length > 0) onPiece({ step, samples: piece });
    });
  },
};
export type ReviewWorker = typeof api;
expose(api);
