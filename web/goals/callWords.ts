import type { AskedCall } from '@core/goals';

/** A call as it is heard. */
export const callWords = (call: AskedCall): string =>
  call.kind === 'standard' ? `the ${call.name.replaceAll('-', ' ')}` : call.kind === 'opposite' ? 'the opposite of this' : call.name;
