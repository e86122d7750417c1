import { CRITERIA, CRITERION_IDS } from '../core';

const cell = (words: string): string => words.replaceAll('|', '\\|');

/** The table of all criteria in docs/scoring.md, from the registry. */
export function criteriaTable(): string {
  const rows = CRITERION_IDS.map((id) => {
    const { label, unit, how } = CRITERIA[id];
    return `| \`${id}\` | ${label} | ${cell(unit)} | ${cell(how)} |`;
  });
  return `| criterion | on the card | unit | how |\n| --- | --- | --- | --- |\n${rows.join('\n')}\n`;
}

const BEGIN = '<!-- made by npx tsx scripts/scoringTable.ts -->\n';
const END = '<!-- end of the table -->\n';

/** The page with its table as the registry says. */
export function withTable(page: string): string {
  const from = page.indexOf(BEGIN) + BEGIN.length;
  const to = page.indexOf(END);
  if (from < BEGIN.length || to < from) throw new Error('docs/scoring.md has lost the marks of its table.');
  return `${page.slice(0, from)}${criteriaTable()}${page.slice(to)}`;
}
