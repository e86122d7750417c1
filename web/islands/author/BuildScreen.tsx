import { COMMAND_GROUP_IDS, type Exercise, sameData, stepsOn } from '@core/exercise';
import { kindById } from '@core/goals';
import { type SentScheme, schemesReceived, schemeToSend } from '@core/input';
import { contextFor } from '@core/model';
import type { ScoreCard } from '@core/scoring';
import type { View } from '@core/view';
import type { LandmarkSeen } from '@server/services/landmarks';
import { asTarget } from '@web/goals/asTarget';
import { targetPicture } from '@web/goals/targetPicture';
import { usePlaced } from '@web/goals/usePlaced';
import type { Measured } from '@web/stage/measuring/measuring';
import { openModel } from '@web/stage/openModel';
import type { Prepared } from '@web/stage/prepared';
import { createRecorder } from '@web/stage/recorder';
import type { SceneSource } from '@web/stage/sceneSource';
import { useRefusals } from '@web/stage/useRefusals';
import { useScored } from '@web/stage/useScored';
import { useFolded, useStage } from '@web/stage/useStage';
import { call, wordsOf } from '@web/ui/api';
import { FirstNotes } from '@web/ui/FirstNotes';
import { TextField } from '@web/ui/fields';
import { MarkdownField } from '@web/ui/MarkdownField';
import { wordsOfExercise } from '@web/ui/markdown';
import { offer, Toasts } from '@web/ui/Toasts';
import { ALL_READ, useFirstNotes } from '@web/ui/useFirstNotes';
import { useUndoKeys } from '@web/ui/useUndoKeys';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { toast } from 'sonner';
import { useStore } from 'zustand';
import { CardScreen } from '../card/CardScreen';
import { PractiseScreen } from '../practise/PractiseScreen';
import { schemeOfBrowser } from '../practise/useScheme';
import { AssignSheet } from './AssignSheet';
import { AuthorBar } from './AuthorBar';
import { AuthorStage } from './AuthorStage';
import { BUILD_NOTES } from './buildNotes';
import { Conflicts } from './Conflicts';
import { checklist } from './checks';
import { createDraftStore, presentStep } from './draftStore';
import { type OwnTry, triesOf } from './OwnTries';
import { ReachPart } from './ReachPart';
import { RulesPart } from './RulesPart';
import { StartPart } from './StartPart';
import { StepPart } from './StepPart';
import { Storyboard } from './Storyboard';
import { othersWords, useOthersHere } from './useOthersHere';

const NO_GROUPS: Props['groups'] = [];

interface Props {
  readonly id: string;
  readonly saved: Exercise;
  readonly revision: number;
  readonly person: string;
  readonly version: number;
  /** Whether the draft says something else than that version. */
  readonly changedSince: boolean;
  readonly mine: boolean;
  readonly model: {
    readonly name: string;
    readonly meshHash: string;
    /** Its newest revision. */
    readonly newest: number;
    readonly home: View;
    readonly landmarks: readonly LandmarkSeen[];
    readonly mine: boolean;
  };
  readonly groups: readonly { readonly id: string; readonly name: string }[];
  readonly schemes: readonly SentScheme[];
  /** Whether they never published anything. */
  readonly newcomer: boolean;
}

/** An author's own try: the exercise as it stands is practised and scored, and nothing of it is kept. */
function Trying({
  props,
  draft,
  prepared,
  onLeave,
  onTried,
}: {
  props: Props;
  draft: Exercise;
  prepared: Prepared | null;
  onLeave: () => void;
  onTried: (tries: readonly OwnTry[]) => void;
}) {
  const { id, model, version } = props;
  const [card, setCard] = useState<{ card: ScoreCard; scheme: SentScheme | null } | null>(null);
  const schemes = useMemo(
    () => schemesReceived(props.schemes).filter((s) => draft.schemes.length === 0 || draft.schemes.includes(s.id)),
    [props.schemes, draft],
  );
  const exercise = useMemo(() => ({ ...draft, id, version }), [draft, id, version]);
  const words = useMemo(() => wordsOfExercise(draft), [draft]);
  const tryOut = useMemo(
    () => ({
      open: async () => ({ id: 'try', seed: Math.floor(Math.random() * 4294967295) }),
      loaded: prepared,
      onHandIn: async (trace: unknown) => {
        const made = (await call('tryOut', { body: { content: draft, trace } })) as unknown as ScoreCard;
        const used = schemes.find((s) => s.id === (trace as { scheme: { id: string } }).scheme.id);
        onTried(triesOf(made, draft.steps));
        setCard({ card: made, scheme: used ? schemeToSend(used) : null });
      },
      onLeave,
    }),
    [prepared, draft, schemes, onLeave, onTried],
  );
  if (!card)
    return (
      <PractiseScreen
        exercise={exercise}
        words={words}
        meshHash={model.meshHash}
        home={model.home}
        landmarks={model.landmarks}
        schemes={schemes}
        pictures={[]}
        tryOut={tryOut}
      />
    );
  return (
    <div className="min-h-0 flex-1 overflow-y-auto">
      <div className="mx-auto max-w-6xl px-6 py-8">
        <CardScreen
          card={card.card}
          exercise={exercise}
          scheme={card.scheme}
          details={[]}
          meshHash={model.meshHash}
          pictures={[]}
          learner={null}
          before={null}
          next={null}
          actions={
            <>
              <button type="button" className="button" onClick={() => setCard(null)}>
                Try again
              </button>
              <button type="button" className="button-main" onClick={onLeave}>
                Back to building
              </button>
            </>
          }
        />
      </div>
    </div>
  );
}

