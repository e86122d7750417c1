import { Moon, Sun } from 'lucide-react';
import { useEffect, useState } from 'react';

/** Day or night watch; kept in a cookie so that the first picture is right. */
export function ThemeSwitch() {
  const [night, setNight] = useState(false);
  useEffect(() => setNight(document.documentElement.dataset.theme === 'night'), []);
  // Paper is white, at night too.
  useEffect(() => {
    if (!night) return;
    const root = document.documentElement;
    const toDay = (): void => {
      root.dataset.theme = 'day';
    };
    const toNight = (): void => {
      root.dataset.theme = 'night';
    };
    window.addEventListener('beforeprint', toDay);
    window.addEventListener('afterprint', toNight);
    return () => {
      window.removeEventListener('beforeprint', toDay);
      window.removeEventListener('afterprint', toNight);
    };
  }, [night]);
  const change = (): void => {
    const next = night ? 'day' : 'night';
    document.documentElement.dataset.theme = next;
    // biome-ignore lint/suspicious/noDocumentCookie: the one cookie a page sets itself; the Cookie Store API is not in every browser.
    document.cookie = `dh_theme=${next}; path=/; max-age=31536000; samesite=lax`;
    setNight(!night);
  };
  return (
    <button
      type="button"
      onClick={change}
      aria-label={night ? 'Day theme' : 'Night watch theme'}
      title={night ? 'Day' : 'Night watch'}
      className="grid h-9 w-9 place-items-center rounded-full hover:bg-bar"
    >
      {night ? <Sun size={18} aria-hidden="true" /> : <Moon size={18} aria-hidden="true" />}
    </button>
  );
}
