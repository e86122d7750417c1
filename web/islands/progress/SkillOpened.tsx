import { skillLabel } from '@core/exercise';
import { groupedBy } from '@core/math';
import type { AnswerOf } from '@web/http/answers';
import { call, wordsOf } from '@web/ui/api';
import { FilterSelect } from '@web/ui/FilterSelect';
import { FAMILY_WORDS } from '@web/ui/familyWords';
import { LossList } from '@web/ui/LossList';
import { shownPoints } from '@web/ui/points';
import { format } from 'date-fns';
import { useEffect, useMemo, useState } from 'react';
import { ExerciseCurve } from './ExerciseCurve';
import { LevelChart } from './LevelChart';
import type { SkillLine } from './skills';

type Opened = AnswerOf<'personSkill'>;
export type SkillTry = Opened['tries'][number];

interface Props {
  readonly personId: string;
  readonly line: SkillLine;
  readonly review: boolean;
}

const LOSSES_SHOWN = 5;

/** How the level of one skill came about: over the days, by exercise, and what was lost. */
export function SkillOpened({ personId, line, review }: Props) {
  const [opened, setOpened] = useState<Opened | null>(null);
  const [error, setError] = useState<string | null>(null);
  const [chosen, setChosen] = useState<string>('');
  useEffect(() => {
    let wanted = true;
    call('personSkill', { params: { id: personId, skill: line.skill } }).then(
      (found) => wanted && setOpened(found),
      (failure) => wanted && setError(wordsOf(failure)),
    );
    return () => {
      wanted = false;
    };
  }, [personId, line.skill]);
  const tries = useMemo(() => opened?.tries.filter(({ family }) => family === line.family) ?? [], [opened, line.family]);
  const exercises = useMemo(() => [...groupedBy(tries, ({ exerciseId }) => exerciseId).values()], [tries]);
  const name = `${skillLabel(line.skill)}, ${FAMILY_WORDS[line.family].toLowerCase()}`;
  const curve = exercises.find((those) => those[0]?.exerciseId === chosen);
  return (
    <section className="mt-5 border-ink border-t pt-4" aria-label={name} data-testid="skill-opened">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h3 className="text-lg">{name}</h3>
        <FilterSelect
          label="What is drawn"
          any="The level, over the days"
          value={chosen}
          options={exercises.map((those) => [those[0]?.exerciseId ?? '', `${those[0]?.title} (${those.length})`])}
          onChange={setChosen}
        />
      </div>
      {error && (
        <p role="alert" className="mt-3 text-signal">
          {error}
        </p>
      )}
      {!opened && !error && <p className="mt-3 text-ink-soft">Fetching its attempts …</p>}
      {opened && (
        <div className="mt-3 grid gap-6 lg:grid-cols-[3fr_2fr]">
          {curve ? <ExerciseCurve tries={curve} /> : <LevelChart tries={tries} />}
          <div className="space-y-5">
            <div>
              <h4 className="font-semibold">By exercise</h4>
              <ul className="mt-1 text-sm">
                {exercises.map((those) => {
                  const best = those.reduce((most, each) => (each.score > most.score ? each : most));
                  const last = those.at(-1) ?? best;
                  return (
                    <li key={last.exerciseId} className="flex items-baseline gap-3 border-rule border-b py-1">
                      <span className="flex-1">{last.title}</span>
                      <span className="whitespace-nowrap text-ink-soft">
                        {those.length}×, best <span className="font-mono text-ink">{shownPoints(best.score)}</span>, last{' '}
                        <a
                          className="font-mono text-ink underline"
                          href={`/attempts/${last.attemptId}${review ? '/review' : ''}`}
                          title={format(last.at, 'd MMM, HH:mm')}
                        >
                          {shownPoints(last.score)}
                        </a>
                      </span>
                    </li>
                  );
                })}
              </ul>
            </div>
            {opened.losses.length > 0 && (
              <div>
                <h4 className="font-semibold">What was lost, of all that was</h4>
                <LossList losses={opened.losses.slice(0, LOSSES_SHOWN)} />
              </div>
            )}
          </div>
        </div>
      )}
    </section>
  );
}
