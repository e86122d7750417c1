import { SKILLS } from '@core/exercise';
import { FAMILIES, FAMILY_WORDS } from '@web/ui/familyWords';
import { shownPoints } from '@web/ui/points';
import { Check, ChevronDown, TrendingDown } from 'lucide-react';
import { useEffect, useState } from 'react';
import { SkillOpened } from './SkillOpened';
import { levelLook, type SkillLine, STATE_WORDS } from './skills';

interface Props {
  readonly personId: string;
  readonly skills: readonly SkillLine[];
  /** Whether attempts open where they can be looked at again, rather than with their card. */
  readonly review: boolean;
}

/** "Orbit with the mouse: 74, between 61 and 84, from 8 attempts, due". */
function wordsOf(label: string, { family, shown, state, count, due, spread }: SkillLine): string {
  const level = state === 'few' ? 'too few attempts' : `${shownPoints(shown.level)}, between ${shownPoints(shown.low)} and ${shownPoints(shown.high)}`;
  return `${label}, ${FAMILY_WORDS[family]}: ${level}, from ${count} ${count === 1 ? 'attempt' : 'attempts'}${state === 'few' ? '' : ` ${STATE_WORDS[state]}`}${due ? ', due to be practised' : ''}${spread ? `; half of ${spread.others} others between ${shownPoints(spread.low)} and ${shownPoints(spread.high)}` : ''}`;
}

function Cell({ line }: { readonly line: SkillLine }) {
  const { shown, state, count, due, spread } = line;
  if (state === 'few')
    return (
      <span className="text-ink-soft text-sm">
        few <span className="font-mono">{count}×</span>
      </span>
    );
  return (
    <>
      <span className="relative h-3 min-w-12 max-w-80 flex-1 sm:min-w-24 rounded-full bg-bar">
        {spread && (
          <span
            data-spread=""
            className="absolute inset-y-[-4px] rounded-sm border border-ink-soft border-dashed"
            style={{ left: `${spread.low}%`, right: `${100 - spread.high}%` }}
          />
        )}
        <span
          className={`absolute inset-y-0 rounded-full opacity-50 ${levelLook(shown.level)}`}
          style={{ left: `${shown.low}%`, right: `${100 - shown.high}%` }}
        />
        <span className="-translate-x-1/2 absolute inset-y-[-3px] w-[3px] rounded bg-ink" style={{ left: `${shown.level}%` }} />
      </span>
      <span className="w-7 text-right font-mono">{shownPoints(shown.level)}</span>
      <span className="flex w-20 shrink-0 items-center gap-1 whitespace-nowrap text-ink-soft text-sm">
        {state === 'mastered' && <Check size={14} className="text-sea" aria-hidden="true" />}
        {state === 'fading' && <TrendingDown size={14} className="text-amber" aria-hidden="true" />}
        {STATE_WORDS[state]}
        {due && state !== 'fading' && <span className="text-signal">due</span>}
      </span>
    </>
  );
}

/** The sixteen skills in the order in which they are taught, by what they are practised with; one at a time opens. */
export function SkillMap({ personId, skills, review }: Props) {
  const [open, setOpen] = useState<SkillLine | null>(null);
  // Other pages lead to one skill: #orbit-mouse.
  useEffect(() => {
    const named = skills.find(({ skill, family }) => window.location.hash === `#${skill}-${family}`);
    if (!named) return;
    setOpen(named);
    document.getElementById('skill-map')?.scrollIntoView();
  }, [skills]);
  const families = FAMILIES.filter((family) => skills.some((line) => line.family === family));
  return (
    <section className="card p-5" aria-labelledby="skill-map">
      <h2 id="skill-map" className="text-xl">
        Skills
      </h2>
      <p className="mb-3 text-ink-soft text-sm">
        In the order in which they are taught. The stroke is the level, 0 to 100; four times in five it lies within the bar. Choose one to see how it came
        about.{skills.some(({ spread }) => spread) && ' The dashed frame holds the middle half of the others in the group.'}
      </p>
      <div className="overflow-x-auto">
        <table className="w-full text-left" data-testid="skills">
          <thead>
            <tr className="border-ink border-b text-ink-soft text-sm">
              <th className="py-1.5 font-normal">Skill</th>
              {families.map((family) => (
                <th key={family} className="font-normal">
                  {FAMILY_WORDS[family]}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {SKILLS.map(({ id, label }) => (
              <tr key={id} className="border-rule border-b">
                <th scope="row" className={`py-1 pr-4 ${skills.some(({ skill }) => skill === id) ? 'font-semibold' : 'font-normal text-ink-soft'}`}>
                  {label}
                </th>
                {families.map((family) => {
                  const line = skills.find((each) => each.skill === id && each.family === family);
                  const opened = open !== null && open.skill === id && open.family === family;
                  return (
                    <td key={family} className="pr-4">
                      {line ? (
                        <button
                          type="button"
                          data-level={`${id} ${family}`}
                          aria-expanded={opened}
                          aria-label={wordsOf(label, line)}
                          className={`flex w-full items-center gap-2 rounded-lg border px-2 py-1 sm:gap-3 hover:border-ink ${opened ? 'border-ink bg-paper' : 'border-transparent'}`}
                          onClick={() => setOpen(opened ? null : line)}
                        >
                          <Cell line={line} />
                          <ChevronDown size={14} className={`ml-auto text-ink-soft print:hidden ${opened ? 'rotate-180' : ''}`} aria-hidden="true" />
                        </button>
                      ) : (
                        <span className="px-2 text-ink-soft" role="img" aria-label="not tried">
                          ·
                        </span>
                      )}
                    </td>
                  );
                })}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {open && <SkillOpened key={`${open.skill} ${open.family}`} personId={personId} line={open} review={review} />}
    </section>
  );
}
