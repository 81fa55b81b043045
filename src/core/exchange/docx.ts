import { child, descendants, parseXml, textOf, type XmlNode } from '../base/xml';
import type { Block, PictureAttributes } from '../content/document';
import { latexFromOmml } from '../content/omml';
import type { SourceLine } from './lines';
import { readZip, textIn } from './zip';

/** Keeps the bytes of a picture; null when it is none that can be shown. */
export type KeepPicture = (bytes: Uint8Array) => Promise<PictureAttributes | null>;

/**
 * The lines of a word-processor document (ECMA-376 WordprocessingML): words
 * with equations as $…$, the signs of lists, what is printed bold or marked,
 * pictures and tables. Throws when it is no such document.
 */
export async function linesFromDocx(bytes: Uint8Array, keep: KeepPicture): Promise<SourceLine[]> {
  const files = readZip(bytes);
  const document = textIn(files, 'word/document.xml');
  if (document === null) throw new Error('There is no word/document.xml');
  const body = parseXml(document).find((n) => n.name === 'w:document');
  const links = relations(textIn(files, 'word/_rels/document.xml.rels'));
  const numbering = new Numbering(textIn(files, 'word/numbering.xml'), textIn(files, 'word/styles.xml'));
  const lines: SourceLine[] = [];
  const pictureOf = async (id: string): Promise<Block | null> => {
    const target = links.get(id);
    const file = target && files.get(`word/${target.replace(/^\/?(word\/)?/, '')}`);
    const attrs = file && (await keep(file));
    return attrs ? { type: 'picture', attrs } : null;
  };
  const paragraph = async (node: XmlNode): Promise<void> => {
    const pictures = await Promise.all(
      descendants(node, 'a:blip').map((blip) => pictureOf(blip.attributes['r:embed'] ?? '')),
    );
    const blocks = pictures.filter((p) => p !== null);
    const label = numbering.labelOf(node);
    const pieces = wordsOf(node).split('\n');
    pieces.forEach((text, i) => {
      lines.push({
        text: text.trim(),
        marked: isMarked(node),
        label: i === 0 ? label : '',
        blocks: i === pieces.length - 1 ? blocks : [],
      });
    });
  };
  /** A row of a table that lays out questions: a number or letter of its own stands before the words of the next cell. */
  const tableRow = async (row: XmlNode): Promise<void> => {
    const cells = row.children.filter((c) => c.name === 'w:tc');
    let sign = '';
    for (const cell of cells) {
      const text = cellText(cell);
      const label = numbering.labelOf(child(cell, 'w:p') ?? cell);
      if (SIGN_CELL.test(text) || (text === '' && label !== '')) {
        sign = `${sign} ${text || label}`.trim();
        continue;
      }
      const before = lines.length;
      await walk(cell.children);
      const first = lines[before];
      if (first && sign !== '') first.text = `${/^\d+$|^[a-h]$/i.test(sign) ? `${sign})` : sign} ${first.text}`;
      sign = '';
    }
  };
  const walk = async (nodes: readonly XmlNode[]): Promise<void> => {
    for (const node of nodes) {
      if (node.name === 'w:p') await paragraph(node);
      else if (node.name === 'w:tbl') {
        if (holdsQuestions(node)) {
          for (const row of node.children.filter((c) => c.name === 'w:tr')) await tableRow(row);
          continue;
        }
        const table = tableOf(node);
        const before = lines.findLast((line) => line.text !== '');
        if (table && before) before.blocks.push(table);
      } else if (node.name === 'w:sdt' || node.name === 'w:sdtContent') await walk(node.children);
    }
  };
  await walk(child(body, 'w:body')?.children ?? []);
  return lines;
}

function relations(xml: string | null): Map<string, string> {
  const [root] = xml ? parseXml(xml).filter((n) => n.name === 'Relationships') : [];
  return new Map((root?.children ?? []).map((r) => [r.attributes.Id ?? '', r.attributes.Target ?? '']));
}

const RAISED: Record<string, string> = Object.fromEntries(
  [...'0123456789+-n'].map((c, i) => [c, [...'⁰¹²³⁴⁵⁶⁷⁸⁹⁺⁻ⁿ'][i] ?? c]),
);
const LOWERED: Record<string, string> = Object.fromEntries(
  [...'0123456789+-'].map((c, i) => [c, [...'₀₁₂₃₄₅₆₇₈₉₊₋'][i] ?? c]),
);

/** The words of a paragraph in order; equations stand as $…$, line breaks as new lines. */
function wordsOf(node: XmlNode): string {
  return node.children
    .map((c) => {
      switch (c.name) {
        case 'm:oMath':
          return `$${latexFromOmml(c)}$`;
        case 'm:oMathPara':
          return descendants(c, 'm:oMath')
            .map((m) => `$${latexFromOmml(m)}$`)
            .join(' ');
        case 'w:r':
          return runText(c);
        case 'w:hyperlink':
        case 'w:ins':
        case 'w:smartTag':
        case 'w:sdt':
        case 'w:sdtContent':
          return wordsOf(c);
        default:
          return '';
      }
    })
    .join('')
    .replace(/ {2,}(?=\S)/g, (gap) => (gap.length > 3 ? '   ' : ' '));
}

function runText(run: XmlNode): string {
  const align = child(child(run, 'w:rPr'), 'w:vertAlign')?.attributes['w:val'];
  const signs = align === 'superscript' ? RAISED : align === 'subscript' ? LOWERED : null;
  return run.children
    .map((c) => {
      if (c.name === 'w:t') {
        const text = textOf(c);
        return signs ? [...text].map((sign) => signs[sign] ?? sign).join('') : text;
      }
      if (c.name === 'w:tab') return '\t';
      return c.name === 'w:br' || c.name === 'w:cr' ? '\n' : '';
    })
    .join('');
}

