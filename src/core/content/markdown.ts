import { type Node, Parser } from 'commonmark';
import type { Block, Content, Inline } from './document';

type Mark = NonNullable<Extract<Inline, { type: 'text' }>['marks']>[number];

/** Formulas are put aside before Markdown is read, so that their underscores and stars mean nothing. */
const FORMULAS =
  /\$\$([\s\S]+?)\$\$|\\\[([\s\S]+?)\\\]|\\\((.+?)\\\)|(?<![\\$\w])\$(?=\S)([^$\n]+?)(?<=\S)\$(?![\d$])/g;
const ASIDE = /\ue000(\d+)\ue001/;

interface Formula {
  latex: string;
  display: boolean;
}

/** A quote in fifty others: nobody writes one, and reading it takes a call for each. */
const DEEP_QUOTE = /^[ \t]*(?:>[ \t]?){50}[> \t]*/gm;

/**
 * Markdown (CommonMark 0.31, with pipe tables) and LaTeX in $…$, $$…$$, \(…\)
 * or \[…\] as a content document. What a sheet cannot hold is taken by its
 * text: links by their words, quotes as paragraphs; HTML and pictures by
 * address are left out.
 */
export function contentFromMarkdown(markdown: string): Content {
  const formulas: Formula[] = [];
  const aside = markdown
    .replace(DEEP_QUOTE, '> ')
    .replace(FORMULAS, (_, a?: string, b?: string, c?: string, d?: string) => {
      formulas.push({ latex: (a ?? b ?? c ?? d ?? '').trim(), display: (a ?? b) !== undefined });
      return `\ue000${formulas.length - 1}\ue001`;
    });
  const read = new Reader(formulas);
  const blocks = splitTables(aside).flatMap((piece) =>
    typeof piece === 'string' ? read.blocks(new Parser().parse(piece)) : [read.table(piece)],
  );
  return { type: 'doc', content: blocks.length > 0 ? blocks : [{ type: 'paragraph' }] };
}

class Reader {
  constructor(private readonly formulas: readonly Formula[]) {}

  blocks(parent: Node): Block[] {
    return childrenOf(parent).flatMap((node) => this.block(node));
  }

  private block(node: Node): Block[] {
    switch (node.type) {
      case 'paragraph':
        return this.paragraphs(this.inlines(node));
      case 'heading':
        return [{ type: 'heading', attrs: { level: node.level <= 2 ? 2 : 3 }, content: this.inlines(node) }];
      case 'list': {
        const items = childrenOf(node).map((item) => ({ type: 'listItem' as const, content: this.blocks(item) }));
        return [{ type: node.listType === 'ordered' ? 'orderedList' : 'bulletList', content: items }];
      }
      case 'code_block':
        return [codeBlock(this.restored(node.literal ?? ''))];
      case 'block_quote':
        return this.blocks(node);
      default:
        return [];
    }
  }

  /** A display formula inside a paragraph breaks it in two. */
  private paragraphs(inlines: Inline[]): Block[] {
    const blocks: Block[] = [];
    let line: Inline[] = [];
    const end = (): void => {
      while (line[0]?.type === 'hardBreak') line.shift();
      while (line.at(-1)?.type === 'hardBreak') line.pop();
      if (line.length > 0) blocks.push({ type: 'paragraph', content: line });
      line = [];
    };
    for (const node of inlines) {
      const display = node.type === 'formula' && this.formulas.some((f) => f.display && f.latex === node.attrs.latex);
      if (display) {
        end();
        blocks.push({ type: 'blockFormula', attrs: { latex: node.attrs.latex } });
      } else line.push(node);
    }
    end();
    return blocks;
  }

