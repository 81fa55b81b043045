import { type Content, type ContentNode } from './document';
import { formulaLine } from './formula-line';

const BLOCKS = new Set([
  'paragraph',
  'heading',
  'blockFormula',
  'codeBlock',
  'picture',
  'recording',
  'file',
  'page',
  'blockSlot',
  'listItem',
  'tableRow',
]);

/**
 * The document as plain text: one line a block, formulas as LaTeX, pictures by
 * their description, slots as "…". For search, derived titles and tables.
 */
export function plainText(content: Content): string {
  return told(content, (latex) => latex);
}

function told(content: Content, formula: (latex: string) => string): string {
  let out = '';
  const walk = (node: ContentNode): void => {
    if (node.type === 'text') out += node.text;
    else if (node.type === 'hardBreak') out += '\n';
    else if (node.type === 'formula' || node.type === 'blockFormula') out += formula(node.attrs.latex);
    else if (node.type === 'picture') {
      const { description, caption, labels } = node.attrs;
      out += [description, caption, ...labels.map((label) => label.text)].filter(Boolean).join(' ');
    } else if (node.type === 'file') out += node.attrs.name;
    else if (node.type === 'recording' || node.type === 'page') out += node.attrs.description;
    else if (node.type === 'inlineSlot') out += '…';
    else if ('content' in node && node.content) (node.content as ContentNode[]).forEach(walk);
    if (BLOCKS.has(node.type)) out += '\n';
    else if (node.type === 'tableCell' || node.type === 'tableHeader') out += ' ';
  };
  content.content.forEach(walk);
  return out
    .replace(/[ \t]+/g, ' ')
    .replace(/ ?\n[\n ]*/g, '\n')
    .trim();
}

/** The first words of the document (pictures left out, formulas in one line of signs), at most `length` characters, cut at a word. */
export function firstWords(content: Content, length = 60): string {
  const words: Content = { type: 'doc', content: content.content.filter((block) => block.type !== 'picture') };
  const line = told(words, formulaLine).replace(/\n/g, ' ').replace(/…/g, ' ').replace(/\s+/g, ' ').trim();
  if (line.length <= length) return line;
  const cut = line.slice(0, length + 1);
  const space = cut.lastIndexOf(' ');
  return `${(space > length / 2 ? cut.slice(0, space) : cut.slice(0, length)).replace(/[\s,;:.]+$/, '')}…`;
}
