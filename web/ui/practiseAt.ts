/** Address at which an exercise is practised, with a scheme where one is meant. */
export const practiseAt = (exerciseId: string, schemeId?: string): string =>
  `/practise/${exerciseId}${schemeId ? `?scheme=${encodeURIComponent(schemeId)}` : ''}`;
