import { ENCODINGS, type Encoding, MOST_ROWS } from '@formats/peopleCsv';
import type { AnswerOf } from '@web/http/answers';
import { call, wordsOf } from '@web/ui/api';
import { Choice } from '@web/ui/fields';
import { ProgressBar } from '@web/ui/ProgressBar';
import { useEffect, useState } from 'react';
import { asDownload, FirstPasswords } from './FirstPasswords';

type Plan = AnswerOf<'previewPeople'>;
type Line = Plan['lines'][number];
type Done = AnswerOf<'importPeople'>;

/** Most bytes of a file that are sent. */
const MOST_BYTES = 3 * 1024 * 1024;
const ENCODING_NAMES = (Object.keys(ENCODINGS) as Encoding[]).map((id) => ({ id, label: ENCODINGS[id] }));

const BECOMES: Record<Line['becomes'], { readonly words: string; readonly look: string }> = {
  new: { words: 'new', look: 'text-sea' },
  joins: { words: 'comes in', look: 'text-sea' },
  there: { words: 'is there', look: 'text-ink-soft' },
  bad: { words: 'left out', look: 'font-semibold text-signal' },
};

const EXAMPLE = 'name,sign-in,group,role\nAda Byron,ada,Spring watch,\nMary Ross,,Spring watch,instructor\n';

async function base64Of(file: File): Promise<string> {
  const bytes = new Uint8Array(await file.arrayBuffer());
  let text = '';
  for (let i = 0; i < bytes.length; i += 0x8000) text += String.fromCharCode(...bytes.subarray(i, i + 0x8000));
  return btoa(text);
}

const numberOf = (lines: readonly Line[], becomes: Line['becomes']): number => lines.filter((line) => line.becomes === becomes).length;
const counted = (n: number, one: string, many: string): string => `${n} ${n === 1 ? one : many}`;

