import { createHash } from 'node:crypto';
import { fileTypeFromBuffer } from 'file-type';
import { FRESH_PICTURE, type PictureAttributes } from '@/core/content/document';
import { type Archive, readArchive } from '@/core/exchange/archive';
import { linesFromDocx } from '@/core/exchange/docx';
import { linesFromText, type SourceLine } from '@/core/exchange/lines';
import { oneRosterRows } from '@/core/exchange/oneroster';
import { type Recognised, recognise } from '@/core/exchange/recognised';
import { readZip } from '@/core/exchange/zip';
import { questionsFromRows } from '@/core/exchange/rows';
import { splitDocument } from '@/core/exchange/split';
import { linesFromPdf } from './pdf';
import { rowsFromCsv, rowsFromXlsx } from './spreadsheet';

/** What stands in a file. Nothing is kept anywhere; pictures stand in documents under their hashes. */
export type FileRead =
  | {
      is: 'document';
      questions: Recognised[];
      /** Lines that belong to no question. */
      left: string[];
      pictures: Map<string, Uint8Array>;
      picturesLost: number;
      fromPdf: boolean;
    }
  | ({ is: 'spreadsheet' } & ReturnType<typeof questionsFromRows>)
  | ({ is: 'archive' } & Archive)
  | { is: 'unknown' };

/** Reads a file by what its bytes are, whatever its name says. Throws when it is broken; ZipRefused when it would grow too large. */
export async function readFile(name: string, bytes: Uint8Array): Promise<FileRead> {
  const type = await fileTypeFromBuffer(bytes);
  switch (type?.mime) {
    case 'application/vnd.openxmlformats-officedocument.wordprocessingml.document': {
      const pictures = new Map<string, Uint8Array>();
      const lines = await linesFromDocx(bytes, (picture) => Promise.resolve(setAside(pictures, picture)));
      return { ...fromLines(lines), pictures };
    }
    case 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet':
      return { is: 'spreadsheet', ...questionsFromRows(await rowsFromXlsx(bytes)) };
    case 'application/pdf': {
      const { lines, pictures } = await linesFromPdf(bytes);
      return { ...fromLines(lines), picturesLost: pictures, fromPdf: true };
    }
    case 'application/zip':
      return { is: 'archive', ...readArchive(bytes) };
  }
  // The mark of UTF-16 looks like the beginning of a sound.
  const text = type && !/\.(csv|tsv|txt|md)$/i.test(name) ? null : decodedText(bytes);
  if (text === null) return { is: 'unknown' };
  return /\.(csv|tsv)$/i.test(name)
    ? { is: 'spreadsheet', ...questionsFromRows(rowsFromCsv(text)) }
    : fromLines(linesFromText(text));
}

/** The bare rows of a file; null when it has none. */
export interface RowsRead {
  rows: string[][] | null;
}

/** The rows of a spreadsheet, CSV text, or the users of an OneRoster package, by what the bytes are. */
export async function readRows(bytes: Uint8Array): Promise<RowsRead> {
  const type = await fileTypeFromBuffer(bytes);
  if (type?.mime === 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet')
    return { rows: await rowsFromXlsx(bytes) };
  if (type?.mime === 'application/zip') return { rows: oneRosterRows(csvFiles(readZip(bytes))) };
  const text = decodedText(bytes);
  return { rows: text === null ? null : rowsFromCsv(text) };
}

/** The rows of every CSV file of a package that can be read, by its name. */
function csvFiles(files: ReadonlyMap<string, Uint8Array>): Map<string, string[][]> {
  return new Map(
    [...files].flatMap(([name, bytes]) => {
      const text = name.endsWith('.csv') ? decodedText(bytes) : null;
      return text === null ? [] : [[name, rowsFromCsv(text)] as const];
    }),
  );
}

/** A picture of a document under its hash, until it is looked at and kept. */
function setAside(pictures: Map<string, Uint8Array>, bytes: Uint8Array): PictureAttributes {
  const media = createHash('sha256').update(bytes).digest('hex');
  pictures.set(media, bytes);
  return { ...FRESH_PICTURE, media, ratio: 1, width: 100, description: '' };
}

function fromLines(lines: SourceLine[]): Extract<FileRead, { is: 'document' }> {
  const { questions, left } = splitDocument(lines);
  return {
    is: 'document',
    questions: questions.map(recognise),
    left,
    pictures: new Map(),
    picturesLost: 0,
    fromPdf: false,
  };
}

/**
 * The text of bytes in whatever programs save it: UTF-8, UTF-16 with its mark (Unicode Standard, 23.8), else the
 * one-byte letters of older spreadsheets (windows-1252, WHATWG Encoding). Null when it is no text.
 */
function decodedText(bytes: Uint8Array): string | null {
  const [first, second] = bytes;
  if (first === 0xff && second === 0xfe) return new TextDecoder('utf-16le').decode(bytes);
  if (first === 0xfe && second === 0xff) return new TextDecoder('utf-16be').decode(bytes);
  if (bytes.includes(0)) return null;
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder('windows-1252').decode(bytes);
  }
}
