import type { GoalOf } from '@core/goals';
import { MOST_QUESTIONS } from '@core/goals/whichWay/kind';
import { type AlikeViews, standardViewOf } from '@core/measures';
import { anglesOf, nearestStandard, type StandardName, type View, viewWords } from '@core/view';
import { wordsOf } from '@web/ui/api';
import { Choice } from '@web/ui/fields';
import { useState } from 'react';
import { authorWorker } from '../authorWorker';
import type { FieldsProps } from '../goalParts';
import { NumberedList } from '../NumberedList';
import { PartsField } from '../PartsField';

/** As many pairs are suggested. */
const SUGGESTED = 6;

const ASKS = [
  { id: 'side', label: 'From which side' },
  { id: 'side and height', label: 'Side and height' },
] as const;

const degrees = (angle: number): string => `${Math.round((angle * 180) / Math.PI)}°`;

/** A view by the standard one that is nearest, and by its angles where it is none. */
function questionWords({ orientation }: View): string {
  const { name, angle } = nearestStandard(orientation);
  const { azimuth, elevation } = anglesOf(orientation);
  return angle < 0.01 ? `the ${viewWords(name)}` : `near the ${viewWords(name)} (${degrees(azimuth)} round, ${degrees(elevation)} high)`;
}

export function WhichWayFields({ goal, session, scene, mesh, show, onChange }: FieldsProps<GoalOf<'whichWay'>>) {
  const [found, setFound] = useState<readonly AlikeViews[] | 'busy' | null>(null);
  const [error, setError] = useState<string | null>(null);
  const home = session.context.home ?? session.getState().scene.view;
  const parts = goal.part === undefined ? [] : [goal.part];
  const add = (...views: readonly View[]): void => onChange({ ...goal, questions: [...goal.questions, ...views].slice(0, MOST_QUESTIONS) });
  const suggest = async (): Promise<void> => {
    if (!mesh) return;
    setFound('busy');
    setError(null);
    try {
      const worker = await authorWorker(mesh, home);
      setFound(await worker.alikeViews(parts));
    } catch (problem) {
      setFound(null);
      setError(wordsOf(problem));
    }
  };
  const full = goal.questions.length >= MOST_QUESTIONS;
  return (
    <>
      <NumberedList
        what="question"
        words={goal.questions.map(questionWords)}
        onShow={(number) => goal.questions[number] && show(goal.questions[number])}
        onRemove={(number) => onChange({ ...goal, questions: goal.questions.filter((_, n) => n !== number) })}
      />
      <div className="mb-3 flex flex-wrap gap-2">
        <button type="button" className="button-main !py-2" disabled={full} onClick={() => add(session.getState().scene.view)}>
          Ask about this view
        </button>
        <button type="button" className="button !py-1 text-sm" disabled={!mesh || found === 'busy'} onClick={() => void suggest()}>
          {found === 'busy' ? 'Looking for them …' : 'Views that look alike'}
        </button>
      </div>
      {full && <p className="mb-2 text-ink-soft text-sm">{MOST_QUESTIONS} questions are the most that one step takes.</p>}
      {error && (
        <p role="alert" className="mb-2 text-signal text-sm">
          {error}
        </p>
      )}
      {found !== null && found !== 'busy' && (
        <div className="mb-3 rounded-md border border-rule p-2 text-sm">
          {found.length === 0 ? (
            'No two standard views of it have the same outline: set views of your own.'
          ) : (
            <>
              <p className="mb-1 text-ink-soft">Same outline from two sides: ask about both.</p>
              <ul className="space-y-1">
                {found.slice(0, SUGGESTED).map(({ a, b, overlap }) => (
                  <li key={`${a} ${b}`} className="flex items-center gap-2">
                    <span className="flex-1">
                      {viewWords(a)} and {viewWords(b)} <span className="text-ink-soft">({Math.round(overlap * 100)} %)</span>
                    </span>
                    <button
                      type="button"
                      className="button-quiet text-sm"
                      disabled={full || !mesh}
                      onClick={() => mesh && add(...[a, b].map((name: StandardName) => standardViewOf(mesh, home, parts, name)))}
                    >
                      Ask both
                    </button>
                  </li>
                ))}
              </ul>
            </>
          )}
        </div>
      )}
      <Choice<GoalOf<'whichWay'>['ask']> label="What is asked" value={goal.ask} options={ASKS} onChange={(ask) => onChange({ ...goal, ask })} />
      <PartsField
        label="What is shown"
        none="The whole model"
        parts={parts}
        mesh={mesh}
        picked={scene.selection.parts}
        onChange={(chosen) => {
          // One part, the one that was added last.
          const { part: _, ...rest } = goal;
          const part = chosen.find((id) => id !== goal.part) ?? chosen[0];
          onChange(part === undefined ? rest : { ...rest, part });
        }}
      />
    </>
  );
}
