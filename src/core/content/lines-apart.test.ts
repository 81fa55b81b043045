import { expect, it } from 'vitest';
import { linesApart } from './lines-apart';
import { contentFromMarkdown } from './markdown';
import { plainText } from './plain';

it('counts what was typed as a line, by Enter or by a break, and keeps empty lines', () => {
  const text = (t: string) => ({ type: 'text' as const, text: t });
  const apart = linesApart({
    type: 'doc',
    content: [
      { type: 'paragraph', content: [text('one'), { type: 'hardBreak' }, { type: 'hardBreak' }, text('three')] },
      { type: 'paragraph' },
      { type: 'paragraph', content: [text('five')] },
    ],
  });
  expect(apart.content.map((b) => (b.type === 'paragraph' ? (b.content ?? []).length : -1))).toEqual([1, 0, 1, 0, 1]);
  expect(plainText(apart)).toMatch(/one\s+three\s+five/);
});

it('leaves lists and formulas alone', () => {
  const made = contentFromMarkdown('- a\n- b\n\n$$x^2$$');
  expect(linesApart(made)).toEqual(made);
});
