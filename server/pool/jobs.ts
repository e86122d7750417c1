import { gzipSync } from 'node:zlib';
import {
  applyNaming,
  boxOf,
  checkTrace,
  defaultHome,
  detailsOf,
  draftSchema,
  drawPicture,
  type Exercise,
  examineExercise,
  gainOf,
  gathered,
  looksFirst,
  lossOf,
  type Naming,
  namingFault,
  partIdsIn,
  reachFaults,
  referencesSchema,
  type Scene,
  type Scheme,
  type ScoreCard,
  type ScoredModel,
  type StepDetail,
  scoreAttempt,
  settled,
  startFor,
  startValues,
  stepsOn,
  type Trace,
  traceSchema,
  type Unlikely,
  unlikeAHand,
  type View,
} from '@core';
import { AS_IT_IS, decodeMesh, encodeMesh, FormatError, type NamedBytes, type Placement, placeMesh, readModel } from '@formats';
import { hashSync, verifySync } from '@node-rs/argon2';
import { LRUCache } from 'lru-cache';
import { PNG } from 'pngjs';
import { z } from 'zod';
import { invalid, ServiceError, shapeRefused } from '../errors';
import { sha256 } from '../ids';
import { parseSent } from '../json';
import { readModelForm } from './modelForm';
import { type MeshBytes, sharedMesh } from './sharedMesh';

/** An exercise, with the name of its version where it is published: what is computed of it once is then kept by that name. */
export interface NamedContent {
  readonly content: Exercise;
  readonly version?: string;
}

/** Contents of published versions, which never change: pictures of their targets are kept with them. */
const contents = new LRUCache<string, Exercise>({ max: 100 });

function sameContent({ content, version }: NamedContent): Exercise {
  if (version === undefined) return content;
  const known = contents.get(version);
  if (known) return known;
  contents.set(version, content);
  return content;
}

/** What an attempt is scored against; all of it is known before its trace is read. */
export interface ScoreInput extends NamedContent {
  /** The trace as it was sent: JSON, not yet looked at. */
  readonly body: Uint8Array;
  readonly mesh: MeshBytes;
  readonly home: View;
  readonly scheme: Scheme | null;
  /** Seconds between opening and handing in, null where nobody looked. */
  readonly elapsed: number | null;
  /** What the trace must say of itself; left out for an author's own try. */
  readonly opened?: Pick<Trace, 'exercise' | 'model' | 'scheme' | 'seed'>;
}

export interface Scored {
  /** The card as JSON, as it is kept. */
  readonly card: string;
  /** The parsed trace, compressed, as it is kept. */
  readonly trace: Uint8Array;
  readonly facts: Pick<ScoreCard, 'score' | 'flashes' | 'seconds' | 'gestures' | 'slips'> & {
    readonly steps: readonly { readonly skill: string; readonly score: number; readonly seconds: number | null }[];
    readonly criteria: readonly {
      readonly step: number;
      readonly criterion: string;
      readonly value: number | null;
      /** How far off the view was where the step began, for ways in which a view is off; null: for other criteria, or not known. */
      readonly start: number | null;
      readonly points: number;
      readonly lost: number;
    }[];
    /** Hints that were taken. */
    readonly hints: number;
    readonly unlikely: readonly Unlikely[];
    /** When the attempt ended by its own clock, seconds from opening. */
    readonly end: number;
  };
}

const scoredModel = (mesh: MeshBytes, home: View): ScoredModel => ({ mesh: sharedMesh(mesh), home });

