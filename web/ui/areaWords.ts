/** An area in the unit a person would say it in. `like`: an area that it stands beside, whose unit it then has. */
export function areaWords(squareMetres: number, like = squareMetres): string {
  const shown = (value: number): string => String(Number(value.toPrecision(3)));
  if (like >= 0.5) return `${shown(squareMetres)} m²`;
  return like >= 1e-4 ? `${shown(squareMetres * 1e4)} cm²` : `${shown(squareMetres * 1e6)} mm²`;
}