  private inlines(parent: Node, marks: Mark[] = []): Inline[] {
    return childrenOf(parent).flatMap((node): Inline[] => {
      switch (node.type) {
        case 'text':
          return this.text(node.literal ?? '', marks);
        case 'softbreak':
          return this.text(' ', marks);
        case 'linebreak':
          return [{ type: 'hardBreak' }];
        case 'code':
          return this.plain(this.restored(node.literal ?? ''), [...marks, { type: 'code' }]);
        case 'emph':
          return this.inlines(node, withMark(marks, 'italic'));
        case 'strong':
          return this.inlines(node, withMark(marks, 'bold'));
        case 'link':
          return this.inlines(node, marks);
        default:
          return [];
      }
    });
  }

  private text(text: string, marks: Mark[]): Inline[] {
    return text.split(/(\ue000\d+\ue001)/).flatMap((part): Inline[] => {
      const formula = this.formulas[Number(ASIDE.exec(part)?.[1] ?? Number.NaN)];
      return formula ? [{ type: 'formula', attrs: { latex: formula.latex } }] : this.plain(part, marks);
    });
  }

  private plain(text: string, marks: Mark[]): Inline[] {
    return text === '' ? [] : [{ type: 'text', text, ...(marks.length > 0 ? { marks } : {}) }];
  }

  /** A text in which formulas stand as they were typed: inside code they are none. */
  private restored(text: string): string {
    return text.replace(/\ue000(\d+)\ue001/g, (_, i: string) => {
      const formula = this.formulas[Number(i)];
      const sign = formula?.display ? '$$' : '$';
      return `${sign}${formula?.latex ?? ''}${sign}`;
    });
  }

  table({ head, rows }: PipeTable): Block {
    const cells = (texts: string[], type: 'tableHeader' | 'tableCell') => ({
      type: 'tableRow' as const,
      content: texts.map((text) => {
        const [paragraph] = childrenOf(new Parser().parse(text));
        const content = paragraph ? this.inlines(paragraph) : [];
        return {
          type,
          content: [content.length > 0 ? { type: 'paragraph' as const, content } : { type: 'paragraph' as const }],
        };
      }),
    });
    return { type: 'table', content: [cells(head, 'tableHeader'), ...rows.map((row) => cells(row, 'tableCell'))] };
  }
}

function codeBlock(text: string): Block {
  const code = text.replace(/\n$/, '');
  return code === '' ? { type: 'codeBlock' } : { type: 'codeBlock', content: [{ type: 'text', text: code }] };
}

function withMark(marks: Mark[], type: Mark['type']): Mark[] {
  return marks.some((mark) => mark.type === type) ? marks : [...marks, { type }];
}

function childrenOf(parent: Node): Node[] {
  const list: Node[] = [];
  for (let node = parent.firstChild; node; node = node.next) list.push(node);
  return list;
}

interface PipeTable {
  head: string[];
  rows: string[][];
}

const RULE = /^\s*\|?\s*:?-{2,}:?\s*(\|\s*:?-{2,}:?\s*)*\|?\s*$/;

/** The text in pieces: Markdown, and the tables between. */
function splitTables(markdown: string): (string | PipeTable)[] {
  const lines = markdown.split(/\r?\n/);
  const pieces: (string | PipeTable)[] = [];
  let text: string[] = [];
  for (let i = 0; i < lines.length; i++) {
    const line = lines[i] ?? '';
    if (line.includes('|') && RULE.test(lines[i + 1] ?? '') && (lines[i + 1] ?? '').includes('-')) {
      const head = cellsOf(line);
      const rows: string[][] = [];
      for (i += 2; i < lines.length && (lines[i] ?? '').includes('|'); i++) {
        const cells = cellsOf(lines[i] ?? '');
        rows.push(head.map((_, column) => cells[column] ?? ''));
      }
      i -= 1;
      pieces.push(text.join('\n'), { head, rows });
      text = [];
    } else text.push(line);
  }
  return [...pieces, text.join('\n')];
}

function cellsOf(line: string): string[] {
  return line
    .trim()
    .replace(/^\||\|$/g, '')
    .split(/(?<!\\)\|/)
    .map((cell) => cell.trim().replace(/\\\|/g, '|'));
}
