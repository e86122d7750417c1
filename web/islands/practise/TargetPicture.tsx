import type { Scene } from '@core/navigation';
import type { StageHandle } from '@web/stage/useStage';
import { lazy, Suspense, useEffect, useState } from 'react';

/** The picture of a target: drawn from the target itself, or the published one where the target is hidden. */
export function useTargetPicture(handle: StageHandle | null, target: Scene | null, published: string | null): string | null {
  const [picture, setPicture] = useState<string | null>(null);
  useEffect(() => {
    let current = true;
    setPicture(published);
    if (!published && handle && target) {
      void handle.pictureOf(target, 960).then((data) => {
        if (current) setPicture(data);
      });
    }
    return () => {
      current = false;
    };
  }, [handle, target, published]);
  return picture;
}

/** Loaded when it is first opened. */
export const loadTargetLarge = () => import('./TargetLarge');
const TargetLarge = lazy(async () => ({ default: (await loadTargetLarge()).TargetLarge }));

/** The picture of the target: a press shows it large, a hold of its button lays it over the stage. */
export function TargetPicture({ picture, onLay }: { readonly picture: string; readonly onLay: (laid: boolean) => void }) {
  const [large, setLarge] = useState(false);
  return (
    <figure className="shrink-0 overflow-hidden rounded-xl border-2 border-ink bg-card">
      <button type="button" aria-label="Show the target large" className="block w-full" onClick={() => setLarge(true)}>
        <img src={picture} alt="The target view" className="aspect-[1.6] w-full bg-stage" />
      </button>
      {large && (
        <Suspense>
          <TargetLarge picture={picture} onClose={() => setLarge(false)} />
        </Suspense>
      )}
      <figcaption className="flex flex-wrap items-center justify-between gap-x-2 border-ink border-t px-3 py-1.5">
        <span className="font-semibold">Target</span>
        <button
          type="button"
          className="touch-none select-none pointer-coarse:py-1.5 text-ink-soft text-sm"
          onContextMenu={(event) => event.preventDefault()}
          onPointerDown={() => onLay(true)}
          onPointerUp={() => onLay(false)}
          onPointerCancel={() => onLay(false)}
          onPointerLeave={() => onLay(false)}
          onBlur={() => onLay(false)}
          onKeyDown={(e) => (e.key === 'Enter' || e.key === ' ') && onLay(true)}
          onKeyUp={() => onLay(false)}
        >
          hold{' '}
          <span className="pointer-coarse:hidden">
            <span className="kbd">T</span>{' '}
          </span>
          to lay over
        </button>
      </figcaption>
    </figure>
  );
}

/** True while the T key is held down. */
export function useLayOver(): [boolean, (laid: boolean) => void] {
  const [laid, setLaid] = useState(false);
  useEffect(() => {
    const change = (down: boolean) => (event: KeyboardEvent) => {
      if (event.code !== 'KeyT' || event.ctrlKey || event.metaKey || (event.target instanceof Element && event.target.closest('input, textarea, select')))
        return;
      setLaid(down);
    };
    const down = change(true);
    const up = change(false);
    const away = (): void => setLaid(false);
    window.addEventListener('keydown', down);
    window.addEventListener('keyup', up);
    window.addEventListener('blur', away);
    return () => {
      window.removeEventListener('keydown', down);
      window.removeEventListener('keyup', up);
      window.removeEventListener('blur', away);
    };
  }, []);
  return [laid, setLaid];
}
