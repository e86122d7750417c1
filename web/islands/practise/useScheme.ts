import { type LabelledScheme, type Scheme, type SentScheme, schemesReceived } from '@core/input';
import type { PuckMoves } from '@web/stage/puck/PuckPanel';
import { keepScheme, keptScheme, usualScheme } from '@web/ui/keptScheme';
import { useKeyLabels } from '@web/ui/keyLabels';
import { useMemo, useState } from 'react';

/** Whether the puck moves the model or the camera: a matter of the hand, so it is kept with the browser. */
const KEPT_MOVES = 'dial-home-puck-moves';

/** Of some schemes the one that the address names, the one that was chosen last in this browser, or what most begin with; `none`: what is said where there is none. */
export function schemeOfBrowser(schemes: readonly Scheme[], none: string): Scheme {
  const asked = new URLSearchParams(window.location.search).get('scheme');
  const found = [asked, keptScheme(), usualScheme(), 'two-button-mouse'].flatMap((id) => schemes.find((scheme) => scheme.id === id) ?? [])[0] ?? schemes[0];
  if (!found) throw new Error(none);
  return found;
}

export interface SchemeInUse {
  readonly schemes: readonly Scheme[];
  /** As it was chosen, in its revision. */
  readonly chosen: Scheme;
  /** As it is used: with what this hand has set of the puck. */
  readonly scheme: Scheme;
  /** The same with what stands on the keys. */
  readonly labelled: LabelledScheme;
  readonly labels: ReturnType<typeof useKeyLabels>;
  /** Chooses a scheme, and remembers it in this browser. */
  readonly choose: (scheme: Scheme) => void;
  /** Takes the scheme of an attempt that is gone on with. */
  readonly take: (scheme: Scheme) => void;
  readonly setMoves: (moves: PuckMoves) => void;
}

/** The scheme that one practises with. */
export function useScheme(sent: readonly SentScheme[]): SchemeInUse {
  const [schemes] = useState(() => schemesReceived(sent));
  const [chosen, take] = useState(() => schemeOfBrowser(schemes, 'This exercise allows no scheme.'));
  const [moves, setMoves] = useState<PuckMoves | null>(() => (window.localStorage.getItem(KEPT_MOVES) as PuckMoves | null) ?? null);
  const scheme = useMemo(
    () => (chosen.options.puck && moves ? { ...chosen, options: { ...chosen.options, puck: { ...chosen.options.puck, moves } } } : chosen),
    [chosen, moves],
  );
  const labels = useKeyLabels();
  const labelled = useMemo(() => (labels ? { ...scheme, labels } : scheme), [scheme, labels]);
  return {
    schemes,
    chosen,
    scheme,
    labelled,
    labels,
    choose(found) {
      keepScheme(found.id);
      take(found);
    },
    take,
    setMoves(next) {
      window.localStorage.setItem(KEPT_MOVES, next);
      setMoves(next);
    },
  };
}