const OFF = new Set(['0', 'false', 'none', 'off']);

/** Whether every word of the paragraph is bold, underlined or highlighted. */
function isMarked(paragraph: XmlNode): boolean {
  const runs = descendants(paragraph, 'w:r').filter((run) => runText(run).trim() !== '');
  return (
    runs.length > 0 &&
    runs.every((run) =>
      ['w:b', 'w:u', 'w:highlight'].some((name) => {
        const property = child(child(run, 'w:rPr'), name);
        return property !== undefined && !OFF.has(property.attributes['w:val'] ?? '1');
      }),
    )
  );
}

/** A cell that holds nothing but the number of a question, the letter of an option, or a tick. */
const SIGN_CELL = /^(?:(?:question|task|q)?\s*\d{1,3}\s*[.):]?|\(?[a-h][.)]?\)?|\*|✓|√|\[[ x]?\])$/i;

function cellText(cell: XmlNode): string {
  return cell.children
    .filter((c) => c.name === 'w:p')
    .map((p) => wordsOf(p).trim())
    .join(' ')
    .trim();
}

/** Whether a table only lays out questions: its first cell is a number, or begins with one. */
function holdsQuestions(table: XmlNode): boolean {
  const [first] = descendants(table, 'w:tc');
  return first !== undefined && /^(?:(?:question|task|q)\s*)?\d{1,3}\s*(?:[.):]|$)/i.test(cellText(first));
}

function tableOf(node: XmlNode): Block | null {
  const rows = node.children.filter((c) => c.name === 'w:tr');
  const content = rows.map((row, i) => ({
    type: 'tableRow' as const,
    content: row.children
      .filter((c) => c.name === 'w:tc')
      .map((cell) => {
        const text = cellText(cell);
        const paragraph = {
          type: 'paragraph' as const,
          ...(text ? { content: [{ type: 'text' as const, text }] } : {}),
        };
        return { type: i === 0 ? ('tableHeader' as const) : ('tableCell' as const), content: [paragraph] };
      }),
  }));
  return content.length > 0 ? { type: 'table', content } : null;
}

interface Level {
  format: string;
  text: string;
}

/** Counts the lists of a document, to know the sign before each line. */
class Numbering {
  private readonly levels = new Map<string, Level[]>();
  private readonly counts = new Map<string, number[]>();

  /** The lists of paragraph styles: a list and a depth by the id of the style. */
  private readonly styles: ReadonlyMap<string, { list: string | undefined; depth: string | undefined }>;

  constructor(xml: string | null, styles: string | null) {
    this.styles = listStyles(styles);
    const [root] = xml ? parseXml(xml).filter((n) => n.name === 'w:numbering') : [];
    if (!root) return;
    const abstract = new Map(
      root.children
        .filter((n) => n.name === 'w:abstractNum')
        .map((n) => [
          n.attributes['w:abstractNumId'] ?? '',
          n.children
            .filter((c) => c.name === 'w:lvl')
            .map((lvl) => ({
              format: child(lvl, 'w:numFmt')?.attributes['w:val'] ?? 'decimal',
              text: child(lvl, 'w:lvlText')?.attributes['w:val'] ?? '%1.',
            })),
        ]),
    );
    for (const num of root.children.filter((n) => n.name === 'w:num')) {
      const of = child(num, 'w:abstractNumId')?.attributes['w:val'] ?? '';
      this.levels.set(num.attributes['w:numId'] ?? '', abstract.get(of) ?? []);
    }
  }

  labelOf(paragraph: XmlNode): string {
    const own = child(paragraph, 'w:pPr');
    const properties = child(own, 'w:numPr');
    const style = this.styles.get(child(own, 'w:pStyle')?.attributes['w:val'] ?? '');
    const list = child(properties, 'w:numId')?.attributes['w:val'] ?? style?.list;
    if (!list || list === '0') return '';
    const depth = Number(child(properties, 'w:ilvl')?.attributes['w:val'] ?? style?.depth ?? 0);
    const counts = this.counts.get(list) ?? [];
    counts[depth] = (counts[depth] ?? 0) + 1;
    counts.length = depth + 1;
    this.counts.set(list, counts);
    const level = this.levels.get(list)?.[depth];
    if (!level || level.format === 'bullet') return level ? '•' : '';
    const n = counts[depth] ?? 1;
    const sign = /Letter/.test(level.format) ? String.fromCharCode(96 + n) : String(n);
    return level.text.replace(/%\d/g, sign).trim();
  }
}

/** The lists that paragraph styles bring along, those of the styles they are based on included. */
function listStyles(xml: string | null): ReadonlyMap<string, { list: string | undefined; depth: string | undefined }> {
  const [root] = xml ? parseXml(xml).filter((n) => n.name === 'w:styles') : [];
  const styles = new Map(
    (root?.children ?? []).filter((n) => n.name === 'w:style').map((n) => [n.attributes['w:styleId'] ?? '', n]),
  );
  const found = new Map<string, { list: string | undefined; depth: string | undefined }>();
  for (const id of styles.keys()) {
    let [list, depth]: (string | undefined)[] = [];
    let style = styles.get(id);
    // Styles that stand on each other in a circle end after so many steps.
    for (let step = 0; style && step < 20; step++) {
      const properties = child(child(style, 'w:pPr'), 'w:numPr');
      list ??= child(properties, 'w:numId')?.attributes['w:val'];
      depth ??= child(properties, 'w:ilvl')?.attributes['w:val'];
      style = styles.get(child(style, 'w:basedOn')?.attributes['w:val'] ?? '');
    }
    if (list !== undefined) found.set(id, { list, depth });
  }
  return found;
}
