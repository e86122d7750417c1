/**
 * Elementary functions that give the same last digit in every engine.
 *
 * Engines disagree in the last place of their own sines, exponentials and logarithms, and a score must be the same on
 * the server and in the browser. These follow the freely usable fdlibm (Sun Microsystems, 1993), written with
 * additions, multiplications and square roots only, which IEEE 754 fixes to the last bit. Errors are about one unit in
 * the last place for arguments up to a million radians.
 */

const S1 = -1.66666666666666324348e-1;
const S2 = 8.33333333332248946124e-3;
const S3 = -1.98412698298579493134e-4;
const S4 = 2.75573137070700676789e-6;
const S5 = -2.50507602534068634195e-8;
const S6 = 1.58969099521155010221e-10;
const C1 = 4.16666666666666019037e-2;
const C2 = -1.38888888888741095749e-3;
const C3 = 2.48015872894767294178e-5;
const C4 = -2.75573143513906633035e-7;
const C5 = 2.0875723212981748279e-9;
const C6 = -1.13596475577881948265e-11;
const INV_PIO2 = 6.36619772367581382433e-1;
const PIO2_1 = 1.57079632673412561417;
const PIO2_2 = 6.0771005063039659766e-11;
const PIO2_2T = 2.02226624879595063154e-21;

function kernelSin(x: number, y: number): number {
  const z = x * x;
  const v = z * x;
  const r = S2 + z * (S3 + z * (S4 + z * (S5 + z * S6)));
  return x - (z * (0.5 * y - v * r) - y - v * S1);
}

function kernelCos(x: number, y: number): number {
  const z = x * x;
  const r = z * (C1 + z * (C2 + z * (C3 + z * (C4 + z * (C5 + z * C6)))));
  const hz = 0.5 * z;
  const w = 1 - hz;
  return w + (1 - w - hz + (z * r - x * y));
}

/** sin or cos: `shift` 0 or 1 quarter turns are added after the reduction to an eighth of a turn. */
function circular(x: number, shift: number): number {
  let n = 0;
  let y0 = x;
  let y1 = 0;
  if (x > 0.7853981633974483 || x < -0.7853981633974483) {
    n = Math.floor(x * INV_PIO2 + 0.5);
    const first = x - n * PIO2_1;
    const w = n * PIO2_2;
    const r = first - w;
    const tail = n * PIO2_2T - (first - r - w);
    y0 = r - tail;
    y1 = r - y0 - tail;
  }
  // Beyond 2^31 quarter turns the bits are gone; the remainder keeps the answer finite.
  const quarter = ((n % 4) + 4 + shift) % 4;
  if (quarter === 0) return kernelSin(y0, y1);
  if (quarter === 1) return kernelCos(y0, y1);
  if (quarter === 2) return -kernelSin(y0, y1);
  return -kernelCos(y0, y1);
}

export function sin(x: number): number {
  return circular(x, 0);
}

export function cos(x: number): number {
  return circular(x, 1);
}

export function tan(x: number): number {
  return circular(x, 0) / circular(x, 1);
}

const ATAN_HI = [4.63647609000806093515e-1, 7.85398163397448278999e-1, 9.82793723247329054082e-1, 1.570796326794896558] as const;
const ATAN_LO = [2.26987774529616870924e-17, 3.06161699786838301793e-17, 1.39033110312309984516e-17, 6.12323399573676603587e-17] as const;

export function atan(value: number): number {
  if (value !== value) return value;
  const negative = value < 0;
  let x = negative ? -value : value;
  if (x > 1e19) return negative ? -(ATAN_HI[3] + ATAN_LO[3]) : ATAN_HI[3] + ATAN_LO[3];
  let id = -1;
  if (x >= 0.4375) {
    if (x < 0.6875) {
      id = 0;
      x = (2 * x - 1) / (2 + x);
    } else if (x < 1.1875) {
      id = 1;
      x = (x - 1) / (x + 1);
    } else if (x < 2.4375) {
      id = 2;
      x = (x - 1.5) / (1 + 1.5 * x);
    } else {
      id = 3;
      x = -1 / x;
    }
  }
  const rest = atanRest(x);
  if (id < 0) {
    const small = x - rest;
    return negative ? -small : small;
  }
  const r = (ATAN_HI[id] as number) - (rest - (ATAN_LO[id] as number) - x);
  return negative ? -r : r;
}

const PI = 3.141592653589793;
const PI_LO = 1.2246467991473531772e-16;

/** The angle of (x, y), in (-pi, pi]; atan2(0, 0) is 0. */
export function atan2(y: number, x: number): number {
  if (x !== x || y !== y) return Number.NaN;
  if (y === 0) return x < 0 || Object.is(x, -0) ? (Object.is(y, -0) ? -PI : PI) : y;
  if (x === 0) return y > 0 ? PI / 2 : -PI / 2;
  const ratio = y / x;
  const z = atan(ratio < 0 ? -ratio : ratio);
  if (x > 0) return y > 0 ? z : -z;
  return y > 0 ? PI - (z - PI_LO) : z - PI_LO - PI;
}

/** What atan leaves of a reduced argument: x - atan(x) for |x| <= 7/16 (its series). */
function atanRest(x: number): number {
  const z = x * x;
  const w = z * z;
  const s1 =
    z *
    (3.33333333333329318027e-1 +
      w *
        (1.42857142725034663711e-1 +
          w * (9.09088713343650656196e-2 + w * (6.66107313738753120669e-2 + w * (4.97687799461593236017e-2 + w * 1.62858201153657823623e-2)))));
  const s2 =
    w *
    (-1.99999999998764832476e-1 +
      w * (-1.1111110405462355788e-1 + w * (-7.69187620504482999495e-2 + w * (-5.83357013379057348645e-2 + w * -3.6531572744216915527e-2))));
  return x * (s1 + s2);
}

