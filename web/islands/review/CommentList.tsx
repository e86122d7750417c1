import type { Vec3 } from '@core/math';
import type { Folding } from '@core/review';
import { call } from '@web/ui/api';
import { formatDistanceToNow } from 'date-fns';
import { Check, MapPin, Pencil, Trash2 } from 'lucide-react';
import { type FormEvent, useEffect, useRef, useState } from 'react';
import { clockWords } from './clock';
import { answersTo, type Comment, type Comments, threadsOf } from './useComments';

const MOST_WORDS = 2000;

interface FormProps {
  readonly label: string;
  readonly done: string;
  readonly first?: string;
  /** Opened to be written in at once. */
  readonly focus?: boolean;
  readonly onSay: (words: string) => Promise<boolean>;
  readonly onLeave?: () => void;
}

/** A few lines to write, kept until they were taken. */
function WordsForm({ label, done, first = '', focus = false, onSay, onLeave }: FormProps) {
  const field = useRef<HTMLTextAreaElement>(null);
  useEffect(() => {
    if (focus) field.current?.focus();
  }, [focus]);
  const [words, setWords] = useState(first);
  const [busy, setBusy] = useState(false);
  const send = async (event: FormEvent): Promise<void> => {
    event.preventDefault();
    setBusy(true);
    if (await onSay(words)) setWords('');
    setBusy(false);
  };
  return (
    <form className="mt-1" onSubmit={send}>
      <textarea
        ref={field}
        aria-label={label}
        placeholder={label}
        className="field !px-2 !py-1 text-sm"
        rows={2}
        maxLength={MOST_WORDS}
        value={words}
        onChange={(e) => setWords(e.target.value)}
      />
      <div className="flex gap-2">
        <button type="submit" className="button !px-3 !py-1 text-sm" disabled={busy || !words.trim()}>
          {done}
        </button>
        {onLeave && (
          <button type="button" className="button-quiet text-sm" onClick={onLeave}>
            Leave it
          </button>
        )}
      </div>
    </form>
  );
}

interface LineProps {
  readonly comment: Comment;
  readonly comments: Comments;
}

/** What one person said: it can be changed and removed by who said it. */
function Said({ comment, comments }: LineProps) {
  const [changing, setChanging] = useState(false);
  const params = { id: comment.id };
  if (changing) {
    const change = async (words: string): Promise<boolean> => {
      const done = await comments.doing(() => call('editComment', { params, body: { words } }));
      if (done) setChanging(false);
      return done;
    };
    return <WordsForm label="Change the comment" done="Keep" first={comment.words} focus onSay={change} onLeave={() => setChanging(false)} />;
  }
  return (
    <>
      <p className="flex items-baseline gap-2 text-xs">
        <strong>{comment.mine ? 'You' : comment.author}</strong>
        <span className="text-ink-soft">
          {formatDistanceToNow(new Date(comment.madeAt), { addSuffix: true })}
          {comment.edited && ', changed'}
        </span>
        {comment.mine && (
          <span className="ml-auto flex gap-1">
            <button type="button" className="button-quiet !p-0.5" aria-label="Change this comment" title="Change" onClick={() => setChanging(true)}>
              <Pencil size={13} aria-hidden="true" />
            </button>
            <button
              type="button"
              className="button-quiet !p-0.5"
              aria-label="Remove this comment"
              title="Remove"
              onClick={() => void comments.doing(() => call('removeComment', { params }))}
            >
              <Trash2 size={13} aria-hidden="true" />
            </button>
          </span>
        )}
      </p>
      <p className="whitespace-pre-wrap break-words text-sm">{comment.words}</p>
    </>
  );
}