function Preview({ plan }: { readonly plan: Plan }) {
  const bad = plan.lines.filter(({ becomes }) => becomes === 'bad');
  const rest = plan.lines.filter(({ becomes }) => becomes !== 'bad');
  return (
    <div className="max-h-[50vh] overflow-auto">
      <table className="w-full text-left text-sm" data-testid="plan">
        <thead>
          <tr className="border-ink border-b text-ink-soft">
            {['Line', 'Name', 'Signs in as', 'Role', 'Group', 'What happens'].map((words) => (
              <th key={words} className="sticky top-0 bg-card py-1.5 pr-3 font-normal">
                {words}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {[...bad, ...rest].map((line) => (
            <tr key={line.line} className="border-rule border-b align-top">
              <td className="py-1 pr-3 text-right font-mono">{line.line}</td>
              <td className="max-w-48 break-words pr-3">{line.name}</td>
              <td className="max-w-40 break-words pr-3 font-mono text-xs leading-6">{line.signIn}</td>
              <td className="pr-3">{line.role}</td>
              <td className="max-w-40 break-words pr-3">{line.group}</td>
              <td>
                <span className={BECOMES[line.becomes].look}>{BECOMES[line.becomes].words}</span>
                {line.words && <span className="block text-ink-soft">{line.words}</span>}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** What was done, with the first passwords: they are shown this once. */
function Imported({ done }: { readonly done: Done }) {
  return (
    <section className="card mt-6 p-6" aria-labelledby="done" data-testid="imported">
      <h2 id="done" className="text-xl">
        {counted(done.people.length, 'person is', 'people are')} in{done.joined > 0 && `, and ${done.joined} who were here came into a group`}
      </h2>
      {done.people.length > 0 && (
        <>
          <FirstPasswords people={done.people} printed />
          <a className="button-quiet mt-3 print:hidden" href="/people">
            To the people
          </a>
        </>
      )}
    </section>
  );
}

/** Ms between two questions how far it is. */
const ASKED_EVERY = 700;

/** How far an import is: passwords take the time, for each is made slow to guess. */
function Going() {
  const [{ done, of }, setGoing] = useState({ done: 0, of: 0 });
  useEffect(() => {
    // What cannot be learnt just now is asked again.
    const timer = setInterval(() => void call('importing', {}).then(setGoing, () => {}), ASKED_EVERY);
    return () => clearInterval(timer);
  }, []);
  if (of === 0) return <p role="status">One moment …</p>;
  return (
    <div className="card p-4">
      <p role="status">Passwords are made ready. Stay here: first passwords are shown only on this page.</p>
      <ProgressBar label="Passwords made ready" done={done} of={of} className="mt-2 w-full" />
      <p className="font-mono text-sm">
        {done} of {of}
      </p>
    </div>
  );
}

/** Imports people from a CSV file: what will happen is shown first, and happens as a whole or not at all. */
export function ImportPeople() {
  const [file, setFile] = useState<{ readonly name: string; readonly bytes: string } | null>(null);
  const [plan, setPlan] = useState<Plan | null>(null);
  const [leaveOut, setLeaveOut] = useState(false);
  const [busy, setBusy] = useState(false);
  const [done, setDone] = useState<Done | null>(null);
  const [error, setError] = useState<string | null>(null);
  const working = async (work: () => Promise<void>): Promise<void> => {
    setBusy(true);
    setError(null);
    try {
      await work();
    } catch (problem) {
      setError(wordsOf(problem));
    } finally {
      setBusy(false);
    }
  };
  const look = (bytes: string, encoding: Encoding | null): Promise<void> =>
    working(async () => {
      setPlan(await call('previewPeople', { body: { file: bytes, encoding } }));
      setLeaveOut(false);
    });
  const chosen = (next: File | undefined): void => {
    setPlan(null);
    if (!next) return;
    if (next.size > MOST_BYTES) {
      setError(
        `“${next.name}” has ${(next.size / 1024 / 1024).toFixed(0)} MB, and a list of ${MOST_ROWS} people has far less than 3 MB: is it the right file?`,
      );
      return;
    }
    void working(async () => {
      const bytes = await base64Of(next);
      setFile({ name: next.name, bytes });
      await look(bytes, null);
    });
  };
  if (done) return <Imported done={done} />;
  const bad = plan ? numberOf(plan.lines, 'bad') : 0;
  const coming = plan ? numberOf(plan.lines, 'new') + numberOf(plan.lines, 'joins') : 0;
  const go = (): Promise<void> =>
    working(async () => {
      if (file && plan) setDone(await call('importPeople', { body: { file: file.bytes, encoding: plan.encoding as Encoding, name: file.name, leaveOut } }));
    });
  return (
    <div className="mt-6 space-y-6">
      <div className="card p-6">
        <label className="block">
          <span className="mb-1 block font-semibold">A CSV file</span>
          <input type="file" accept=".csv,.txt,.tsv,text/csv" className="field" onChange={(e) => chosen(e.target.files?.[0])} />
        </label>
        <p className="mt-3 text-ink-soft text-sm">
          The first line names the columns: <strong>name</strong>, and where you like sign-in, group, role (trainee or instructor) and password. Sign-in names
          and first passwords that are not there are made. At most {MOST_ROWS} people at once.{' '}
          <a className="underline" href={asDownload(EXAMPLE)} download="people-example.csv">
            An example to fill in
          </a>
        </p>
      </div>
      {error && (
        <p role="alert" className="text-signal">
          {error}
        </p>
      )}
      {busy && <Going />}
      {plan && file && (
        <section className="card p-6" aria-labelledby="what">
          <div className="flex flex-wrap items-start justify-between gap-4">
            <div>
              <h2 id="what" className="text-xl">
                {plan.fault ? 'Nothing of it can be used' : 'What will happen'}
              </h2>
              {plan.fault ? (
                <p className="mt-1 text-signal" role="alert">
                  {plan.fault}
                </p>
              ) : (
                <p className="mt-1">
                  {counted(numberOf(plan.lines, 'new'), 'new person', 'new people')}
                  {numberOf(plan.lines, 'joins') > 0 && `, ${numberOf(plan.lines, 'joins')} who are here come into a group`}
                  {numberOf(plan.lines, 'there') > 0 && `, ${numberOf(plan.lines, 'there')} with whom nothing changes`}
                  {bad > 0 && (
                    <>
                      , <strong className="text-signal">{counted(bad, 'line is wrong', 'lines are wrong')}</strong>
                    </>
                  )}
                  .{plan.newGroups.length > 0 && ` New ${plan.newGroups.length === 1 ? 'group' : 'groups'}: ${plan.newGroups.join(', ')}.`}
                </p>
              )}
            </div>
            <Choice label="Read as" value={plan.encoding as Encoding} options={ENCODING_NAMES} onChange={(encoding) => void look(file.bytes, encoding)} />
          </div>
          {!plan.fault && (
            <>
              <Preview plan={plan} />
              <div className="mt-4 flex flex-wrap items-center justify-end gap-4">
                {bad > 0 && (
                  <label className="mr-auto flex items-center gap-2">
                    <input type="checkbox" className="h-4 w-4 accent-ink" checked={leaveOut} onChange={(e) => setLeaveOut(e.target.checked)} />
                    Leave out the {counted(bad, 'wrong line', 'wrong lines')}; or mend the file and choose it again
                  </label>
                )}
                <button type="button" className="button-main" disabled={busy || coming === 0 || (bad > 0 && !leaveOut)} onClick={() => void go()}>
                  Import {counted(coming, 'person', 'people')}
                </button>
              </div>
            </>
          )}
        </section>
      )}
    </div>
  );
}