/**
 * The angle between two unit vectors from the length of their cross product, at least 0, and their dot product: 0 … pi.
 * As `atan2`, with one division instead of two: the reduction is done on the two numbers, not on their ratio.
 */
export function angleFrom(sine: number, cosine: number): number {
  const x = cosine < 0 ? -cosine : cosine;
  const y = sine;
  let angle: number;
  if (y < 0.4375 * x) {
    const r = y / x;
    angle = r - atanRest(r);
  } else if (y < 0.6875 * x) {
    const r = (2 * y - x) / (2 * x + y);
    angle = 4.63647609000806093515e-1 - (atanRest(r) - 2.26987774529616870924e-17 - r);
  } else if (y < 1.1875 * x) {
    const r = (y - x) / (y + x);
    angle = 7.85398163397448278999e-1 - (atanRest(r) - 3.06161699786838301793e-17 - r);
  } else if (y < 2.4375 * x) {
    const r = (y - 1.5 * x) / (x + 1.5 * y);
    angle = 9.82793723247329054082e-1 - (atanRest(r) - 1.39033110312309984516e-17 - r);
  } else {
    const r = y === 0 ? 0 : -x / y;
    angle = y === 0 ? 0 : 1.570796326794896558 - (atanRest(r) - 6.12323399573676603587e-17 - r);
  }
  return cosine < 0 ? PI - (angle - PI_LO) : angle;
}

export function asin(x: number): number {
  return atan2(x, Math.sqrt(Math.max(0, (1 - x) * (1 + x))));
}

export function acos(x: number): number {
  return atan2(Math.sqrt(Math.max(0, (1 - x) * (1 + x))), x);
}

const LN2_HI = 6.9314718036912381649e-1;
const LN2_LO = 1.90821492927058770002e-10;
const INV_LN2 = 1.442695040888963387;

/** 2 ** n for whole n, exact by repeated squaring. */
export function powerOfTwo(n: number): number {
  let result = 1;
  let base = n < 0 ? 0.5 : 2;
  let left = Math.abs(n);
  while (left > 0) {
    if (left % 2 === 1) result *= base;
    base *= base;
    left = Math.floor(left / 2);
  }
  return result;
}

export function exp(x: number): number {
  if (x !== x) return x;
  if (x > 709.782712893384) return Number.POSITIVE_INFINITY;
  if (x < -745.1332191019411) return 0;
  const k = x > 0.34657359027997264 || x < -0.34657359027997264 ? Math.floor(INV_LN2 * x + 0.5) : 0;
  const hi = x - k * LN2_HI;
  const lo = k * LN2_LO;
  const r = hi - lo;
  const t = r * r;
  const c =
    r -
    t *
      (1.66666666666666019037e-1 +
        t * (-2.77777777770155933842e-3 + t * (6.61375632143793436117e-5 + t * (-1.6533902205465251539e-6 + t * 4.13813679705723846039e-8))));
  const y = 1 - (lo - (r * c) / (2 - c) - hi);
  if (k < -1000) return y * powerOfTwo(k + 500) * powerOfTwo(-500);
  return k > 1000 ? y * powerOfTwo(k - 10) * 1024 : y * powerOfTwo(k);
}

/** Mantissa in [sqrt(1/2), sqrt 2) and exponent of a positive number, exact. */
function split(x: number): { m: number; k: number } {
  let m = x;
  let k = 0;
  if (m < 1e-300) {
    m *= 18014398509481984;
    k -= 54;
  }
  for (let step = 512; step >= 1; step /= 2) {
    const big = powerOfTwo(step);
    while (m >= big) {
      m /= big;
      k += step;
    }
    while (m * big < 2 && m < 1) {
      m *= big;
      k -= step;
    }
  }
  if (m >= 1.4142135623730951) {
    m /= 2;
    k += 1;
  } else if (m < 0.7071067811865476) {
    m *= 2;
    k -= 1;
  }
  return { m, k };
}

function logOfMantissa(m: number): number {
  const f = m - 1;
  const s = f / (2 + f);
  const z = s * s;
  const w = z * z;
  const t1 = w * (3.999999999940941908e-1 + w * (2.222219843214978396e-1 + w * 1.531383769920937332e-1));
  const t2 = z * (6.66666666666673513e-1 + w * (2.857142874366239149e-1 + w * (1.818357216161805012e-1 + w * 1.479819860511658591e-1)));
  const half = 0.5 * f * f;
  return f - (half - s * (half + t1 + t2));
}

export function log(x: number): number {
  if (x !== x || x < 0) return Number.NaN;
  if (x === 0) return Number.NEGATIVE_INFINITY;
  if (x === Number.POSITIVE_INFINITY) return x;
  const { m, k } = split(x);
  return k * LN2_HI + (logOfMantissa(m) + k * LN2_LO);
}

/** Exact at whole powers of two. */
export function log2(x: number): number {
  if (!(x > 0) || x === Number.POSITIVE_INFINITY) return log(x);
  const { m, k } = split(x);
  return k + logOfMantissa(m) * INV_LN2;
}

/** x ** y for x >= 0. */
export function pow(x: number, y: number): number {
  if (y === 0) return 1;
  if (x === 0) return y > 0 ? 0 : Number.POSITIVE_INFINITY;
  return exp(y * log(x));
}
