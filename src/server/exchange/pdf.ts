import { linesFromText, type SourceLine } from '@/core/exchange/lines';

const MOST_PAGES = 300;

/** The lines of a PDF with the number of its pictures, which stay behind, page after page: words on one height are one line, wide gaps stay gaps. Throws when it is none. */
export async function linesFromPdf(bytes: Uint8Array): Promise<{ lines: SourceLine[]; pictures: number }> {
  const { getDocument, OPS } = await import('pdfjs-dist/legacy/build/pdf.mjs');
  const task = getDocument({
    data: new Uint8Array(bytes),
    useSystemFonts: false,
    disableFontFace: true,
    isEvalSupported: false,
    verbosity: 0,
  });
  const document = await task.promise;
  const pages: string[] = [];
  let pictures = 0;
  for (let number = 1; number <= Math.min(document.numPages, MOST_PAGES); number++) {
    const page = await document.getPage(number);
    const { fnArray } = await page.getOperatorList();
    pictures += fnArray.filter((op) => op === OPS.paintImageXObject || op === OPS.paintInlineImageXObject).length;
    const { items } = await page.getTextContent();
    pages.push(linesOf(items as Piece[]));
  }
  await task.destroy();
  return { lines: linesFromText(pages.join('\n')), pictures };
}

interface Piece {
  str: string;
  width: number;
  height: number;
  transform: number[];
}

function linesOf(pieces: readonly Piece[]): string {
  const lines: { y: number; end: number; text: string }[] = [];
  for (const { str, width, height, transform } of pieces) {
    const [x = 0, y = 0] = [transform[4], transform[5]];
    if (str.trim() === '' && width === 0) continue;
    const line = lines.at(-1);
    const size = height || 10;
    if (line && Math.abs(line.y - y) < size * 0.5 && x >= line.end - size) {
      const gap = x - line.end;
      line.text += `${gap > size * 1.5 ? '   ' : gap > size * 0.15 ? ' ' : ''}${str}`;
      line.end = x + width;
    } else lines.push({ y, end: x + width, text: str });
  }
  return lines.map(({ text }) => text.replace(/ {4,}/g, '   ')).join('\n');
}
