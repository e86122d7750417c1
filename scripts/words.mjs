/** `npm run words`: every sentence, label and message of the application, from its sources, in one list: file, line, words. */

import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';

const FOLDERS = ['web', 'core', 'server', 'formats', 'demo/course.ts', 'scripts'];
/** Attributes whose value a person sees or hears. */
const SEEN = new Set(['label', 'title', 'about', 'placeholder', 'aria-label', 'aria-valuetext', 'alt', 'words', 'yes', 'no', 'tip', 'none']);
const SKIPPED = /\.test\.|\/tests\/|\/migrations\/|\/repositories\/|\.d\.ts$/;

function filesUnder(path) {
  if (/\.\w+$/.test(path)) return [path];
  return readdirSync(path, { withFileTypes: true }).flatMap((entry) => filesUnder(join(path, entry.name)).filter((file) => /\.(ts|tsx|astro|mjs)$/.test(file)));
}

/** Words of people have a space or begin with a capital; those of the program have neither, or are classes, paths and queries. */
const isForPeople = (text) =>
  /[a-z]{2}/i.test(text) &&
  (/^[“"'A-Z][^/<>{}]*$/.test(text) ? /[a-z]/.test(text) : /[a-z] [a-z]/i.test(text)) &&
  !/^(M|m)?[\d\s.,-]+$/.test(text) &&
  !/(^|\s)(flex|grid|absolute|rounded|text-|px-|py-|mt-|w-|h-|button|card|field)(\s|$)/.test(text) &&
  !/^(select|insert|update|set|drop|create|use|import) /i.test(text);

function wordsOf(file) {
  const text = readFileSync(file, 'utf8');
  if (file.endsWith('.astro'))
    return [...text.replace(/^---[\s\S]*?\n---/, (head) => head.replace(/[^\n]/g, ' ')).matchAll(/>([^<>{}]*[a-z]{2}[^<>{}]*)</g)].map((found) => ({
      line: text.slice(0, found.index).split('\n').length,
      words: found[1].trim(),
    }));
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true, file.endsWith('x') ? ts.ScriptKind.TSX : ts.ScriptKind.TS);
  const found = [];
  const add = (node, words) => found.push({ line: source.getLineAndCharacterOfPosition(node.getStart()).line + 1, words: words.replace(/\s+/g, ' ').trim() });
  const visit = (node) => {
    if (ts.isImportDeclaration(node) || ts.isExportDeclaration(node) || ts.isTypeNode(node)) return;
    if (ts.isJsxAttribute(node) && !SEEN.has(node.name.getText())) {
      if (node.initializer && ts.isJsxExpression(node.initializer) && !/^(className|style|d|type)$/.test(node.name.getText()))
        ts.forEachChild(node.initializer, visit);
      return;
    }
    if (ts.isJsxText(node) && /[a-z]{2}/i.test(node.text)) add(node, node.text);
    else if (ts.isStringLiteralLike(node) && isForPeople(node.text)) add(node, node.text);
    else if (ts.isTemplateExpression(node)) {
      const whole = node.head.text + node.templateSpans.map((span) => `{${span.expression.getText().slice(0, 24)}}${span.literal.text}`).join('');
      if (isForPeople(whole.replace(/\{[^}]*\}/g, 'x'))) add(node, whole);
    }
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found;
}

for (const file of FOLDERS.flatMap(filesUnder).filter((each) => !SKIPPED.test(each)))
  for (const { line, words } of wordsOf(file)) if (words) console.log(`${file}:${line}: ${words}`);
