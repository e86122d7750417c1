/** One tab at a time holds an attempt: it alone writes it down and sends it. */

const BEAT = 3000;
/** A sign of life that is older than this came from a tab that is gone, ms. */
const STALE = 10_000;

/** Takes hold of `name`; null when another tab has it. The hold ends with the tab, or when it is let go. */
export async function hold(name: string): Promise<(() => void) | null> {
  return navigator.locks ? holdByLock(name) : holdByBeat(name);
}

function holdByLock(name: string): Promise<(() => void) | null> {
  return new Promise((done) => {
    void navigator.locks.request(`dial-home ${name}`, { ifAvailable: true }, (lock) => {
      if (!lock) {
        done(null);
        return;
      }
      return new Promise<void>((release) => done(release));
    });
  });
}

/** Pages that were not fetched safely have no locks: there a tab gives signs of life where the others see them. */
function holdByBeat(name: string): (() => void) | null {
  const key = `dial-home-hold ${name}`;
  const mine = Math.random().toString(36).slice(2);
  const [holder, at] = (localStorage.getItem(key) ?? '').split(' ');
  if (holder && Date.now() - Number(at) < STALE) return null;
  const beat = (): void => localStorage.setItem(key, `${mine} ${Date.now()}`);
  beat();
  const timer = setInterval(beat, BEAT);
  const letGo = (): void => {
    clearInterval(timer);
    window.removeEventListener('pagehide', letGo);
    if (localStorage.getItem(key)?.startsWith(mine)) localStorage.removeItem(key);
  };
  window.addEventListener('pagehide', letGo);
  return letGo;
}
