const KEPT = 'dial-home-scheme';

/** The scheme that was chosen last in this browser; null: none yet. */
export const keptScheme = (): string | null => window.localStorage.getItem(KEPT);

export const keepScheme = (id: string): void => window.localStorage.setItem(KEPT, id);

/** What one begins with before a scheme was ever chosen: that for fingers where the screen is what one points with. */
export const usualScheme = (): string => (window.matchMedia('(pointer: coarse)').matches ? 'touch-screen' : 'two-button-mouse');
