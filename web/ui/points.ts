/** Points as people see them: whole ones that were reached, so that 95 on a card is never short of its third flash. */
export const shownPoints = (score: number): number => Math.floor(score + 1e-9);
