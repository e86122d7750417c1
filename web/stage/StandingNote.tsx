import { type Aid, type Binding, type Scheme, triggerWords } from '@core/input';
import { useStore } from 'zustand';
import type { Aids } from './aids';

/** The key of a scheme that turns an aid on and off. */
export function aidKey(scheme: Scheme, aid: Aid, context: Binding['context'] = 'stage'): string | null {
  const found = scheme.bindings.find((b) => b.context === context && b.trigger.kind === 'key' && b.command.kind === 'aid' && b.command.does === aid);
  return found ? triggerWords(found) : null;
}

/** While one stands inside: what the keys do now, and the choices of floor and walls. */
export function StandingNote({ aids, scheme }: { readonly aids: Aids; readonly scheme: Scheme }) {
  const { floor, walls, speed } = useStore(aids);
  const choice = (aid: 'floor' | 'walls', on: boolean, yes: string, no: string) => (
    <button type="button" className="button !px-2.5 !py-0.5 text-xs" aria-pressed={on} onClick={() => aids.toggle(aid, null)}>
      {on ? yes : no} <span className="kbd !text-[10px]">{aidKey(scheme, aid, 'standing')}</span>
    </button>
  );
  const wheel = scheme.bindings.some((b) => b.context === 'standing' && b.trigger.kind === 'wheel');
  return (
    <section aria-label="Standing inside" className="absolute bottom-2 left-2 rounded-xl border border-ink bg-card/95 px-3 py-2 text-sm shadow-sm">
      <p>
        <strong>Standing inside.</strong> Hold the arrows to walk and look, [ and ] to step aside, page keys to rise and sink.
      </p>
      <div className="mt-1.5 flex items-center gap-2">
        {choice('floor', floor, 'On the floor', 'Flying')}
        {choice('walls', walls, 'Solid walls', 'Through walls')}
        <span className="text-ink-soft text-xs">
          <span className="font-mono">{speed.toFixed(1)}</span> m/s{wheel ? ' (wheel)' : ''}
        </span>
        <button type="button" className="button !px-2.5 !py-0.5 text-xs" onClick={() => aids.toggle('standing', null)}>
          Step out <span className="kbd !text-[10px]">{aidKey(scheme, 'standing')}</span>
        </button>
      </div>
    </section>
  );
}
