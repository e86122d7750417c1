import { exact } from '../math';

const CUT_HZ = 10;
const THRESHOLD = 0.05;
const PADDING_LEVEL = 4;

/** Magnitudes of the discrete Fourier transform of a real signal padded to `size` (a power of two), bins 0 … size / 2. */
function spectrum(signal: readonly number[], size: number): Float64Array {
  const re = new Float64Array(size);
  const im = new Float64Array(size);
  const bits = Math.round(exact.log2(size));
  for (let i = 0; i < size; i++) {
    let reversed = 0;
    for (let b = 0; b < bits; b++) if (i & (1 << b)) reversed |= 1 << (bits - 1 - b);
    re[reversed] = signal[i] ?? 0;
  }
  for (let span = 2; span <= size; span *= 2) {
    const half = span / 2;
    for (let k = 0; k < half; k++) {
      const c = exact.cos((-2 * Math.PI * k) / span);
      const s = exact.sin((-2 * Math.PI * k) / span);
      for (let i = k; i < size; i += span) {
        const j = i + half;
        const xr = (re[j] as number) * c - (im[j] as number) * s;
        const xi = (re[j] as number) * s + (im[j] as number) * c;
        re[j] = (re[i] as number) - xr;
        im[j] = (im[i] as number) - xi;
        re[i] = (re[i] as number) + xr;
        im[i] = (im[i] as number) + xi;
      }
    }
  }
  const magnitude = new Float64Array(size / 2 + 1);
  for (let i = 0; i <= size / 2; i++) magnitude[i] = Math.sqrt((re[i] as number) ** 2 + (im[i] as number) ** 2);
  return magnitude;
}

/**
 * Spectral arc length of a speed profile (Balasubramanian, Melendez-Calderon, Roby-Brami & Burdet 2015): the negative
 * length of the normalised magnitude spectrum up to 10 Hz, shortened to the last frequency that reaches 0.05. Nearer to
 * zero is smoother. No movement gives 0.
 */
export function sparc(speed: readonly number[], hz: number): number {
  if (speed.length === 0 || !speed.some((s) => s !== 0)) return 0;
  const size = powerOfTwoAtLeast(speed.length) * 2 ** PADDING_LEVEL;
  const magnitude = spectrum(speed, Math.max(2, size));
  let most = 0;
  for (const m of magnitude) most = Math.max(most, m);
  const step = hz / Math.max(2, size);
  const within: number[] = [];
  for (let i = 0; i < magnitude.length && i * step <= CUT_HZ; i++) within.push((magnitude[i] as number) / most);
  let first = within.findIndex((m) => m >= THRESHOLD);
  let last = within.length - 1;
  while (last > 0 && (within[last] as number) < THRESHOLD) last--;
  if (first < 0) first = 0;
  if (last <= first) return 0;
  const span = (last - first) * step;
  let length = 0;
  for (let i = first + 1; i <= last; i++) {
    const df = step / span;
    const dm = (within[i] as number) - (within[i - 1] as number);
    length -= Math.sqrt(df * df + dm * dm);
  }
  return length;
}

function powerOfTwoAtLeast(n: number): number {
  let p = 1;
  while (p < n) p *= 2;
  return p;
}
