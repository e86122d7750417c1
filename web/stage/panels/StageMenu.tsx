import { lazy, type ReactNode, Suspense, useState } from 'react';

/** What opens below a button of the stage: the children are shown in it, and given what closes it. */
export interface StageMenuProps {
  readonly label: string;
  /** What it is for, while it is hovered. */
  readonly tip: string;
  readonly icon: ReactNode;
  readonly width: string;
  readonly children: (close: () => void) => ReactNode;
}

/** Fetches what opens, so that it is there when the server is away. */
export const loadStageMenu = () => import('./StageMenuOpened');
const Opened = lazy(async () => ({ default: (await loadStageMenu()).StageMenuOpened }));

/** A menu at the stage: only a button until it is first opened, so that the stage itself starts with less to load. */
export function StageMenu(props: StageMenuProps) {
  const [asked, setAsked] = useState(false);
  const button = (
    <button type="button" className="stage-button" title={props.tip} aria-haspopup="dialog" aria-expanded={asked} onClick={() => setAsked(true)}>
      {props.icon} {props.label}
    </button>
  );
  if (!asked) return button;
  return (
    <Suspense fallback={button}>
      <Opened {...props} />
    </Suspense>
  );
}
