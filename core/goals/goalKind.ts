import type { z } from 'zod';
import type { Call, QuickCall } from '../criteria';
import type { Criterion } from '../criteria/criterionSchema';
import type { CommandGroupId } from '../exercise/commandGroups';
import type { SkillId } from '../exercise/skills';
import type { PlacedItem } from '../geometry';
import type { ScoredModel } from '../model';
import type { Command, CommandKind, Scene } from '../navigation';
import type { InterfaceBinding, MoveGesture, PickMade, TraceEvent } from '../trace';
import type { GoalAim } from './goalAim';

/** A criterion that a goal can be judged by, as it is added: `standard` ones are there from the beginning. */
export interface CriterionChoice extends Criterion {
  readonly standard: boolean;
}

/** What makes a step impossible or unfair, and the field to mend it at, from the step on; `allowed` is the exercise's own. */
export interface Fault {
  readonly message: string;
  readonly field: 'goal' | 'criteria' | 'allowed' | 'start';
}

/** What the exercise round a goal says. */
export interface Rules {
  readonly allowed: readonly CommandGroupId[];
  readonly start: Scene;
  readonly skill: SkillId;
  /** Kinds of command that the schemes of the exercise have gestures for; null: not all of its schemes are known. */
  readonly given: ReadonlySet<CommandKind> | null;
}

/**
 * One kind of goal. `G`: its data as an author makes it; `R`: what a trainee's browser may hold while the target is hidden,
 * parsed by a strict schema of its own, on which task and panel run.
 */
export interface GoalKind<G extends { readonly kind: string }, R extends { readonly kind: string }> extends GoalAim<G> {
  readonly id: G['kind'];
  readonly label: string;
  /** What it asks of a trainee, in a sentence. */
  readonly says: string;
  /** The main skill of a step that is new. */
  readonly skill: SkillId;
  readonly schema: z.ZodType<G>;
  readonly redactedSchema: z.ZodType<R>;
  /** What a new step begins with. */
  create(scene: Scene): G;
  /** What it can be judged by, with default tolerances and weights. */
  criteria(goal: G): readonly CriterionChoice[];
  /** All parts that it names. */
  partsNamed(goal: G): readonly string[];
  faults(goal: G, rules: Rules, model: ScoredModel): readonly Fault[];
  /** What may be unfair or not meant, though it can be published. */
  doubts?(goal: G, rules: Rules, model: ScoredModel): readonly Fault[];
  /** What is found out about a goal when it is published and kept with it, and taken away again to compare it with a draft. */
  readonly settled?: { add(goal: G, model: ScoredModel): G; drop(goal: G): G };
  /** What a trainee's browser may hold while the target is hidden: nothing of where it is. */
  redact(goal: G, start: Scene): R;
}

/** What a step asks for at this moment, beside its brief. */
export type Prompt =
  | {
      readonly code: 'call';
      readonly call: AskedCall;
      readonly number: number;
      readonly count: number;
      /** Kinds of command that would give it at once. */
      readonly wants: readonly CommandKind[];
    }
  | {
      readonly code: 'quick';
      /** What is called now; null: it waits for the learner to be ready. */
      readonly call: QuickCall | null;
      readonly number: number;
      readonly count: number;
      /** What became of the call before. */
      readonly before: 'right' | 'wrong' | 'late' | null;
      readonly wants: readonly CommandKind[];
    }
  | { readonly code: 'allCalled' }
  /** From where is this view seen? `shown`: false while it waits for the learner to be ready. */
  | { readonly code: 'way'; readonly number: number; readonly count: number; readonly shown: boolean; readonly wants: readonly CommandKind[] }
  | { readonly code: 'allAnswered' }
  /** Values to measure: ids of those that were. */
  | { readonly code: 'measure'; readonly measured: readonly string[]; readonly count: number; readonly wants: readonly CommandKind[] }
  | {
      readonly code: 'find';
      /** Ids of what was found, as far as a browser may know. */
      readonly found: readonly string[];
      readonly count: number;
      /** What became of the last pick. `noted`: only the server knows. */
      readonly last: { readonly how: 'found' | 'noted'; readonly name: string } | { readonly how: 'wrong'; readonly part: string } | null;
      readonly wants: readonly CommandKind[];
    }
  /** Of a line to follow: what comes next. `ring`: its start; `square`: its end; `there`: both were reached. */
  | { readonly code: 'line'; readonly next: 'ring' | 'square' | 'there' };

/** A call as it is asked: of a face that is kept secret only the name. */
export type AskedCall = Exclude<Call, { kind: 'face' }> | { readonly kind: 'face'; readonly name: string };

/** What a task writes into the attempt; the step and the moment are added by who runs it. */
export type TaskEvent =
  | { readonly kind: 'shown'; readonly call: number }
  | { readonly kind: 'pick'; readonly u: number; readonly v: number }
  | ({ readonly kind: 'measure' } & Measurement)
  | { readonly kind: 'answer'; readonly call: number; readonly azimuth?: number; readonly elevation?: number };

/** What was picked to measure something that is asked, by its id. */
export interface Measurement {
  readonly ask: string;
  readonly a: PickMade;
  readonly b?: PickMade;
}

/** A direction to the eye, radians. */
export interface Way {
  readonly azimuth: number;
  readonly elevation: number;
}

export interface TaskInput {
  /** Seconds from opening. */
  readonly t: number;
  /** The scene at this moment. */
  readonly scene: Scene;
  /** What has just been done, or was written down. With neither, only time has passed. */
  readonly command?: Command;
  /** The gesture that the command belongs to. */
  readonly gesture?: MoveGesture | undefined;
  readonly event?: TraceEvent;
  /** The learner says that this is it. */
  readonly confirm?: true;
  /** The learner answers from where the present view is seen. */
  readonly answer?: Way;
  /** The learner has measured something that is asked. */
  readonly measured?: Measurement;
}

export interface TaskStep<S> {
  readonly state: S;
  readonly events: readonly TaskEvent[];
  readonly prompt: Prompt | null;
  /** Whether all that is asked in between was tried: nothing was, as long as nothing was done. */
  readonly done: boolean;
  /** When time alone may change something, seconds from opening; null: only an input does. */
  readonly again: number | null;
}

/** Commands that one command stands for in a step. */
export interface Meant {
  readonly commands: readonly Command[];
  readonly binding: InterfaceBinding;
}

/** What a goal asks for in the course of a step: pure, so that the stage, the simulated hand and the server run the same. */
export interface GoalTask<R, S> {
  begin(goal: R, seed: number): S;
  next(goal: R, state: S, input: TaskInput): TaskStep<S>;
  /** What a command stands for in this step, and as what it is then recorded; null, or left out: for itself. */
  meant?(goal: R, command: Command, scene: Scene, model: ScoredModel): Meant | null;
  /** Whether each of its steps begins in a scene of its own: `ownStarts.ts` makes it. */
  readonly ownStart?: true;
  /** Whether the stage stands still in its steps: nothing that moves or changes the scene is done. */
  readonly still?: true;
  /** Objects that stand on the stage beside the model's own parts. */
  placed?(goal: R): readonly PlacedItem[];
}
