import { tests } from 'commonmark-spec';
import { describe, expect, it } from 'vitest';
import { contentSchema } from '@/core/content/document';
import { contentFromMarkdown } from '@/core/content/markdown';
import { plainText } from '@/core/content/plain';
import { markdownFromContent } from '@/core/content/to-markdown';

interface Example {
  markdown: string;
  html: string;
  section: string;
  number: number;
}

/** What a sheet leaves out on purpose: HTML and pictures by address. */
const LEFT_OUT = /<(?!https?:|mailto:|[\w.+-]+@|[a-z]+:)[a-z/!?]|!\[|&lt;[a-z]/i;
const examples = (tests as Example[])
  .map((e) => ({ ...e, markdown: e.markdown.replace(/→/g, '\t'), html: e.html.replace(/→/g, '\t') }))
  .filter((e) => !/HTML|Images/.test(e.section) && !LEFT_OUT.test(e.markdown) && !e.markdown.includes('$'));

const ENTITIES: Record<string, string> = { amp: '&', lt: '<', gt: '>', quot: '"' };
function wordsOfHtml(html: string): string {
  return html
    .replace(/<br \/>/g, '\n')
    .replace(/<\/?(p|li|h\d|pre|blockquote|ul|ol|hr)[^>]*>/g, '\n')
    .replace(/<[^>]+>/g, '')
    .replace(/&(amp|lt|gt|quot);/g, (_, name: string) => ENTITIES[name] ?? '');
}
const squeezed = (text: string): string => text.replace(/\s+/g, ' ').trim();

/** The examples of the CommonMark specification 0.31 (package commonmark-spec). */
describe('Markdown', () => {
  it('is checked on most of the specification', () => expect(examples.length).toBeGreaterThan(450));

  it.each(examples.map((e) => [e.number, e.section, e] as const))('example %i, %s', (_, __, example) => {
    const content = contentFromMarkdown(example.markdown);
    expect(contentSchema.parse(content)).toEqual(content);
    expect(squeezed(plainText(content))).toBe(squeezed(wordsOfHtml(example.html)));
  });

  it('keeps emphasis, lists and code as the specification nests them', () => {
    expect(contentFromMarkdown('**a *b* c**').content).toEqual([
      {
        type: 'paragraph',
        content: [
          { type: 'text', text: 'a ', marks: [{ type: 'bold' }] },
          { type: 'text', text: 'b', marks: [{ type: 'bold' }, { type: 'italic' }] },
          { type: 'text', text: ' c', marks: [{ type: 'bold' }] },
        ],
      },
    ]);
  });

  it('reads formulas, not prices', () => {
    expect(contentFromMarkdown('It costs $5 and $6. $P_1 = \\tfrac{1}{2}$ and \\(v_*\\).').content).toEqual([
      {
        type: 'paragraph',
        content: [
          { type: 'text', text: 'It costs $5 and $6. ' },
          { type: 'formula', attrs: { latex: 'P_1 = \\tfrac{1}{2}' } },
          { type: 'text', text: ' and ' },
          { type: 'formula', attrs: { latex: 'v_*' } },
          { type: 'text', text: '.' },
        ],
      },
    ]);
    expect(contentFromMarkdown('So\n\n$$E = mc^2$$\n\nand `$x$`').content.map((b) => b.type)).toEqual([
      'paragraph',
      'blockFormula',
      'paragraph',
    ]);
    expect(plainText(contentFromMarkdown('and `$x$`'))).toBe('and $x$');
  });

  it('reads pipe tables, and what it writes it reads again', () => {
    const markdown =
      '## Head\n\nA *b* \\*c\\*.\n\n| part | `n` |\n| --- | --- |\n| a\\|b | $x$ |\n\n1. one\n2. two\n   - deep\n\n```\ncode *x*\n```';
    const content = contentFromMarkdown(markdown);
    expect(content.content.map((b) => b.type)).toEqual(['heading', 'paragraph', 'table', 'orderedList', 'codeBlock']);
    expect(contentFromMarkdown(markdownFromContent(content))).toEqual(content);
  });
});
