import type { ReactNode } from 'react';

interface Props {
  readonly label: string;
  readonly off?: boolean;
  readonly onPress: () => void;
  /** Without a border, for rows of a list. */
  readonly quiet?: boolean;
  /** Its picture. */
  readonly children: ReactNode;
}

/** A button that is a picture: its words are told and stand in its tip. */
export function Tool({ label, off = false, onPress, quiet = false, children }: Props) {
  const look = quiet ? 'rounded p-1.5 text-ink-soft hover:bg-bar hover:text-ink disabled:opacity-30' : 'button !px-2 !py-1';
  return (
    <button type="button" aria-label={label} title={label} className={look} disabled={off} onClick={onPress}>
      {children}
    </button>
  );
}
