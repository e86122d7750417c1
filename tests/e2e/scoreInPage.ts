import { type Exercise, type Mesh, type Scheme, scoreAttempt, type Trace, type View } from '@core';

/** Scores an attempt in the page that this is run in; bundled by the test. */
export function score(
  exercise: Pick<Exercise, 'steps'>,
  mesh: { positions: number[]; indices: number[]; parts: Mesh['parts'] },
  home: View,
  trace: Trace,
  scheme: Scheme | null,
): string {
  return JSON.stringify(
    scoreAttempt(
      exercise,
      { mesh: { positions: new Float32Array(mesh.positions), indices: new Uint32Array(mesh.indices), parts: mesh.parts }, home },
      trace,
      scheme,
    ),
  );
}

declare global {
  var scoreInPage: typeof score;
}
globalThis.scoreInPage = score;
