import sharp from 'sharp';

/** Letters and figures of a hand, each as lines on a field 10 wide and 16 high. */
const HAND: Record<string, string> = {
  '0': 'M5 1Q1 2 1 8T5 15Q9 14 9 8T5 1',
  '1': 'M3 4L6 1V15',
  '2': 'M1 4Q2 1 5 1Q9 2 8 6Q6 10 1 15H9',
  '3': 'M1 2Q8 0 8 4Q7 7 3 7Q9 8 8 12Q6 16 1 14',
  '4': 'M7 15V1L1 10H9',
  '5': 'M8 1H2L1 7Q8 5 8 11Q6 16 1 14',
  '6': 'M8 1Q1 3 1 11Q2 15 5 15Q9 14 8 10Q5 7 1 11',
  '7': 'M1 1H9Q4 7 4 15',
  '8': 'M5 7Q1 5 3 2Q6 0 8 3Q7 6 5 7Q1 10 2 13Q6 17 9 13Q9 9 5 7',
  '9': 'M8 5Q5 9 2 6Q1 2 5 1Q9 1 8 6Q8 12 4 15',
  '=': 'M1 6H9M1 10H9',
  '.': 'M4 15H5',
  '/': 'M1 15L9 1',
  x: 'M1 6L8 14M8 6L1 14',
  P: 'M2 15V1Q9 1 8 5Q7 8 2 8',
  A: 'M1 15L5 1L9 15M3 10H7',
  v: 'M1 6L5 15L9 6',
  r: 'M2 15V7Q4 5 8 7',
  M: 'M1 15V1L5 9L9 1V15',
  W: 'M1 1L3 15L5 5L7 15L9 1',
  m: 'M1 15V7Q4 5 5 8V15V8Q8 5 9 8V15',
};

function line(text: string, x: number, y: number, size: number): string {
  return [...text]
    .map(
      (sign, i) =>
        `<path transform="translate(${x + i * 12 * size} ${y + (i % 3)}) scale(${size})" d="${HAND[sign] ?? ''}"/>`,
    )
    .join('');
}

/** A photographed page with a calculation, a little askew on a table, as JPEG. */
export async function photographedPage(lines: readonly string[], askew: number): Promise<Uint8Array> {
  const written = lines.map((text, i) => line(text, 130, 170 + i * 110, 3.4)).join('');
  const squares = Array.from(
    { length: 26 },
    (_, i) => `<path d="M80 ${90 + i * 52}H1020M${80 + i * 37} 90V1420"/>`,
  ).join('');
  const page = `<svg xmlns="http://www.w3.org/2000/svg" width="1200" height="1600">
<rect width="1200" height="1600" fill="#8d8377"/>
<g transform="rotate(${askew} 600 800)">
<rect x="60" y="70" width="980" height="1370" fill="#f4f1e8"/>
<g stroke="#c9d3dd" stroke-width="1.5">${squares}</g>
<g fill="none" stroke="#22306b" stroke-width="1.1" stroke-linecap="round" stroke-linejoin="round">${written}</g>
</g></svg>`;
  return new Uint8Array(await sharp(Buffer.from(page)).jpeg({ quality: 70 }).toBuffer());
}

/** Scanned pages (JPEG, 1200 by 1600) as a PDF, one picture a page, by the grammar of ISO 32000-1 (7.3, 8.9.5). */
export function scannedPdf(pages: readonly Uint8Array[]): Uint8Array {
  const parts: Buffer[] = [Buffer.from('%PDF-1.4\n')];
  const places: number[] = [];
  const add = (...object: (string | Uint8Array)[]): void => {
    places.push(parts.reduce((sum, { length }) => sum + length, 0));
    const [head, ...rest] = object;
    parts.push(
      Buffer.from(`${places.length} 0 obj\n${head?.toString() ?? ''}`),
      ...rest.map((one) => Buffer.from(one)),
    );
    parts.push(Buffer.from('\nendobj\n'));
  };
  const kids = pages.map((_, i) => `${3 + 3 * i} 0 R`).join(' ');
  add('<< /Type /Catalog /Pages 2 0 R >>');
  add(`<< /Type /Pages /Kids [${kids}] /Count ${pages.length} >>`);
  for (const [i, jpeg] of pages.entries()) {
    const own = 3 + 3 * i;
    add(
      `<< /Type /Page /Parent 2 0 R /MediaBox [0 0 600 800] /Contents ${own + 1} 0 R /Resources << /XObject << /Scan ${own + 2} 0 R >> >> >>`,
    );
    const draws = 'q 600 0 0 800 0 0 cm /Scan Do Q';
    add(`<< /Length ${draws.length} >>\nstream\n${draws}\nendstream`);
    add(
      `<< /Type /XObject /Subtype /Image /Width 1200 /Height 1600 /ColorSpace /DeviceRGB /BitsPerComponent 8 /Filter /DCTDecode /Length ${jpeg.length} >>\nstream\n`,
      jpeg,
      '\nendstream',
    );
  }
  const start = parts.reduce((sum, { length }) => sum + length, 0);
  const table = places.map((at) => `${String(at).padStart(10, '0')} 00000 n \n`).join('');
  parts.push(
    Buffer.from(
      `xref\n0 ${places.length + 1}\n0000000000 65535 f \n${table}trailer\n<< /Size ${places.length + 1} /Root 1 0 R >>\nstartxref\n${start}\n%%EOF\n`,
    ),
  );
  return new Uint8Array(Buffer.concat(parts));
}
