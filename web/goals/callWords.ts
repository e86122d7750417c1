import type { AskedCall } from '@core/goals';
import { viewWords } from '@core/view';

/** A call as it is heard. */
export const callWords = (call: AskedCall): string =>
  call.kind === 'standard' ? `the ${viewWords(call.name)}` : call.kind === 'opposite' ? 'the opposite of this' : call.name;
