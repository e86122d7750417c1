import { useLatest } from '@web/ui/useLatest';
import { Search } from 'lucide-react';
import { useEffect, useRef } from 'react';

interface Props {
  /** For a screen reader. */
  readonly label: string;
  readonly placeholder: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
  readonly compact?: boolean;
  readonly className?: string;
}

/** A field to look for something by its words. */
export function SearchField({ label, placeholder, value, onChange, compact = false, className = '' }: Props) {
  const input = useRef<HTMLInputElement>(null);
  const changed = useLatest(onChange);
  // What was written before the page listened counts, too.
  useEffect(() => {
    const written = input.current?.value;
    if (written) changed.current(written);
  }, [changed]);
  return (
    <label className={`relative block ${className}`}>
      <span className="sr-only">{label}</span>
      <Search size={compact ? 15 : 16} className={`absolute left-3 text-ink-soft ${compact ? 'top-[7px]' : 'top-3'}`} aria-hidden="true" />
      <input
        ref={input}
        className={`field !pl-9 ${compact ? '!py-1 text-sm' : ''}`}
        placeholder={placeholder}
        value={value}
        onChange={(e) => onChange(e.target.value)}
      />
    </label>
  );
}
