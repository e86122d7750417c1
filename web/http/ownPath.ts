/** The path to go to after sign-in when it is one of this site; an empty text for everything else. */
export function ownPath(wanted: string): string {
  // Browsers take a backslash for a slash and leave control characters out: neither belongs into a path of ours.
  if (!wanted.startsWith('/') || wanted.startsWith('//') || wanted.length > 500 || /[\\\s\p{Cc}]/u.test(wanted)) return '';
  try {
    const url = new URL(wanted, 'http://here.invalid');
    return url.origin === 'http://here.invalid' && !url.pathname.startsWith('//') ? `${url.pathname}${url.search}` : '';
  } catch {
    return '';
  }
}
