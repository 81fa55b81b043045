'use client';
import { type ReactNode, useEffect, useRef, useState } from 'react';
import type { HandedFile } from '@/core/content/handed-file';
import { type DrawnPage, type OpenPdf, openPdf } from '../../pdf/open-pdf';

/** Whether a file of this name is drawn page by page. */
export const isPdf = (name: string): boolean => /\.pdf$/i.test(name);

/** As sharp as small writing wants it, in pixels of width. */
const WIDTH = 1400;
/** Pages are offered so many at a time. */
const AT_ONCE = 20;

/** Files that were chosen on this page, by their hashes. */
const chosen = new Map<string, Blob>();

/** Takes a PDF that was chosen here, so that it can be shown before it has travelled, and where nothing is kept. */
export function keepChosenPdf(hash: string, file: Blob): void {
  chosen.set(hash, file);
}

/** PDFs by the hashes of their files, as far as this page has opened them. */
const known = new Map<string, Promise<OpenPdf | 'locked' | 'broken'>>();

async function opened({ attempt, hash }: Pick<HandedFile, 'attempt' | 'hash'>): Promise<OpenPdf | 'locked' | 'broken'> {
  try {
    const file = chosen.get(hash) ?? (await fetch(`/api/room/${attempt}/files/${hash}`));
    return file instanceof Response && !file.ok ? 'broken' : await openPdf(await file.arrayBuffer());
  } catch {
    return 'broken';
  }
}

/** Begins to fetch a PDF that has arrived, unless it was before. */
export function fetchPdf(file: Pick<HandedFile, 'attempt' | 'hash'>): Promise<OpenPdf | 'locked' | 'broken'> | null {
  if (!chosen.has(file.hash) && file.attempt === '') return null;
  const mine = known.get(file.hash) ?? opened(file);
  known.set(file.hash, mine);
  return mine;
}

const WHY_NOT = {
  locked: 'It is locked with a password and cannot be shown here; it is as it was handed in, to be saved.',
  broken: 'It cannot be shown here; it is as it was handed in, to be saved.',
};

interface Props {
  file: HandedFile;
  arrived: boolean;
  /** Draws a page, of which the number is given from 1 on. */
  children: (page: DrawnPage, number: number) => ReactNode;
}

/** The pages of a PDF one below the other, each drawn when it comes near. */
export function PdfPages({ file: { hash, attempt }, arrived, children }: Props) {
  const [look, setLook] = useState<{ hash: string; pdf: OpenPdf | 'locked' | 'broken' } | null>(null);
  const [offered, setOffered] = useState(AT_ONCE);
  useEffect(() => {
    let here = true;
    const mine = arrived || chosen.has(hash) ? fetchPdf({ attempt, hash }) : null;
    if (!mine) return;
    void mine.then((pdf) => {
      // What could not be fetched may be there later.
      if (pdf === 'broken') known.delete(hash);
      if (here) setLook({ hash, pdf });
    });
    return () => {
      here = false;
    };
  }, [hash, attempt, arrived]);
  if (look?.hash !== hash) return <span className="soft d-block">…</span>;
  const { pdf } = look;
  if (typeof pdf === 'string') return <span className="soft d-block">{WHY_NOT[pdf]}</span>;
  return (
    <>
      {Array.from({ length: Math.min(offered, pdf.pages) }, (_, i) => (
        <PdfPage key={i} pdf={pdf} number={i + 1}>
          {children}
        </PdfPage>
      ))}
      {offered < pdf.pages && (
        <button type="button" className="btn btn-quiet btn-sm" onClick={() => setOffered(offered + AT_ONCE)}>
          {pdf.pages - offered} more pages
        </button>
      )}
    </>
  );
}

/** A page that is drawn when it comes near, and forgotten when it goes. */
function PdfPage({ pdf, number, children }: { pdf: OpenPdf; number: number; children: Props['children'] }) {
  const place = useRef<HTMLSpanElement>(null);
  const [page, setPage] = useState<DrawnPage | 'not drawn' | null>(null);
  useEffect(() => {
    const element = place.current;
    if (!element) return;
    let [here, url] = [true, ''];
    const watch = new IntersectionObserver(
      (seen) => {
        if (!seen.some((one) => one.isIntersecting)) return;
        watch.disconnect();
        void pdf.draw(number, WIDTH).then((drawn) => {
          url = drawn?.url ?? '';
          if (here) setPage(drawn ?? 'not drawn');
          else if (url) URL.revokeObjectURL(url);
        });
      },
      { rootMargin: '1000px' },
    );
    watch.observe(element);
    return () => {
      here = false;
      watch.disconnect();
      if (url) URL.revokeObjectURL(url);
    };
  }, [pdf, number]);
  return (
    <span ref={place} className="pdf-page" data-page={number}>
      <span className="soft">page {number}</span>
      {page === 'not drawn' && <span className="soft d-block">This page cannot be drawn.</span>}
      {typeof page === 'object' && page && children(page, number)}
    </span>
  );
}
