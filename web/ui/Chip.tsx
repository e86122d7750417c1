import { X } from 'lucide-react';

interface Props {
  readonly words: string;
  /** What its button does, for those who do not see it. */
  readonly label: string;
  readonly disabled?: boolean;
  readonly onRemove: () => void;
}

/** One of several things that were chosen, with a button that takes it away; stands in a list. */
export function Chip({ words, label, disabled = false, onRemove }: Props) {
  return (
    <li className="flex items-center gap-1 rounded-full bg-bar py-0.5 pr-1 pl-3 text-sm">
      {words}
      <button type="button" aria-label={label} className="grid h-5 w-5 place-items-center rounded-full hover:bg-card" disabled={disabled} onClick={onRemove}>
        <X size={13} aria-hidden="true" />
      </button>
    </li>
  );
}