/** Parses a trace, checks it, replays and scores it. */
function score(input: ScoreInput): Scored {
  const trace = traceSchema.parse(parseSent(input.body));
  const { opened } = input;
  const content = sameContent(input);
  const same =
    !opened ||
    (trace.exercise.id === opened.exercise.id &&
      trace.exercise.version === opened.exercise.version &&
      trace.model.id === opened.model.id &&
      trace.model.revision === opened.model.revision &&
      trace.scheme.id === opened.scheme.id &&
      trace.scheme.revision === opened.scheme.revision &&
      trace.seed === opened.seed);
  if (!same) throw new ServiceError(422, 'refused-exercise', 'The attempt is of another exercise, model or scheme than was opened.', 'trace');
  const model = scoredModel(input.mesh, input.home);
  const refusal = checkTrace(trace, {
    start: startFor(content, trace.seed),
    allowed: content.allowed,
    partIds: partIdsIn(content.steps, model.mesh),
    steps: content.steps.length,
    looks: new Set(content.steps.flatMap((step, i) => (looksFirst(step) ? [i] : []))),
    elapsed: input.elapsed,
  });
  if (refusal) throw new ServiceError(422, `refused-${refusal.code}`, refusal.message, 'trace');
  const replay = gathered(content.steps, model, trace);
  const card = scoreAttempt(content, model, trace, input.scheme, replay);
  const starts = startValues(content.steps, model, replay);
  const { flashes, seconds, gestures, slips } = card;
  const { toGain } = gainOf(card.steps.flatMap((step) => step.criteria));
  return {
    card: JSON.stringify(card),
    trace: gzipSync(JSON.stringify(trace)),
    facts: {
      score: card.score,
      flashes,
      seconds,
      gestures,
      ...(slips ? { slips } : {}),
      steps: card.steps.map((step) => ({ skill: step.skill, score: step.score, seconds: step.seconds })),
      criteria: card.steps.flatMap((step, i) =>
        step.criteria.map((judged) => ({
          step: i,
          criterion: judged.id,
          value: judged.value,
          start: starts[i]?.get(judged.id) ?? null,
          points: judged.points,
          lost: toGain > 0 ? lossOf(judged) / toGain : 0,
        })),
      ),
      hints: trace.events.filter(({ kind }) => kind === 'hint').length,
      unlikely: unlikeAHand(trace, content.steps.length, input.scheme),
      end: trace.end,
    },
  };
}

/** What the pictures of the differences are drawn from; `trace`: JSON as it was kept, uncompressed. */
function details(input: NamedContent & { readonly trace: Uint8Array; readonly mesh: MeshBytes; readonly home: View }): StepDetail[] {
  return detailsOf(sameContent(input), scoredModel(input.mesh, input.home), traceSchema.parse(parseSent(input.trace)));
}

/** Whether an exercise can be published on its model, what its author should know, and the exercise as it is then published. */
function examine(input: { readonly content: Exercise; readonly mesh: MeshBytes; readonly home: View }): ReturnType<typeof examineExercise> & {
  readonly settled: Exercise;
} {
  const model = scoredModel(input.mesh, input.home);
  const examined = examineExercise(input.content, model);
  const found = examined.faults.length > 0 ? examined : { ...examined, faults: reachFaults(input.content, model) };
  return { ...found, settled: found.faults.length > 0 ? input.content : settled(stepsOn(input.content), model) };
}

/** An author's own try, taken apart: the draft, and the trace as it has to be given to `score`. */
function openTry({ body }: { readonly body: Uint8Array }): { content: Exercise; scheme: Trace['scheme'] | null; trace: Uint8Array } {
  const sent = parseSent(body) as { content?: unknown; trace?: { scheme?: unknown } } | null;
  const content = draftSchema.parse(sent?.content);
  const scheme = referencesSchema.shape.scheme.safeParse(sent?.trace?.scheme);
  return { content, scheme: scheme.success ? scheme.data : null, trace: new TextEncoder().encode(JSON.stringify(sent?.trace ?? null)) };
}

/** A model to read: a form as it was sent, or its fields. */
export type ModelInput =
  | { readonly form: Uint8Array; readonly type: string }
  | { readonly name?: string; readonly files: readonly NamedBytes[]; readonly placement?: Placement | undefined; readonly home?: View | undefined };

export interface ReadModel {
  readonly name: string;
  readonly file: string;
  readonly mesh: Uint8Array;
  readonly hash: string;
  readonly parts: readonly string[];
  readonly triangles: number;
  readonly size: [number, number, number];
  readonly home: View;
  readonly placement: Placement;
  readonly offset: readonly number[];
  readonly warnings: readonly string[];
}

