import type { Scene } from '@core/navigation';
import type { View } from '@core/view';
import type { Removed } from '@server/repositories/removal';
import type { LandmarkSeen } from '@server/services/landmarks';
import { openModel } from '@web/stage/openModel';
import type { Prepared } from '@web/stage/prepared';
import { call, wordsOf } from '@web/ui/api';
import { Toasts } from '@web/ui/Toasts';
import { useCallback, useEffect, useRef, useState } from 'react';
import { toast } from 'sonner';
import { LandmarksPanel } from './LandmarksPanel';
import { ModelStage } from './ModelStage';
import { PartNames } from './PartNames';

interface Props {
  readonly model: { readonly id: string; readonly name: string; readonly shared: boolean };
  readonly revision: {
    readonly revision: number;
    readonly meshHash: string;
    readonly home: View;
    readonly summary: { readonly triangles: number; readonly parts: number; readonly file: string; readonly warnings: readonly string[] };
  };
  readonly landmarks: readonly LandmarkSeen[];
  readonly removed: Removed | null;
  readonly mine: boolean;
}

/** One model of the library: its parts, its name, its home view. */
export function ModelScreen({ model, revision, landmarks: marked, removed: gone, mine }: Props) {
  const [prepared, setPrepared] = useState<Prepared | null>(null);
  const [name, setName] = useState(model.name);
  const [shared, setShared] = useState(model.shared);
  const [error, setError] = useState<string | null>(null);
  const view = useRef<View>(revision.home);
  const [landmarks, setLandmarks] = useState(marked);
  const [removed, setRemoved] = useState(gone);
  const [selection, setSelection] = useState<Scene['selection']>({ parts: [] });
  const [shown, setShown] = useState<LandmarkSeen | null>(null);
  useEffect(() => {
    openModel(revision.meshHash).then(setPrepared, (problem) => setError(wordsOf(problem)));
  }, [revision.meshHash]);

  const change = async (body: { name?: string; shared?: boolean; home?: View }, said: string): Promise<void> => {
    setError(null);
    try {
      await call('changeModel', { params: { id: model.id }, body });
      toast.success(said);
    } catch (problem) {
      setError(wordsOf(problem));
    }
  };
  const build = async (): Promise<void> => {
    try {
      const { id } = await call('makeExercise', { body: { modelId: model.id } });
      window.location.href = `/build/${id}`;
    } catch (problem) {
      setError(wordsOf(problem));
    }
  };
  const onScene = useCallback((scene: Scene) => {
    view.current = scene.view;
    setSelection(scene.selection);
  }, []);

  return (
    <div className="flex min-h-0 flex-1 gap-5 px-6 py-5 stacked:flex-col-reverse stacked:justify-end stacked:overflow-y-auto stacked:px-3">
      <Toasts />
      <aside className="flex w-64 shrink-0 flex-col gap-4 overflow-y-auto pr-1 stacked:w-full stacked:overflow-visible">
        <h1 className="text-2xl">{model.name}</h1>
        <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1 text-sm">
          <dt className="text-ink-soft">File</dt>
          <dd className="truncate">{revision.summary.file}</dd>
          <dt className="text-ink-soft">Triangles</dt>
          <dd className="font-mono">{revision.summary.triangles.toLocaleString('en')}</dd>
          <dt className="text-ink-soft">Revision</dt>
          <dd className="font-mono">{revision.revision}</dd>
        </dl>
        {revision.summary.warnings.map((warning) => (
          <p key={warning} className="text-ink-soft text-sm">
            {warning}
          </p>
        ))}
        {mine && (
          <>
            <label className="block">
              <span className="mb-1 block font-semibold text-sm">Name</span>
              <input className="field" value={name} maxLength={80} onChange={(e) => setName(e.target.value)} />
            </label>
            <label className="flex items-center gap-2">
              <input type="checkbox" className="h-4 w-4 accent-ink" checked={shared} onChange={(e) => setShared(e.target.checked)} />
              <span className="text-sm">Other instructors may use it</span>
            </label>
            <button type="button" className="button" disabled={name.trim() === ''} onClick={() => change({ name, shared }, 'Saved.')}>
              Save
            </button>
            <button
              type="button"
              className="button"
              disabled={!prepared}
              onClick={() => change({ home: view.current }, 'This view is the home view now, in a new revision.')}
            >
              Set home from this view
            </button>
            <a className="button-quiet" href={`/library/${model.id}/revise`}>
              New geometry or axes …
            </a>
            {prepared && <PartNames modelId={model.id} mesh={prepared.mesh} />}
            <LandmarksPanel
              modelId={model.id}
              parts={prepared?.mesh.parts ?? []}
              landmarks={landmarks}
              removed={removed}
              selection={selection}
              onChanged={(all, last) => {
                setLandmarks(all);
                setRemoved(last);
              }}
              onPick={(landmark) => setShown({ ...landmark })}
            />
          </>
        )}
        {error && (
          <p role="alert" className="font-semibold text-signal">
            {error}
          </p>
        )}
        <button type="button" className="button-main mt-auto" onClick={build}>
          Build an exercise on it
        </button>
      </aside>
      {prepared ? (
        <ModelStage prepared={prepared} home={revision.home} label={`Stage: ${model.name}`} onScene={onScene} landmarks={landmarks} shown={shown} />
      ) : (
        <div className="grid flex-1 place-items-center" role="status">
          Loading the model …
        </div>
      )}
    </div>
  );
}
