import type { Modifier } from '@core/input';

/** The keys that are held with an event, always in the same order. */
export const modifiersOf = (event: { readonly shiftKey: boolean; readonly ctrlKey: boolean; readonly altKey: boolean }): Modifier[] => [
  ...(event.shiftKey ? (['shift'] as const) : []),
  ...(event.ctrlKey ? (['ctrl'] as const) : []),
  ...(event.altKey ? (['alt'] as const) : []),
];
