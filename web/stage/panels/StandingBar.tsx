import { type Scheme, shortcutFor } from '@core/input';
import { useKeyLabels } from '@web/ui/keyLabels';
import { useStore } from 'zustand';
import type { Aids } from '../aids';

/** While one stands inside: the choices of floor and walls, the speed, and the way out. */
export function StandingBar({ aids, scheme }: { readonly aids: Aids; readonly scheme: Scheme }) {
  const labels = useKeyLabels();
  const { floor, walls, speed } = useStore(aids);
  const choice = (aid: 'floor' | 'walls', on: boolean, yes: string, no: string) => (
    <button type="button" className="stage-button" aria-pressed={on} onClick={() => aids.toggle(aid, null)}>
      {on ? yes : no} <span className="kbd !leading-5">{shortcutFor(scheme, { kind: 'aid', does: aid }, labels, 'standing')}</span>
    </button>
  );
  const wheel = scheme.bindings.some((b) => b.context === 'standing' && b.trigger.kind === 'wheel');
  return (
    <section aria-label="Standing inside" className="flex gap-1.5">
      {choice('floor', floor, 'On the floor', 'Flying')}
      {choice('walls', walls, 'Solid walls', 'Through walls')}
      <span className="stage-button" title={wheel ? 'The wheel sets the speed.' : undefined}>
        <span className="font-mono">{speed.toFixed(1)}</span> m/s
      </span>
      <button type="button" className="stage-button" onClick={() => aids.toggle('standing', null)}>
        Step out <span className="kbd !leading-5">{shortcutFor(scheme, { kind: 'aid', does: 'standing' }, labels)}</span>
      </button>
    </section>
  );
}
