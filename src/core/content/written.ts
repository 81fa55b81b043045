import { type Content, contentSchema, type ContentNode, nodesOf } from './document';

const WRITTEN = new Set<ContentNode['type']>([
  'paragraph',
  'heading',
  'bulletList',
  'orderedList',
  'listItem',
  'text',
  'hardBreak',
]);

/** Text with headings, lists and weights, and nothing else in it. */
export const writtenSchema = contentSchema.refine(
  (content) => [...nodesOf(content)].every(({ type }) => WRITTEN.has(type)),
  { message: 'not-text' },
);

/** Plain text as content, a paragraph a line; no sign in it means anything. */
export function contentFromText(text: string): Content {
  return {
    type: 'doc',
    content: text
      .split('\n')
      .map((line) => ({ type: 'paragraph', ...(line ? { content: [{ type: 'text', text: line }] } : {}) })),
  };
}

/** The content with each of its texts changed; one that becomes empty is left out. */
export function withTexts(content: Content, change: (text: string) => string): Content {
  const through = (node: ContentNode): ContentNode[] => {
    if (node.type === 'text') {
      const text = change(node.text);
      return text === '' ? [] : [{ ...node, text }];
    }
    if (!('content' in node) || !node.content) return [node];
    return [{ ...node, content: (node.content as ContentNode[]).flatMap(through) } as ContentNode];
  };
  return { ...content, content: content.content.flatMap(through) as Content['content'] };
}
