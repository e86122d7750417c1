import { type Part, partName } from '@core/geometry';

/** Parts by their names. */
export const partsWords = (parts: readonly Part[], ids: readonly string[]): string => ids.map((id) => partName(parts, id)).join(', ');

/** A subject by the names of its parts. */
export const subjectWords = (parts: readonly Part[], subject: readonly string[]): string => (subject.length === 0 ? 'the model' : partsWords(parts, subject));
