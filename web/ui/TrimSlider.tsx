import { Slider } from 'radix-ui';
import { useState } from 'react';

interface Props {
  /** Seconds of what is trimmed. */
  readonly seconds: number;
  readonly what: string;
  readonly onTrim: (from: number, to: number) => void;
}

/** Keeps a piece of something recorded. */
export function TrimSlider({ seconds, what, onTrim }: Props) {
  const [range, setRange] = useState<readonly [number, number] | null>(null);
  // A range belongs to what was as long when it was set.
  const [from, to] = range && range[1] <= seconds ? range : [0, seconds];
  const set = range !== null && (from > 0 || to < seconds);
  return (
    <div className="mb-3">
      <p className="mb-1 text-sm">
        Keep from <span className="font-mono">{from.toFixed(1)}</span> to <span className="font-mono">{to.toFixed(1)} s</span>
      </p>
      <Slider.Root
        className="relative flex h-6 w-full touch-none items-center"
        min={0}
        max={seconds}
        step={0.05}
        minStepsBetweenThumbs={2}
        value={[from, to]}
        onValueChange={([a = 0, b = seconds]) => setRange([a, b])}
      >
        <Slider.Track className="relative h-1.5 flex-1 rounded-full bg-bar">
          <Slider.Range className="absolute h-full rounded-full bg-amber" />
        </Slider.Track>
        <Slider.Thumb aria-label={`Begin of the ${what}`} className="block h-5 w-5 rounded-full border-2 border-ink bg-card" />
        <Slider.Thumb aria-label={`End of the ${what}`} className="block h-5 w-5 rounded-full border-2 border-ink bg-card" />
      </Slider.Root>
      <button
        type="button"
        className="button mt-2 !px-3 !py-1 text-sm"
        disabled={!set}
        onClick={() => {
          onTrim(from, to);
          setRange(null);
        }}
      >
        Trim
      </button>
    </div>
  );
}