/** Reads, checks and places a model, and finds its home view. */
async function model(input: ModelInput): Promise<ReadModel> {
  const { name = '', files, placement = AS_IT_IS, home } = 'form' in input ? await readModelForm(input.form, input.type) : input;
  const main = files.find((file) => /\.(glb|gltf)$/i.test(file.name)) ?? files[0];
  if (!main) throw invalid('Choose a .glb file, or a .gltf file together with its .bin files.', 'files');
  const read = await readModel(
    main,
    files.filter((file) => file !== main),
  );
  const { mesh, offset } = placeMesh(read.mesh, placement);
  const box = boxOf(mesh);
  if (!box) throw invalid('The model holds no triangles.', 'files');
  const size: [number, number, number] = [box.max[0] - box.min[0], box.max[1] - box.min[1], box.max[2] - box.min[2]];
  if (Math.max(...size) < 1e-4) throw invalid('The model is smaller than a tenth of a millimetre: choose a larger unit.', 'placement');
  if (Math.max(...size) > 1e5) throw invalid('The model is larger than 100 km: choose a smaller unit.', 'placement');
  const bytes = encodeMesh(mesh);
  return {
    name,
    file: main.name.slice(0, 200),
    mesh: bytes,
    hash: sha256(bytes),
    parts: mesh.parts.map((part) => part.id),
    triangles: mesh.indices.length / 3,
    size,
    home: home ?? defaultHome(mesh),
    placement,
    offset,
    warnings: read.warnings,
  };
}

/** A mesh with its parts called and merged as they are wanted; `strict`: what does not fit is refused rather than left out. */
function nameParts({
  mesh,
  naming,
  strict,
}: {
  readonly mesh: MeshBytes | Uint8Array;
  readonly naming: Naming;
  readonly strict: boolean;
}): Pick<ReadModel, 'mesh' | 'hash' | 'parts'> {
  const before = decodeMesh(mesh instanceof Uint8Array ? mesh : new Uint8Array(mesh.buffer));
  const fault = strict ? namingFault(before.parts, naming) : null;
  if (fault) throw invalid(fault, 'parts');
  const named = applyNaming(before, naming);
  const bytes = encodeMesh(named);
  return { mesh: bytes, hash: sha256(bytes), parts: named.parts.map((part) => part.id) };
}

/** A PNG of a scene. */
function picture({
  mesh,
  scene,
  width,
  height,
}: {
  readonly mesh: MeshBytes;
  readonly scene: Scene;
  readonly width: number;
  readonly height: number;
}): Uint8Array {
  const png = new PNG({ width, height });
  png.data = Buffer.from(drawPicture(sharedMesh(mesh), scene, width, height));
  return new Uint8Array(PNG.sync.write(png));
}

/** argon2id with 19 MiB and two passes (OWASP's first recommendation). */
const hashPassword = ({ password }: { readonly password: string }): string => hashSync(password, { memoryCost: 19_456, timeCost: 2, parallelism: 1 });

function verifyPassword({ hash, password }: { readonly hash: string; readonly password: string }): boolean {
  try {
    return verifySync(hash, password);
  } catch {
    return false;
  }
}

/** Keeps a thread busy; for the tests of the pool's own limits. */
function spin({ ms, bytes = 0 }: { readonly ms: number; readonly bytes?: number }): number {
  const kept: number[][] = [];
  const until = performance.now() + ms;
  while (performance.now() < until) if (bytes > 0) kept.push(new Array<number>(bytes / 8).fill(1.5));
  return kept.length;
}

/** Everything that is too heavy for the thread that answers. */
export const jobs = { score, details, examine, openTry, model, nameParts, picture, hashPassword, verifyPassword, spin };

export type Jobs = typeof jobs;
export type JobName = keyof Jobs;
export type JobInput<K extends JobName> = Parameters<Jobs[K]>[0];
export type JobResult<K extends JobName> = Awaited<ReturnType<Jobs[K]>>;

/** What a job gives back, or why it refused: errors with codes do not survive the way between threads. */
export type Outcome =
  | { readonly ok: true; readonly value: unknown }
  | { readonly ok: false; readonly status: number; readonly code: string; readonly message: string; readonly field: string | undefined };

export function refusalOf(error: unknown): Extract<Outcome, { ok: false }> | null {
  if (error instanceof ServiceError) return { ok: false, status: error.status, code: error.code, message: error.message, field: error.field };
  if (error instanceof z.ZodError) return refusalOf(shapeRefused(error));
  if (error instanceof FormatError) return { ok: false, status: 422, code: 'invalid', message: error.message, field: 'files' };
  return null;
}
