import type { Landmark, TraineeExercise } from '@core/exercise';
import type { Mesh, Part } from '@core/geometry';
import type { Goal, Prompt, RedactedGoal, Way } from '@core/goals';
import type { Vec3 } from '@core/math';
import type { Scene } from '@core/navigation';
import type { StepDetail } from '@core/scoring';
import type { View } from '@core/view';
import type { AskedValue } from '@web/stage/aids';
import type { Measured } from '@web/stage/measuring/measuring';
import type { Recorder } from '@web/stage/recorder';
import type { ComponentType } from 'react';

/** What a goal asks to be set in Build. */
export interface FieldsProps<G extends Goal> {
  readonly goal: G;
  readonly session: Recorder;
  readonly scene: Scene;
  readonly mesh: Mesh | null;
  /** What was measured on the stage last; null: nothing yet. */
  readonly measured: Measured | null;
  /** Takes the measure out. */
  readonly onMeasure: () => void;
  /** Named places of the model. */
  readonly landmarks: readonly Landmark[];
  /** Shows a view without going there. */
  readonly show: (view: View) => void;
  readonly onChange: (goal: G) => void;
}

/** What a step asks beside its brief, in Practise; it runs on what may be told while the target is hidden. */
export interface PanelProps<R extends RedactedGoal> {
  readonly goal: R;
  readonly prompt: Prompt | null;
  /** Parts of the model, for their names; none before it is loaded. */
  readonly parts: readonly Part[];
  /** The learner says that this is it. */
  readonly onConfirm: () => void;
  /** The learner answers from where the present view is seen. */
  readonly onAnswer: (way: Way) => void;
  /** Begins to measure something that is asked; null: ends it. */
  readonly onMeasure: (asked: AskedValue | null) => void;
}

/** What is drawn over the stage. */
export interface OverlayProps<R extends RedactedGoal> {
  readonly goal: R;
  /** The free view as it was drawn last. */
  readonly view: View;
  /** What the step asks just now; left out in Build. */
  readonly prompt?: Prompt | null;
  /** The published picture of what is hidden; null: nothing is. */
  readonly picture?: string | null;
  /** Height of the floor under a point, world metres; left out before the stage is there. */
  readonly floorAt?: ((point: Vec3) => number) | undefined;
  /** Views of another attempt at the step, in their order, that it is laid beside in Review. */
  readonly beside?: readonly View[] | undefined;
  /** Given in Build, where what is drawn can be dragged. */
  readonly onChange?: (goal: R) => void;
}

/** What of a goal is taken in hand on the stage of Build. */
export interface HandlesProps<G extends Goal> {
  readonly goal: G;
  /** The free view as it was drawn last. */
  readonly view: View;
  readonly onChange: (goal: G) => void;
}

/** What a card draws of a step beside its points. */
export interface CardDetailProps {
  readonly exercise: TraineeExercise;
  readonly step: number;
  /** The scene that was judged. */
  readonly scene: Scene | null;
  readonly detail: StepDetail | undefined;
  readonly meshHash: string;
  /** The published picture of the target. */
  readonly published: string | null;
}

export type Fields<G extends Goal> = ComponentType<FieldsProps<G>>;
export type Panel<R extends RedactedGoal> = ComponentType<PanelProps<R>>;
export type Overlay<R extends RedactedGoal> = ComponentType<OverlayProps<R>>;
export type Handles<G extends Goal> = ComponentType<HandlesProps<G>>;
export type CardDetail = ComponentType<CardDetailProps>;
