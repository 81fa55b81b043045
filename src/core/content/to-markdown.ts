import type { Block, Content, Inline } from './document';

/** A content document as Markdown with LaTeX; slots as "____", pictures by their description. */
export function markdownFromContent(content: Content): string {
  return content.content.map(block).join('\n\n').trimEnd();
}

const SIGN = { bold: '**', italic: '*', code: '`' } as const;

function inline(node: Inline): string {
  switch (node.type) {
    case 'text':
      return (node.marks ?? []).reduce((text, { type }) => {
        if (type === 'subscript') return `<sub>${text}</sub>`;
        if (type === 'superscript') return `<sup>${text}</sup>`;
        return `${SIGN[type]}${text}${SIGN[type]}`;
      }, escaped(node.text));
    case 'hardBreak':
      return '\\\n';
    case 'formula':
      return `$${node.attrs.latex}$`;
    case 'inlineSlot':
      return '____';
  }
}

function escaped(text: string): string {
  return text.replace(/[\\`*_$[\]<]/g, '\\$&').replace(/^(\s*)([-+#>]|\d+[.)])(?=\s)/, '$1\\$2');
}

const inlines = (nodes: readonly Inline[] | undefined): string => (nodes ?? []).map(inline).join('');

function block(node: Block): string {
  switch (node.type) {
    case 'paragraph':
      return inlines(node.content);
    case 'heading':
      return `${'#'.repeat(node.attrs.level)} ${inlines(node.content)}`;
    case 'blockFormula':
      return `$$\n${node.attrs.latex}\n$$`;
    case 'codeBlock':
      return `\`\`\`\n${(node.content ?? []).map((t) => t.text).join('')}\n\`\`\``;
    case 'picture':
      return node.attrs.description ? `(picture: ${node.attrs.description})` : '(picture)';
    case 'page':
      return `<${node.attrs.address}>`;
    case 'recording':
      return `(${node.attrs.medium}: ${node.attrs.description})`;
    case 'file':
      return `(file: ${node.attrs.name})`;
    case 'blockSlot':
      return '____';
    case 'bulletList':
    case 'orderedList':
      return node.content
        .map((item, i) => {
          const sign = node.type === 'bulletList' ? '- ' : `${i + 1}. `;
          const text = item.content.map(block).join('\n\n');
          return sign + text.replace(/\n(?=.)/g, `\n${' '.repeat(sign.length)}`);
        })
        .join('\n');
    case 'table': {
      const rows = node.content.map((row) =>
        row.content.map((cell) => cell.content.map(block).join(' ').replace(/\|/g, '\\|').replace(/\n/g, ' ')),
      );
      const [head = [], ...rest] = rows;
      const line = (cells: string[]): string => `| ${cells.join(' | ')} |`;
      return [line(head), line(head.map(() => '---')), ...rest.map(line)].join('\n');
    }
  }
}