/** Warns before the page is left with something unsaved. */
function useLeaveWarning(isSaved: () => boolean): void {
  useEffect(() => {
    const leave = (event: BeforeUnloadEvent): void => {
      if (!isSaved()) event.preventDefault();
    };
    window.addEventListener('beforeunload', leave);
    return () => window.removeEventListener('beforeunload', leave);
  }, [isSaved]);
}

export function BuildScreen(props: Props) {
  const { id, saved, mine, model, groups } = props;
  const [page] = useState(() => crypto.randomUUID?.() ?? `${Date.now()}-${Math.random()}`.slice(0, 40));
  const [store] = useState(() => createDraftStore({ id, saved, revision: props.revision, mine, person: props.person, page }));
  const others = useOthersHere(id, page, mine);
  const state = useStore(store);
  const { draft } = state;
  const [version, setVersion] = useState(props.version);
  // The draft that the newest version was made of, as far as that is known.
  const [published, setPublished] = useState(props.version > 0 && !props.changedSince ? saved : null);
  const [prepared, setPrepared] = useState<Prepared | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [trying, setTrying] = useState(false);
  const [tries, setTries] = useState<readonly OwnTry[]>([]);
  const tried = useCallback((made: readonly OwnTry[]) => setTries((before) => [...before, ...made]), []);
  const [assigning, setAssigning] = useState(false);
  /** What is being done to publish it; null: nothing. */
  const [doing, setDoing] = useState<string | null>(null);
  const [schemes] = useState(() => schemesReceived(props.schemes));
  const [scheme] = useState(() => schemeOfBrowser(schemes, 'There is no scheme to build with.'));
  useEffect(() => {
    openModel(model.meshHash).then(setPrepared, (e) => setProblem(wordsOf(e)));
  }, [model.meshHash]);
  const scored = useScored(prepared, model.home);
  const session = useMemo(
    () => scored && createRecorder({ start: saved.start, context: contextFor(scored), allowed: COMMAND_GROUP_IDS }),
    [scored, saved.start],
  );
  const [played, setPlayed] = useState<SceneSource | null>(null);
  const stage = useStage(trying ? null : prepared, session, scheme, { source: played });
  const { handle } = stage;
  const step = presentStep(state);
  usePlaced(stage.handle, step.goal);
  const folded = useFolded(stage);
  useRefusals(session);
  const changed = useMemo(() => !published || !sameData(published, draft), [published, draft]);
  const [read, setRead] = useFirstNotes('build', props.newcomer);
  const checks = useMemo(() => checklist(draft, { tried: tries.length > 0, published: version > 0 && !changed }), [draft, tries, version, changed]);
  useLeaveWarning(store.isSaved);
  useUndoKeys(store, !trying);
  const show = useCallback((view: View) => session && handle?.renderer.show({ ...session.getState().scene, view }, false), [session, handle]);
  const [measured, setMeasured] = useState<Measured | null>(null);
  const { aids } = stage;
  const onMeasure = useCallback(() => aids?.setState({ measuring: true, asked: null }), [aids]);
  const leave = useCallback(() => setTrying(false), []);
  /** The page is loaded anew with the other mesh; what the exercise names and that lacks is told when it is looked through. */
  const buildOnNewest = async (): Promise<void> => {
    store.set({ model: { ...draft.model, revision: model.newest } });
    try {
      await store.save();
      window.location.reload();
    } catch (problem) {
      toast.error(wordsOf(problem));
    }
  };

  const publish = async (): Promise<void> => {
    if (!handle || !scored) return;
    setDoing('Saving …');
    try {
      await store.save();
      const sent = store.getState().draft;
      const pictures: (string | null)[] = [];
      const { steps } = stepsOn(sent);
      for (const [i, { goal }] of steps.entries()) {
        setDoing(`Drawing picture ${i + 1} of ${steps.length} …`);
        pictures.push(await targetPicture(handle, goal, draft.start, scored));
      }
      setDoing('Looking whether every step can be reached. You may leave this page: it is published all the same.');
      const made = await call('publish', { params: { id }, body: { pictures } });
      setVersion(made.version);
      setPublished(sent);
      if (made.unchanged) toast(`Nothing was changed since version ${made.version}: no other was made.`);
      for (const { message } of made.warnings) toast.warning(message);
      setAssigning(true);
    } catch (e) {
      toast.error(wordsOf(e));
    }
    setDoing(null);
  };

  if (trying)
    return (
      <Trying
        props={{ ...props, version }}
        draft={draft.steps.some((step) => !step.off) ? stepsOn(draft) : draft}
        prepared={prepared}
        onLeave={leave}
        onTried={tried}
      />
    );
  return (
    <div className="flex min-h-0 flex-1 stacked:flex-col-reverse">
      <Toasts />
      <div className="fixed inset-0 top-14 z-20 hidden place-items-center bg-paper p-6 max-sm:grid">
        <div className="card max-w-sm p-6 text-center">
          <p className="font-display text-xl">Building needs more room</p>
          <p className="mt-2">A tablet held upright is enough. What you made is kept: open it there, or turn this device.</p>
          <a className="button mt-4" href="/build">
            Back to the list
          </a>
        </div>
      </div>
      <aside
        className={`${folded ? 'hidden' : 'flex'} w-[404px] shrink-0 flex-col border-ink border-r stacked:min-h-0 stacked:w-full stacked:flex-1 stacked:border-t stacked:border-r-0`}
        aria-label="Recipe"
      >
        <div className="min-h-0 flex-1 space-y-4 overflow-y-auto px-6 py-5">
          {others.length > 0 && (
            <p role="status" className="rounded-lg border-2 border-ink bg-card px-3 py-2 text-sm" data-testid="others-here">
              {othersWords(others)}
            </p>
          )}
          <Conflicts store={store} />
          <div>
            <div className="flex items-baseline justify-between">
              <h1 className="text-lg">Build an exercise</h1>
              <button type="button" className="button-quiet text-sm" onClick={() => setRead(0)}>
                How this works
              </button>
            </div>
            <TextField label="Title" value={draft.title} onChange={(title) => store.set({ title })} placeholder="What is it called?" />
            <MarkdownField label="Brief" value={draft.brief} onChange={(brief) => store.set({ brief })} placeholder="The situation, in a sentence or two" />
            <p className="text-sm">
              Model: <strong>{model.name}</strong>, revision {draft.model.revision}
            </p>
            {model.newest > draft.model.revision && (
              <p role="status" className="mt-1 text-sm">
                There is revision {model.newest}.{' '}
                {mine && (
                  <button type="button" className="button-quiet !px-0 text-sm" onClick={() => void buildOnNewest()}>
                    Build on that
                  </button>
                )}
              </p>
            )}
            <StartPart store={store} session={session} show={show} />
          </div>
          <StepPart
            store={store}
            session={session}
            mesh={prepared?.mesh ?? null}
            landmarks={model.landmarks}
            tries={tries}
            measured={measured}
            onMeasure={onMeasure}
            show={show}
            exerciseId={id}
            groups={version > 0 ? groups : NO_GROUPS}
            scheme={scheme}
            onSource={setPlayed}
          />
          <RulesPart store={store} schemes={schemes} />
          <ReachPart store={store} mesh={prepared?.mesh ?? null} home={model.home} />
        </div>
        <AuthorBar
          store={store}
          mine={mine}
          version={version}
          changed={changed}
          ready={handle !== null}
          checks={checks}
          doing={doing}
          onTry={() => setTrying(true)}
          onAssign={() => setAssigning(true)}
          onPublish={() => void publish()}
        />
      </aside>
      <AuthorStage store={store} stage={stage} model={model} problem={problem} onMeasured={setMeasured}>
        <Storyboard
          store={store}
          handle={handle}
          model={scored}
          onRemoved={(number) => offer(`Step ${number} is removed.`, 'Undo', () => store.undo())}
          onAdd={() => session && store.addStep(kindById('matchView').create(asTarget(session.getState().scene)))}
          onStart={() => show(draft.start.view)}
        />
      </AuthorStage>
      {handle && read < ALL_READ && <FirstNotes notes={BUILD_NOTES} at={read} onRead={setRead} />}
      <AssignSheet open={assigning} onOpenChange={setAssigning} exerciseId={id} version={version} groups={groups} />
    </div>
  );
}
