import { describe, expect, it } from 'vitest';
import { htmlOf, plainOf, wordsOfExercise } from './markdown';

describe('a brief in Markdown', () => {
  it('has stress, lists, code and links', () => {
    expect(htmlOf('Swing **round**, then *up*.\n\n- first\n- second')).toBe(
      '<p>Swing <strong>round</strong>, then <em>up</em>.</p>\n<ul>\n<li>first</li>\n<li>second</li>\n</ul>',
    );
    expect(htmlOf('See [the sheet](https://example.org/a).')).toContain('<a target="_blank" rel="noopener noreferrer nofollow" href="https://example.org/a">');
    expect(plainOf('Swing **round** & see `x < y`\n\n1. "now"')).toBe('Swing round & see x < y "now"');
  });

  it('runs nothing and fetches nothing', () => {
    const bad = [
      '<script>alert(1)</script>',
      '<img src=x onerror=alert(1)>',
      'a <b onmouseover="x()">b</b>',
      '![a](https://example.org/a.png)',
      '![a][b]\n\n[b]: https://example.org/a.png',
      '[a](javascript:alert(1))',
      '[a](JaVaScRiPt&#58;alert(1))',
      '[a](data:text/html;base64,PHNjcmlwdD4=)',
      '<javascript:alert(1)>',
      '[a](https://example.org/"onclick="alert(1))',
      '```\n<script>\n```',
    ];
    for (const words of bad) {
      const html = htmlOf(words);
      expect(html, words).not.toMatch(/<(?!\/?(p|a|em|strong|ul|ol|li|code|br|blockquote)[ >])|<img|<script|href="(javascript|data)|" ?on\w+=/i);
    }
    // Headings and rules stay what was typed.
    expect(plainOf('# Not a heading')).toBe('# Not a heading');
  });

  it('words without Markdown stay as they are, and a hint that is kept back stays empty', () => {
    expect(htmlOf('Go 30° round, 2 x 3 * 4 = 24; keys [ and ].')).toBe('<p>Go 30° round, 2 x 3 * 4 = 24; keys [ and ].</p>');
    expect(wordsOfExercise({ brief: '', steps: [{ brief: 'Do it', hints: ['', 'So'] }] })).toEqual({
      brief: '',
      steps: [{ brief: '<p>Do it</p>', hints: ['', '<p>So</p>'] }],
    });
  });
});
