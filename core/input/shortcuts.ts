import { type KeyLabels, triggerWords } from './bindings';
import type { Action, Binding, Scheme } from './schemeSchema';

/** The gesture of a scheme that does just this, in words; null where it has none. A key is named before a gesture of the pointer. */
export function shortcutFor(scheme: Pick<Scheme, 'bindings'>, action: Action, labels?: KeyLabels, context: Binding['context'] = 'stage'): string | null {
  const wanted = JSON.stringify(action);
  const same = scheme.bindings.filter((b) => b.context === context && JSON.stringify(b.command) === wanted);
  const found = same.find((b) => b.trigger.kind === 'key' || b.trigger.kind === 'held') ?? same[0];
  return found ? triggerWords(found, labels) : null;
}
