import type { Scheme, ScoreCard, ScoredModel, Trace } from '@core';
import { meshOf } from '@server/meshes';
import { type OpenService, openService } from '@server/openService';
import { cardOf, traceOf } from '@server/repositories/attempts';
import { type ExerciseVersion, findVersion } from '@server/repositories/exercises';
import { findRevision } from '@server/repositories/models';
import { findScheme } from '@server/repositories/schemes';
import type { Service } from '@server/service';

export const base = (): string => process.env.E2E_BASE as string;

/** What the database holds, read beside the running application. */
export const openStored = (): OpenService => openService(process.env.E2E_DATABASE_URL as string, process.env.E2E_FILES as string);

export interface StoredAttempt {
  readonly id: string;
  readonly card: ScoreCard;
  readonly trace: Trace;
  readonly version: ExerciseVersion;
  readonly model: ScoredModel;
  readonly scheme: Scheme | null;
}

export async function storedAttempt(service: Service, id: string): Promise<StoredAttempt> {
  const row = await service.db('attempts').where({ id }).first();
  const [card, trace, version, revision] = await Promise.all([
    cardOf(service.db, id),
    traceOf(service.db, id),
    findVersion(service.db, row.exercise_id, row.version),
    findRevision(service.db, row.model_id, row.model_revision),
  ]);
  if (!card || !trace || !version || !revision) throw new Error(`attempt ${id} is not complete`);
  return {
    id,
    card,
    trace,
    version,
    model: { mesh: await meshOf(service, revision.meshHash), home: revision.home },
    scheme: await findScheme(service.db, trace.scheme.id, trace.scheme.revision),
  };
}

export async function exerciseNamed(service: Service, title: string): Promise<string> {
  const row = await service.db('exercise_versions').where({ title }).first('exercise_id');
  if (!row) throw new Error(`no exercise "${title}"`);
  return row.exercise_id;
}
