/** What a chart's look comes from on the page, to be written into a file of its own. */
const LOOKS = [
  'fill',
  'stroke',
  'stroke-width',
  'stroke-dasharray',
  'font-size',
  'font-weight',
  'font-family',
  'text-anchor',
  'opacity',
];
/** Pixels of a saved picture for each of the page. */
const SCALE = 2;

/** The chart as an SVG file: what style sheets say of it stands in it. */
export function chartSvg(svg: SVGSVGElement): string {
  const copy = svg.cloneNode(true) as SVGSVGElement;
  const [own, copied] = [svg, copy].map((root) => [root, ...root.querySelectorAll('*')]);
  own?.forEach((element, i) => {
    const style = getComputedStyle(element);
    const target = copied?.[i];
    for (const look of LOOKS) target?.setAttribute(look, style.getPropertyValue(look));
    target?.removeAttribute('class');
  });
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
  const { width, height } = svg.viewBox.baseVal;
  copy.setAttribute('width', String(width));
  copy.setAttribute('height', String(height));
  return new XMLSerializer().serializeToString(copy);
}

async function drawn(svg: SVGSVGElement): Promise<HTMLCanvasElement> {
  const image = new Image();
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(chartSvg(svg))}`;
  await image.decode();
  const { width, height } = svg.viewBox.baseVal;
  const canvas = document.createElement('canvas');
  [canvas.width, canvas.height] = [width * SCALE, height * SCALE];
  const pen = canvas.getContext('2d');
  if (!pen) throw new Error('This browser draws no pictures');
  pen.fillStyle = '#fff';
  pen.fillRect(0, 0, canvas.width, canvas.height);
  pen.drawImage(image, 0, 0, canvas.width, canvas.height);
  return canvas;
}

const blobOf = (canvas: HTMLCanvasElement, type: string): Promise<Blob> =>
  new Promise((resolve, reject) =>
    canvas.toBlob((blob) => (blob ? resolve(blob) : reject(new Error('No picture came of it'))), type, 0.95),
  );

export async function chartPng(svg: SVGSVGElement): Promise<Blob> {
  return blobOf(await drawn(svg), 'image/png');
}

/** The chart as a PDF of one page with its picture (ISO 32000-1: an image with the DCTDecode filter). */
export async function chartPdf(svg: SVGSVGElement): Promise<Blob> {
  const canvas = await drawn(svg);
  const jpeg = new Uint8Array(await (await blobOf(canvas, 'image/jpeg')).arrayBuffer());
  return new Blob([pdfOfJpeg(jpeg, canvas.width, canvas.height)], { type: 'application/pdf' });
}

/** Points of a page for each pixel of the picture. */
const POINTS = 0.375;

/** A PDF whose page is a JPEG. */
export function pdfOfJpeg(jpeg: Uint8Array, width: number, height: number): Uint8Array<ArrayBuffer> {
  const text = new TextEncoder();
  const [w, h] = [width * POINTS, height * POINTS].map((x) => x.toFixed(2));
  const draw = `q ${w} 0 0 ${h} 0 0 cm /Chart Do Q`;
  const objects: (string | [string, Uint8Array])[] = [
    '<< /Type /Catalog /Pages 2 0 R >>',
    '<< /Type /Pages /Kids [3 0 R] /Count 1 >>',
    `<< /Type /Page /Parent 2 0 R /MediaBox [0 0 ${w} ${h}] /Resources << /XObject << /Chart 5 0 R >> >> /Contents 4 0 R >>`,
    `<< /Length ${draw.length} >>\nstream\n${draw}\nendstream`,
    [
      `<< /Type /XObject /Subtype /Image /Width ${width} /Height ${height} /ColorSpace /DeviceRGB /BitsPerComponent 8 /Filter /DCTDecode /Length ${jpeg.length} >>\nstream\n`,
      jpeg,
    ],
  ];
  const parts: Uint8Array[] = [];
  let length = 0;
  const write = (part: string | Uint8Array): void => {
    const bytes = typeof part === 'string' ? text.encode(part) : part;
    parts.push(bytes);
    length += bytes.length;
  };
  write('%PDF-1.4\n');
  const offsets = objects.map((object, i) => {
    const at = length;
    write(`${i + 1} 0 obj\n`);
    if (typeof object === 'string') write(object);
    else {
      write(object[0]);
      write(object[1]);
      write('\nendstream');
    }
    write('\nendobj\n');
    return at;
  });
  const start = length;
  const entries = offsets.map((at) => `${String(at).padStart(10, '0')} 00000 n \n`).join('');
  write(`xref\n0 ${objects.length + 1}\n0000000000 65535 f \n${entries}`);
  write(`trailer\n<< /Size ${objects.length + 1} /Root 1 0 R >>\nstartxref\n${start}\n%%EOF\n`);
  const whole = new Uint8Array(length);
  let at = 0;
  for (const part of parts) {
    whole.set(part, at);
    at += part.length;
  }
  return whole;
}

/** A table as CSV (RFC 4180), with a byte order mark; text that a spreadsheet would run as a formula is defused. */
export function csvText(table: readonly (readonly (string | number | null)[])[]): string {
  const cell = (value: string | number | null): string => {
    if (typeof value === 'number' || value === null) return String(value ?? '');
    const safe = /^[=+\-@\t\r]/.test(value) ? `'${value}` : value;
    return /[",\r\n]/.test(safe) ? `"${safe.replaceAll('"', '""')}"` : safe;
  };
  return `\ufeff${table.map((row) => row.map(cell).join(',')).join('\r\n')}\r\n`;
}
