import { describe, expect, it } from 'vitest';
import { type Content, contentSchema, slotIds, withoutEmptyEnd, FRESH_PICTURE } from './document';
import { contentFromLines, linesFromContent } from './lines';
import { firstWords, plainText } from './plain';
import { contentReadiness } from './readiness';

const media = 'a'.repeat(64);
const sample: Content = {
  type: 'doc',
  content: [
    { type: 'heading', attrs: { level: 2 }, content: [{ type: 'text', text: 'Rotor' }] },
    { type: 'picture', attrs: { media, description: 'a rotor', width: 50, ratio: 1.5, ...FRESH_PICTURE } },
    {
      type: 'paragraph',
      content: [
        { type: 'text', text: 'Find ' },
        { type: 'formula', attrs: { latex: 'v^2' } },
        { type: 'inlineSlot', attrs: { id: 's1' } },
      ],
    },
    {
      type: 'bulletList',
      content: [{ type: 'listItem', content: [{ type: 'paragraph', content: [{ type: 'text', text: 'one' }] }] }],
    },
    {
      type: 'table',
      content: [
        {
          type: 'tableRow',
          content: [
            {
              type: 'tableHeader',
              content: [{ type: 'paragraph', content: [{ type: 'inlineSlot', attrs: { id: 's2' } }] }],
            },
          ],
        },
      ],
    },
    { type: 'blockSlot', attrs: { id: 's3' } },
  ],
};

describe('content documents', () => {
  it('hold slots in reading order, also inside tables', () => {
    expect(slotIds(sample)).toEqual(['s1', 's2', 's3']);
    expect(contentSchema.parse(sample)).toEqual(sample);
  });

  it('drop attributes and nodes that are not of the form', () => {
    const hostile = {
      type: 'doc',
      content: [{ type: 'paragraph', onclick: 'x', content: [{ type: 'text', text: '<script>' }] }],
    };
    expect(contentSchema.parse(hostile)).toEqual({
      type: 'doc',
      content: [{ type: 'paragraph', content: [{ type: 'text', text: '<script>' }] }],
    });
    expect(contentSchema.safeParse({ type: 'doc', content: [{ type: 'iframe' }] }).success).toBe(false);
    expect(
      contentSchema.safeParse({
        type: 'doc',
        content: [{ type: 'picture', attrs: { media: '../x', description: '', width: 5, ratio: 1 } }],
      }).success,
    ).toBe(false);
  });

  it('read as plain text, and the first words leave pictures out', () => {
    expect(plainText(sample)).toBe('Rotor\na rotor\nFind v^2…\none\n…');
    expect(firstWords(sample)).toBe('Rotor Find v² one');
    expect(firstWords(contentFromLines('A very long instruction that goes on and on'), 20)).toBe('A very long…');
  });

  it('lose the empty end that the editor leaves, and nothing else', () => {
    const open = contentFromLines('one\n\ntwo\n\n');
    expect(linesFromContent(withoutEmptyEnd(open))).toBe('one\n\ntwo');
    expect(withoutEmptyEnd(sample)).toBe(sample);
    expect(withoutEmptyEnd(contentFromLines('')).content).toEqual([]);
  });

  it('go to lines and back', () => {
    const text = 'Use $P = \\frac12 \\rho A v^3$ and **mind** the half.\n\nThen check.';
    expect(linesFromContent(contentFromLines(text))).toBe(text);
  });

  it('say which picture lacks a description and which formula does not close', () => {
    const bad: Content = {
      type: 'doc',
      content: [
        { type: 'picture', attrs: { media, description: 'IMG_2031.JPG', width: 50, ratio: 1, ...FRESH_PICTURE } },
        {
          type: 'picture',
          attrs: {
            media,
            description: 'A nacelle',
            width: 50,
            ratio: 1,
            ...FRESH_PICTURE,
            labels: [{ text: '', at: { x: 1, y: 2 }, to: null }],
          },
        },
        { type: 'picture', attrs: { media, description: ' ', width: 50, ratio: 1, ...FRESH_PICTURE } },
        { type: 'blockFormula', attrs: { latex: '\\frac{1}{2' } },
        { type: 'blockFormula', attrs: { latex: '\\{ x \\}' } },
      ],
    };
    expect(contentReadiness(bad).map((f) => f.code)).toEqual([
      'picture-file-name',
      'picture-label-empty',
      'picture-undescribed',
      'formula-unbalanced',
    ]);
    expect(contentReadiness(sample)).toEqual([]);
  });
});
