import type { AnswerOf } from '@web/http/answers';
import { call, wordsOf } from '@web/ui/api';
import { keptScheme, usualScheme } from '@web/ui/keptScheme';
import { Sheet } from '@web/ui/Sheet';
import { Command } from 'cmdk';
import { useEffect, useState } from 'react';
import type { PageFound } from './pages';
import { synonymsOf } from './synonyms';

const KIND_WORDS = { exercise: 'Exercise', person: 'Learner', group: 'Group', course: 'Course', model: 'Model' } as const;
const ITEM = 'flex cursor-pointer items-baseline justify-between gap-4 rounded-lg px-3 py-2 data-[selected=true]:bg-bar';
const GROUP = '[&_[cmdk-group-heading]]:px-3 [&_[cmdk-group-heading]]:pt-2 [&_[cmdk-group-heading]]:text-ink-soft [&_[cmdk-group-heading]]:text-sm';

/** Every word that is written has to begin a word of the line, in any order; its own words count more than its synonyms. */
export function rank(value: string, search: string, keywords: readonly string[] = []): number {
  const has = (words: string): boolean => {
    const lower = words.toLowerCase().split(/[^\p{L}\p{N}]+/u);
    return search
      .toLowerCase()
      .split(/\s+/)
      .every((part) => lower.some((word) => word.startsWith(part)));
  };
  if (has(value)) return 1;
  return has(`${value} ${keywords.join(' ')}`) ? 0.5 : 0;
}

/** Pages, exercises, people, and what the stage does with its gesture, found by what one would call them. */
export function Finder({ pages, onClose }: { readonly pages: readonly PageFound[]; readonly onClose: () => void }) {
  const [found, setFound] = useState<AnswerOf<'findable'> | null>(null);
  const [told, setTold] = useState<string | null>(null);
  const [error, setError] = useState<string | null>(null);
  useEffect(() => {
    call('findable', { params: { scheme: keptScheme() ?? usualScheme() } }).then(setFound, (problem) => setError(wordsOf(problem)));
  }, []);
  const go = (href: string): void => {
    window.location.href = href;
  };
  return (
    <Sheet open onOpenChange={(open) => open || onClose()} title="Find" about="A page, an exercise, a person, or what the stage can do.">
      <Command filter={rank} label="Find">
        <Command.Input autoFocus className="field" placeholder="What are you looking for?" onValueChange={() => setTold(null)} />
        <Command.List className="mt-2 h-[45vh] overflow-y-auto">
          <Command.Empty className="px-3 py-2 text-ink-soft">{found ? 'Nothing here is called so. Try another word for it.' : 'Looking …'}</Command.Empty>
          <Command.Group heading="Pages" className={GROUP}>
            {pages.map(({ name, href, also }) => (
              <Command.Item key={href} value={name} keywords={[also]} className={ITEM} onSelect={() => go(href)}>
                {name}
              </Command.Item>
            ))}
          </Command.Group>
          {found && (
            <Command.Group heading="Exercises and people" className={GROUP}>
              {found.places.map(({ kind, name, href }) => (
                <Command.Item key={href} value={`${name} ${href.slice(-4)}`} keywords={[KIND_WORDS[kind]]} className={ITEM} onSelect={() => go(href)}>
                  <span className="min-w-0 truncate">{name}</span>
                  <span className="text-ink-soft text-sm">{KIND_WORDS[kind]}</span>
                </Command.Item>
              ))}
            </Command.Group>
          )}
          {found && (
            <Command.Group heading="On the stage" className={GROUP}>
              {found.gestures.map(({ does, gesture }) => (
                <Command.Item
                  key={`${does} ${gesture}`}
                  value={`${does} ${gesture}`}
                  keywords={[synonymsOf(does)]}
                  className={ITEM}
                  onSelect={() => setTold(`${does}: ${gesture}, on the stage.`)}
                >
                  <span className="min-w-0">{does}</span>
                  <span className="kbd whitespace-nowrap">{gesture}</span>
                </Command.Item>
              ))}
            </Command.Group>
          )}
        </Command.List>
      </Command>
      <p className={`min-h-6 px-3 pt-1 text-sm ${error ? 'text-signal' : ''}`} role="status">
        {error ?? told}
      </p>
    </Sheet>
  );
}
