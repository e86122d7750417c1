import type { Scheme } from './schemeSchema';
import { BUILT_IN_SCHEMES } from './schemes';

/** A scheme as it goes to a page: those that ship are there already, and only named. */
export type SentScheme = Scheme | { readonly builtIn: string };

export const schemeToSend = (scheme: Scheme): SentScheme =>
  BUILT_IN_SCHEMES.some((known) => known.id === scheme.id && known.revision === scheme.revision) ? { builtIn: scheme.id } : scheme;

/** The schemes that were sent. One that the page does not know is left out: page and server are of the same build. */
export const schemesReceived = (sent: readonly SentScheme[]): Scheme[] =>
  sent.flatMap((scheme) => ('builtIn' in scheme ? BUILT_IN_SCHEMES.filter((known) => known.id === scheme.builtIn) : [scheme]));
