import type { Block, Content, Inline } from './document';
import { plainText } from './plain';

/** One line of text as content: $…$ is a formula, **…** is bold. */
export function inlineFromText(line: string): Inline[] {
  return line.split(/(\$[^$]+\$|\*\*[^*]+\*\*)/).flatMap((part): Inline[] => {
    if (part === '') return [];
    if (/^\$.+\$$/.test(part)) return [{ type: 'formula', attrs: { latex: part.slice(1, -1) } }];
    if (/^\*\*.+\*\*$/.test(part)) return [{ type: 'text', text: part.slice(2, -2), marks: [{ type: 'bold' }] }];
    return [{ type: 'text', text: part }];
  });
}

/** Text as content, a paragraph a line. */
export function contentFromLines(text: string): Content {
  const content = text.split('\n').map((line): Block => {
    const inline = inlineFromText(line);
    return inline.length > 0 ? { type: 'paragraph', content: inline } : { type: 'paragraph' };
  });
  return { type: 'doc', content };
}

function inlineToText(node: Inline): string {
  if (node.type === 'formula') return `$${node.attrs.latex}$`;
  if (node.type !== 'text') return '';
  return node.marks?.some((m) => m.type === 'bold') ? `**${node.text}**` : node.text;
}

/** The reverse of `contentFromLines`; blocks that lines cannot hold become plain text. */
export function linesFromContent(content: Content): string {
  return content.content
    .map((block) =>
      block.type === 'paragraph'
        ? (block.content ?? []).map(inlineToText).join('')
        : plainText({ type: 'doc', content: [block] }),
    )
    .join('\n');
}
