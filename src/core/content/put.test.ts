import { expect, it } from 'vitest';
import { plainText } from './plain';
import { putInContent } from './put';
import type { Content } from './document';

it('values are put into words, formulas, tables, labels, captions and descriptions, and nothing else', () => {
  const picture = {
    media: 'a'.repeat(64),
    description: 'A rotor of <r> m',
    width: 50,
    ratio: 1,
    align: 'left' as const,
    caption: '<r> m',
    enlarge: true,
    labels: [{ text: 'r = <r> m', at: { x: 1, y: 1 }, to: null }],
  };
  const content: Content = {
    type: 'doc',
    content: [
      {
        type: 'paragraph',
        content: [
          { type: 'text', text: '<r> and <other>' },
          { type: 'formula', attrs: { latex: 'x^{<r>}' } },
        ],
      },
      { type: 'blockFormula', attrs: { latex: '<r>' } },
      { type: 'picture', attrs: picture },
      {
        type: 'table',
        content: [
          {
            type: 'tableRow',
            content: [
              { type: 'tableCell', content: [{ type: 'paragraph', content: [{ type: 'text', text: 'cell <r>' }] }] },
            ],
          },
        ],
      },
      { type: 'blockSlot', attrs: { id: 's1' } },
    ],
  };
  const put = (text: string, as: 'words' | 'formula'): string => text.replaceAll('<r>', as === 'words' ? '45' : '(45)');
  const done = putInContent(content, put);
  expect(plainText(done).split('\n')).toEqual([
    '45 and <other>x^{(45)}',
    '(45)',
    'A rotor of 45 m 45 m r = 45 m',
    'cell 45',
  ]);
  expect(done.content.at(-1)).toEqual(content.content.at(-1));
  expect(plainText(content)).toContain('<r>');
});