/** An answer, written where one wants to. */
function Answer({ label, onSay }: Pick<FormProps, 'label' | 'onSay'>) {
  const [open, setOpen] = useState(false);
  if (!open)
    return (
      <button type="button" className="button-quiet mt-1 mr-2 text-xs" aria-label={label} onClick={() => setOpen(true)}>
        Answer
      </button>
    );
  const answer = async (words: string): Promise<boolean> => {
    const done = await onSay(words);
    if (done) setOpen(false);
    return done;
  };
  return <WordsForm label={label} done="Send the answer" focus onSay={answer} onLeave={() => setOpen(false)} />;
}

interface Props {
  readonly attemptId: string;
  readonly comments: Comments;
  readonly folding: Folding;
  readonly staff: boolean;
  readonly mine: boolean;
  /** The moment that is shown, seconds from opening. */
  readonly now: () => number;
  readonly onGo: (t: number) => void;
  /** A point of the model that the next comment is pinned to. */
  readonly spot: Vec3 | null;
  readonly pointing: boolean;
  readonly onPointing: (pointing: boolean) => void;
}

/** Comments pinned to moments, each with its answers. */
export function CommentList({ attemptId, comments, folding, staff, mine, now, onGo, spot, pointing, onPointing }: Props) {
  const threads = threadsOf(comments.list);
  const say = (t: number, words: string, answersId: string | null, point: Vec3 | null = null): Promise<boolean> =>
    comments.doing(() =>
      call('addComment', { params: { id: attemptId }, body: { t, words, answersId, point: point ? ([...point] as [number, number, number]) : null } }),
    );
  return (
    <section aria-labelledby="comments">
      <h2 id="comments" className="text-lg">
        Comments
      </h2>
      {threads.length === 0 && (
        <p className="text-ink-soft text-sm">
          {staff ? 'Nothing is said yet: go to a moment and say it there.' : 'Your instructor has said nothing about this attempt.'}
        </p>
      )}
      <ol className="space-y-2" aria-live="polite" data-testid="comments">
        {threads.map((comment, i) => (
          <li key={comment.id} className="card p-2">
            <p className="mb-1 flex items-center gap-2 text-xs">
              <button type="button" className="flex items-center gap-1.5 font-semibold hover:underline" onClick={() => onGo(comment.t)}>
                <span className="grid h-5 w-5 place-items-center rounded-full bg-signal font-bold text-on-signal">{i + 1}</span>
                at <span className="font-mono">{clockWords(folding.toFolded(comment.t))}</span>
                {comment.point && <MapPin size={13} aria-label="with a point of the model" />}
              </button>
              {comment.understood && (
                <span className="ml-auto flex items-center gap-1 font-semibold text-sea">
                  <Check size={13} aria-hidden="true" /> understood
                </span>
              )}
            </p>
            <Said comment={comment} comments={comments} />
            <ul>
              {answersTo(comments.list, comment.id).map((answer) => (
                <li key={answer.id} className="mt-1 border-rule border-l-2 pl-2">
                  <Said comment={answer} comments={comments} />
                </li>
              ))}
            </ul>
            <Answer label={`Answer comment ${i + 1}`} onSay={(words) => say(comment.t, words, comment.id)} />
            {mine && (
              <button
                type="button"
                className="button-quiet mt-1 text-xs"
                onClick={() => void comments.doing(() => call('markUnderstood', { params: { id: comment.id }, body: { understood: !comment.understood } }))}
              >
                {comment.understood ? 'Not understood after all' : 'I understand this'}
              </button>
            )}
          </li>
        ))}
      </ol>
      {staff && !mine && (
        <div className="mt-2">
          <WordsForm
            label="Say something about this moment"
            done="Say it here"
            onSay={async (words) => {
              const done = await say(now(), words, null, spot);
              if (done) onPointing(false);
              return done;
            }}
          />
          <button type="button" className="button-quiet text-sm" aria-pressed={pointing} onClick={() => onPointing(!pointing)}>
            <MapPin size={14} aria-hidden="true" />{' '}
            {pointing ? (spot ? 'Pinned to a point: take it off' : 'Press the point on the stage …') : 'Pin it to a point of the model'}
          </button>
        </div>
      )}
    </section>
  );
}
