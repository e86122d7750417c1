import { BUILT_IN_SCHEMES, type CommandKind, commandKindsOf, commandTable, type Scheme, triggerWords } from '../core';

function gestures(scheme: Scheme, kind: CommandKind): string {
  const found = scheme.bindings.filter((binding) => commandKindsOf(binding).includes(kind)).map((binding) => triggerWords(binding));
  const near = scheme.options.nearHand?.words.some((command) => commandKindsOf({ command }).includes(kind));
  if (near && found.length === 0) found.push('near hand');
  if (kind === 'cancel') found.push('Escape while dragging');
  const shown = found.length > 5 ? [...found.slice(0, 4), `${found.length - 4} more`] : found;
  return shown.join(', ').replaceAll('|', '\\|') || '–';
}

/** The page as text. */
export function navigationPage(): string {
  const rows = (Object.keys(commandTable) as CommandKind[]).map((kind) => {
    const { does, holds } = commandTable[kind];
    return `| \`${kind}\` | ${does} | ${holds} | ${BUILT_IN_SCHEMES.map((scheme) => gestures(scheme, kind)).join(' | ')} |`;
  });
  return `# Every way to move

Made from the code by \`npx tsx scripts/navigationTable.ts\`; a test compares it. What a command keeps fixed is held by the property tests of \`core/navigation\`.

| command | does | keeps | ${BUILT_IN_SCHEMES.map((s) => s.name).join(' | ')} |
| --- | --- | --- | ${BUILT_IN_SCHEMES.map(() => '---').join(' | ')} |
${rows.join('\n')}

A touch screen without keys does the rest by the words of the near hand, which each person chooses, by the dial and by the panels.

A command that would show nothing says why, in words, and changes nothing: moving the eye forward without perspective, moving a cut that is not
there, going back from the first view, squaring on nothing.
`;
}
