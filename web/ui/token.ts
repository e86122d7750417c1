/** A colour of the theme as it stands now, for what cannot be styled by classes. */
export const token = (name: `--color-${string}`): string => getComputedStyle(document.documentElement).getPropertyValue(name).trim();
