import type { Block, Content, ContentNode } from './document';

/**
 * Puts values where their names stand in a text. In a formula a negative value
 * gets brackets round it, so that what stands before it stays what it was.
 */
export type Put = (text: string, as: 'words' | 'formula') => string;

/** A document with values put into its text, formulas, labels and descriptions. */
export function putInContent(content: Content, put: Put): Content {
  return { ...content, content: content.content.map((block) => putInNode(block, put) as Block) };
}

function putInNode(node: ContentNode, put: Put): ContentNode {
  switch (node.type) {
    case 'text':
      return { ...node, text: put(node.text, 'words') };
    case 'formula':
    case 'blockFormula':
      return { ...node, attrs: { latex: put(node.attrs.latex, 'formula') } };
    case 'picture': {
      const { description, caption, labels } = node.attrs;
      return {
        ...node,
        attrs: {
          ...node.attrs,
          description: put(description, 'words'),
          caption: put(caption, 'words'),
          labels: labels.map((label) => ({ ...label, text: put(label.text, 'words') })),
        },
      };
    }
    default:
      return 'content' in node && node.content
        ? ({ ...node, content: (node.content as ContentNode[]).map((child) => putInNode(child, put)) } as ContentNode)
        : node;
  }
}
