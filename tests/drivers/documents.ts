import { writeZip } from '@/core/exchange/zip';

const W = 'xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main"';
const M = 'xmlns:m="http://schemas.openxmlformats.org/officeDocument/2006/math"';
const A = 'xmlns:a="http://schemas.openxmlformats.org/drawingml/2006/main"';
const R = 'xmlns:r="http://schemas.openxmlformats.org/officeDocument/2006/relationships"';

/** A run of words, bold when wanted. */
export const words = (text: string, bold = false): string =>
  `<w:r>${bold ? '<w:rPr><w:b/></w:rPr>' : ''}<w:t xml:space="preserve">${text}</w:t></w:r>`;

/** A paragraph, in a list when a list and a depth are given. */
export const paragraph = (inner: string, list?: [id: number, depth: number]): string =>
  `<w:p>${list ? `<w:pPr><w:numPr><w:ilvl w:val="${list[1]}"/><w:numId w:val="${list[0]}"/></w:numPr></w:pPr>` : ''}${inner}</w:p>`;

export const pictureRun = '<w:r><w:drawing><a:blip r:embed="rId9"/></w:drawing></w:r>';

const NUMBERING = `<w:numbering ${W}>
<w:abstractNum w:abstractNumId="1"><w:lvl w:ilvl="0"><w:numFmt w:val="decimal"/><w:lvlText w:val="%1."/></w:lvl>
<w:lvl w:ilvl="1"><w:numFmt w:val="lowerLetter"/><w:lvlText w:val="%2)"/></w:lvl></w:abstractNum>
<w:num w:numId="1"><w:abstractNumId w:val="1"/></w:num></w:numbering>`;

/** A small word-processor document with these paragraphs, a picture under rId9 if one is given, and further parts by name. */
export function docx(
  paragraphs: string[],
  picture?: Uint8Array,
  parts: Readonly<Record<string, string>> = {},
): Uint8Array {
  const files = new Map<string, Uint8Array | string>([
    [
      '[Content_Types].xml',
      '<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Override PartName="/word/document.xml" ContentType="application/vnd.openxmlformats-officedocument.wordprocessingml.document.main+xml"/></Types>',
    ],
    ['word/document.xml', `<w:document ${W} ${M} ${A} ${R}><w:body>${paragraphs.join('')}</w:body></w:document>`],
    ['word/numbering.xml', NUMBERING],
    ...Object.entries(parts),
  ]);
  if (picture) {
    files.set('word/media/image1.png', picture);
    files.set(
      'word/_rels/document.xml.rels',
      '<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="rId9" Target="media/image1.png"/></Relationships>',
    );
  }
  return writeZip(files);
}

const LOCK = ` /ID [<00> <00>] /Encrypt << /Filter /Standard /V 1 /R 2 /P -4 /O <${'11'.repeat(32)}> /U <${'22'.repeat(32)}> >>`;

/** A one-page PDF with these lines, from its grammar (ISO 32000-1, 7.3 and 9.4); locked, it wants a password that nobody knows (7.6.3). */
export function pdf(lines: string[], locked = false): Uint8Array {
  const shown = lines.map((line) => `(${line.replace(/[\\()]/g, '\\$&')}) Tj T*`).join('\n');
  const stream = `BT /F1 11 Tf 14 TL 50 780 Td\n${shown}\nET`;
  const objects = [
    '<< /Type /Catalog /Pages 2 0 R >>',
    '<< /Type /Pages /Kids [3 0 R] /Count 1 >>',
    '<< /Type /Page /Parent 2 0 R /MediaBox [0 0 595 842] /Contents 4 0 R /Resources << /Font << /F1 5 0 R >> >> >>',
    `<< /Length ${stream.length} >>\nstream\n${stream}\nendstream`,
    '<< /Type /Font /Subtype /Type1 /BaseFont /Helvetica >>',
  ];
  let text = '%PDF-1.4\n';
  const places = objects.map((object, i) => {
    const at = text.length;
    text += `${i + 1} 0 obj\n${object}\nendobj\n`;
    return at;
  });
  const start = text.length;
  text += `xref\n0 ${objects.length + 1}\n0000000000 65535 f \n`;
  text += places.map((at) => `${String(at).padStart(10, '0')} 00000 n \n`).join('');
  text += `trailer\n<< /Size ${objects.length + 1} /Root 1 0 R${locked ? LOCK : ''} >>\nstartxref\n${start}\n%%EOF\n`;
  return new TextEncoder().encode(text);
}

/** One second of silence: RIFF header and samples as Microsoft and IBM wrote it down (Multimedia Programming Interface 1.0, 1991). */
export function wav(): Uint8Array {
  const bytes = Buffer.alloc(44 + 8000);
  bytes.write('RIFF', 0);
  bytes.writeUInt32LE(36 + 8000, 4);
  bytes.write('WAVEfmt ', 8);
  bytes.writeUInt32LE(16, 16);
  bytes.writeUInt16LE(1, 20);
  bytes.writeUInt16LE(1, 22);
  bytes.writeUInt32LE(8000, 24);
  bytes.writeUInt32LE(8000, 28);
  bytes.writeUInt16LE(1, 32);
  bytes.writeUInt16LE(8, 34);
  bytes.write('data', 36);
  bytes.writeUInt32LE(8000, 40);
  return new Uint8Array(bytes);
}
