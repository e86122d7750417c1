import { TREMOR } from '@core/simulation/simulatePuck';
import { wordsOf } from '@web/ui/api';
import { Sheet } from '@web/ui/Sheet';
import { type FormEvent, useState } from 'react';
import type { Puck } from './usePuck';

const KEPT = 'dial-home-puck-script';
const EXAMPLE = `[
  { "twist": 0.6, "seconds": 1.5 },
  { "tilt": -0.3, "push": -0.4, "seconds": 1 },
  { "buttons": [1], "seconds": 0.2 }
]
`;

/** Plays motions on the simulated 3D mouse from a script: a JSON list of strokes, by a hand that trembles. */
export function PuckScript({ puck }: { readonly puck: Puck }) {
  const [open, setOpen] = useState(false);
  const [text, setText] = useState(EXAMPLE);
  const [seed, setSeed] = useState('1');
  const [tremor, setTremor] = useState(String(TREMOR * 100));
  const [error, setError] = useState<string | null>(null);
  const begin = (): void => {
    setText(window.localStorage.getItem(KEPT) ?? EXAMPLE);
    setError(null);
    setOpen(true);
  };
  const play = async (event: FormEvent): Promise<void> => {
    event.preventDefault();
    // A sheet's form is, for React, within whatever opened the sheet.
    event.stopPropagation();
    try {
      // What reads scripts is loaded by those who play one.
      const { readPuckScript } = await import('@formats/puckScript');
      const script = readPuckScript(text);
      window.localStorage.setItem(KEPT, text);
      setError(null);
      setOpen(false);
      puck.play(script, Number(seed), Number(tremor) / 100);
    } catch (problem) {
      setError(wordsOf(problem));
    }
  };
  if (puck.playing !== null)
    return (
      <button type="button" className="button-quiet text-xs" onClick={puck.stop}>
        Stop <span className="font-mono">{puck.playing.toFixed(1)} s</span>
      </button>
    );
  return (
    <>
      <button type="button" className="button-quiet text-xs" onClick={begin}>
        Play a script …
      </button>
      <Sheet
        open={open}
        onOpenChange={setOpen}
        title="Play motions"
        about="A JSON list of motions, one after the other. Each has slide, push, lift, tilt, lean and twist from -1 to 1, its seconds, and buttons that go down."
      >
        <form onSubmit={play}>
          <label className="block">
            <span className="sr-only">Motions</span>
            <textarea className="field font-mono text-sm" rows={9} spellCheck={false} value={text} onChange={(e) => setText(e.target.value)} />
          </label>
          {error && (
            <p role="alert" className="mt-1 font-semibold text-signal text-sm">
              {error}
            </p>
          )}
          <div className="mt-3 flex flex-wrap items-center gap-4 text-sm">
            <label className="flex items-center gap-2">
              The hand trembles by, % of the stroke
              <input
                type="number"
                className="field !w-20 !py-1 text-right font-mono"
                min={0}
                max={20}
                step={0.1}
                required
                value={tremor}
                onChange={(e) => setTremor(e.target.value)}
              />
            </label>
            <label className="flex items-center gap-2">
              Seed
              <input
                type="number"
                className="field !w-20 !py-1 text-right font-mono"
                min={0}
                max={4294967295}
                step={1}
                required
                value={seed}
                onChange={(e) => setSeed(e.target.value)}
              />
            </label>
            <label className="button !py-1 cursor-pointer">
              Open a file
              <input
                type="file"
                accept=".json,application/json"
                className="sr-only"
                onChange={async (e) => {
                  const file = e.target.files?.[0];
                  if (file) setText(await file.text());
                }}
              />
            </label>
            <button type="submit" className="button-main ml-auto !py-1.5">
              Play
            </button>
          </div>
        </form>
      </Sheet>
    </>
  );
}
