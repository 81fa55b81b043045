import type { Block, Content, Inline } from './document';

/** A document in which each line that was typed is a paragraph of its own, so that lines can be counted. */
export function linesApart(content: Content): Content {
  return { ...content, content: content.content.flatMap(lines) };
}

function lines(block: Block): Block[] {
  if (block.type !== 'paragraph' || !block.content) return [block];
  const apart: Inline[][] = [[]];
  for (const node of block.content) {
    if (node.type === 'hardBreak') apart.push([]);
    else apart.at(-1)?.push(node);
  }
  return apart.map((line) => (line.length > 0 ? { ...block, content: line } : { type: 'paragraph' }));
}
