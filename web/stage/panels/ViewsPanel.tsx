import { type Command, commandsToRecall, keptOf, type Scene } from '@core/navigation';
import type { AnswerOf } from '@web/http/answers';
import type { RequestOf } from '@web/http/contract';
import { call, wordsOf } from '@web/ui/api';
import { LastRemoved } from '@web/ui/LastRemoved';
import { sayWrong } from '@web/ui/say';
import { ArrowDown, ArrowUp, Trash2, X } from 'lucide-react';
import { useCallback, useEffect, useState } from 'react';

interface Props {
  readonly modelId: string;
  readonly scene: Scene;
  /** Whether views may be kept for all who see the model. */
  readonly forAll: boolean;
  readonly onRecall: (commands: readonly Command[], name: string) => void;
  readonly onClose: () => void;
}

/** Views kept under a name: press one to go there, with its cut, its drawing style and what it hides. */
export function ViewsPanel({ modelId, scene, forAll, onRecall, onClose }: Props) {
  const [views, setViews] = useState<AnswerOf<'views'>['views'] | null>(null);
  const [removed, setRemoved] = useState<AnswerOf<'views'>['removed']>(null);
  const [name, setName] = useState('');
  const [shared, setShared] = useState(forAll);
  const [asks, setAsks] = useState(false);
  const [open, setOpen] = useState<string | null>(null);
  const load = useCallback(async (): Promise<void> => {
    try {
      const found = await call('views', { params: { id: modelId } });
      setViews(found.views);
      setRemoved(found.removed);
    } catch (error) {
      sayWrong(wordsOf(error));
    }
  }, [modelId]);
  useEffect(() => void load(), [load]);
  const doing = async (work: Promise<unknown>): Promise<boolean> => {
    try {
      await work;
      await load();
      return true;
    } catch (error) {
      sayWrong(wordsOf(error));
      return false;
    }
  };
  const kept = keptOf(scene);
  const save = (): void => {
    // A name that is there already asks first.
    if (same && !asks) {
      setAsks(true);
      return;
    }
    setAsks(false);
    void doing(call('keepView', { params: { id: modelId }, body: { name, about: '', forAll: shared && forAll, scene: kept } }).then(() => setName('')));
  };
  /** One's own view of the name that is written. */
  const same = views?.find((view) => view.mine && view.name.toLowerCase() === name.trim().toLowerCase());
  const change = (id: string, made: RequestOf<'changeView'>): Promise<boolean> => doing(call('changeView', { params: { id }, body: made }));

  return (
    <section aria-label="Saved views" className="absolute top-2 bottom-2 left-2 z-10 flex w-64 flex-col rounded-xl border-2 border-ink bg-card p-3 shadow-lg">
      <div className="flex items-center justify-between">
        <h2 className="text-sm">Saved views</h2>
        <button type="button" aria-label="Put the views away" className="grid h-7 w-7 place-items-center rounded-full hover:bg-bar" onClick={onClose}>
          <X size={15} aria-hidden="true" />
        </button>
      </div>
      <form
        className="mt-1 flex gap-1.5"
        onSubmit={(event) => {
          event.preventDefault();
          save();
        }}
      >
        <input
          className="field !py-1 text-sm"
          aria-label="Name of this view"
          placeholder="Name of this view"
          value={name}
          maxLength={60}
          onChange={(e) => {
            setName(e.target.value);
            setAsks(false);
          }}
        />
        <button type="submit" className="button !px-3 !py-1 text-sm" disabled={name.trim() === ''}>
          Save
        </button>
      </form>
      {asks && same && (
        <div className="mt-1.5 rounded-lg border border-amber bg-paper p-2 text-sm" role="alert">
          <p>“{same.name}” is there already.</p>
          <div className="mt-1 flex gap-1.5">
            <button
              type="button"
              className="button !px-2 !py-0.5 text-xs"
              onClick={() => {
                setAsks(false);
                void change(same.id, { scene: kept }).then(() => setName(''));
              }}
            >
              Replace it
            </button>
            <button type="button" className="button !px-2 !py-0.5 text-xs" onClick={save}>
              Keep both
            </button>
          </div>
        </div>
      )}
      {forAll && (
        <label className="mt-1.5 flex items-center gap-2 text-sm">
          <input type="checkbox" checked={shared} onChange={(e) => setShared(e.target.checked)} /> For everybody who sees the model
        </label>
      )}
      {views?.length === 0 && (
        <p className="mt-3 text-ink-soft text-sm">None yet. A saved view keeps where you look from, the cut, what is hidden, and the drawing style.</p>
      )}
      <ol className="mt-2 min-h-0 flex-1 space-y-1 overflow-auto">
        {views?.map((view, i) => (
          <li key={view.id} className="rounded-lg border border-rule px-2 py-1">
            <div className="flex items-center gap-1">
              <button
                type="button"
                className="min-w-0 flex-1 truncate text-left font-semibold text-sm hover:underline"
                onClick={() => onRecall(commandsToRecall(scene, view.scene), view.name)}
              >
                {view.name}
              </button>
              {view.mine ? (
                <button
                  type="button"
                  className="button-quiet text-xs"
                  aria-expanded={open === view.id}
                  onClick={() => setOpen(open === view.id ? null : view.id)}
                >
                  Change<span className="sr-only"> {view.name}</span>
                </button>
              ) : (
                <span className="text-ink-soft text-xs">instructor’s</span>
              )}
            </div>
            {view.about && open !== view.id && <p className="text-ink-soft text-xs">{view.about}</p>}
            {open === view.id && (
              <div className="mt-1 space-y-1.5 pb-1">
                <input
                  className="field !py-1 text-sm"
                  aria-label="Name"
                  maxLength={60}
                  defaultValue={view.name}
                  onBlur={(e) => e.target.value !== view.name && change(view.id, { name: e.target.value })}
                />
                <textarea
                  className="field !py-1 text-sm"
                  aria-label="Description"
                  rows={2}
                  maxLength={300}
                  placeholder="What is to be seen here?"
                  defaultValue={view.about}
                  onBlur={(e) => e.target.value !== view.about && change(view.id, { about: e.target.value })}
                />
                <div className="flex gap-1">
                  <button
                    type="button"
                    className="button !px-1.5 !py-1"
                    aria-label={`Move ${view.name} up`}
                    disabled={i === 0}
                    onClick={() => change(view.id, { move: -1 })}
                  >
                    <ArrowUp size={14} aria-hidden="true" />
                  </button>
                  <button
                    type="button"
                    className="button !px-1.5 !py-1"
                    aria-label={`Move ${view.name} down`}
                    disabled={i === views.length - 1}
                    onClick={() => change(view.id, { move: 1 })}
                  >
                    <ArrowDown size={14} aria-hidden="true" />
                  </button>
                  <button type="button" className="button !px-2 !py-1 text-xs" onClick={() => change(view.id, { scene: kept })}>
                    Set from this view
                  </button>
                  <button
                    type="button"
                    className="button !px-1.5 !py-1"
                    aria-label={`Remove ${view.name}`}
                    onClick={() => void doing(call('removeView', { params: { id: view.id } }))}
                  >
                    <Trash2 size={14} aria-hidden="true" />
                  </button>
                </div>
              </div>
            )}
          </li>
        ))}
      </ol>
      <LastRemoved removed={removed} onPutBack={({ id }) => doing(call('putViewBack', { params: { id } }))} />
    </section>
  );
}
