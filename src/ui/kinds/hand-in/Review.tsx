'use client';
import { Contrast, RotateCw } from 'lucide-react';
import { type ReactNode, useEffect, useRef, useState } from 'react';
import { type Anchor, pageOf, type Pinned } from '@/core/content/anchors';
import { PAPER_WIDTH } from '@/core/drawing/shapes';
import type { HandedPage, HandInResponse, HandInSheet } from '@/core/kinds/hand-in/hand-in';
import { MarkedFace } from '../../remarks/MarkedFace';
import { useFileKeeper } from '../../sheet/FileKeeper';
import { fileSize } from '../../words/file-size';
import type { ReviewProps } from '../contract';
import { Act } from './Act';
import { pageRatio, PageView } from './PageView';
import { fetchPdf, isPdf, PdfPages } from './PdfPages';
import { fetchPage, type ShownPage, useShownPage } from './shown-pages';

/** The pages as they shall be read, one below the other; what is no picture is given to be saved. */
export function Review({ response, remarks = [], onPin }: ReviewProps<HandInSheet, HandInResponse>) {
  const pages = response?.pages ?? [];
  if (pages.length === 0) return <div className="slot-box soft">no answer</div>;
  return (
    <ol className="hand-in-review">
      {pages.map((page, i) => (
        <li key={page.hash}>
          <ReviewPage page={page} number={i + 1} remarks={remarks} onPin={onPin} />
        </li>
      ))}
    </ol>
  );
}

/** Fetches the pages of an answer that is looked at soon. */
export function ahead({ pages }: HandInResponse): void {
  for (const page of pages) {
    fetchPage(page);
    if (isPdf(page.name)) fetchPdf(page);
  }
}

/** How large a page is shown: as a thumbnail, as wide as there is room, or so that small writing can be read. */
type Size = 'small' | 'whole' | 'large';
const NEXT: Record<Size, Size> = { small: 'whole', whole: 'large', large: 'whole' };
const SMALL = 320;
const LARGE = 1200;

interface PageProps {
  page: HandedPage;
  number: number;
  remarks: readonly Pinned[];
  onPin: ((anchor: Anchor) => void) | undefined;
}

function ReviewPage({ page, number, remarks, onPin }: PageProps) {
  const { onTheirWay } = useFileKeeper();
  const arrived = !onTheirWay.has(page.hash);
  const look = useShownPage(page, arrived);
  const pdf = isPdf(page.name);
  // Whoever marks, and whoever reads remarks, wants the page at a size at which it can be read.
  const [size, setSize] = useState<Size>(onPin !== undefined || remarks.length > 0 ? 'whole' : 'small');
  const [turned, setTurned] = useState(0);
  const [strong, setStrong] = useState(false);
  const name = `${number}. ${page.name}`;
  return (
    <>
      <span className="line-of-page">
        {page.attempt === '' ? name : <a href={`/api/room/${page.attempt}/files/${page.hash}`}>{name}</a>}{' '}
        <span className="soft">{fileSize(page.size)}</span>
        {(typeof look === 'object' || pdf) && (
          <>
            <Act label={`Turn page ${number}`} onClick={() => setTurned((turned + 1) % 4)}>
              <RotateCw size={16} />
            </Act>
            <Act label={`Stronger contrast on page ${number}`} pressed={strong} onClick={() => setStrong(!strong)}>
              <Contrast size={16} />
            </Act>
            <button type="button" className="btn btn-quiet btn-sm" onClick={() => setSize(NEXT[size])}>
              {size === 'large' ? 'Smaller' : 'Larger'}
            </button>
          </>
        )}
      </span>
      {look === 'looking' && <span className="soft d-block">…</span>}
      {look === 'no picture' && !pdf && (
        <span className="soft d-block">It cannot be shown here; it is as it was handed in, to be saved.</span>
      )}
      {turned > 0 && remarks.length > 0 && (
        <span className="soft d-block">Remarks are shown when the page stands as it was handed in.</span>
      )}
      {typeof look === 'object' && (
        <span className={`page-scroll ${strong ? 'strong' : ''}`}>
          <Face {...{ page, look, turned, remarks, onPin, size }} place={page.hash} />
        </span>
      )}
      {pdf && (
        <PdfPages file={page} arrived={arrived}>
          {(drawn, of) => (
            <span className={`page-scroll ${strong ? 'strong' : ''}`}>
              <Face
                page={{ turn: 0, corners: null, name: `${page.name}, page ${of}` }}
                place={pageOf(page.hash, of)}
                look={drawn}
                {...{ turned, remarks, onPin, size }}
              />
            </span>
          )}
        </PdfPages>
      )}
    </>
  );
}

interface FaceProps extends Omit<PageProps, 'number' | 'page'> {
  page: Pick<HandedPage, 'turn' | 'corners' | 'name'>;
  /** How anchors name it. */
  place: string;
  look: Omit<ShownPage, 'flaws'>;
  turned: number;
  size: Size;
}

/** The page; its remarks stand on it as long as it stands as it was handed in. */
function Face({ page, place, look, turned, size, remarks, onPin }: FaceProps) {
  const [room, setRoom] = useState(0);
  const width = size === 'small' ? Math.min(room, SMALL) : size === 'large' ? Math.max(room, LARGE) : room;
  return (
    <RoomFor onRoom={setRoom}>
      {width > 0 && <FaceAt {...{ page, place, look, turned, width, remarks, onPin }} />}
    </RoomFor>
  );
}

/** Tells how wide there is room. */
function RoomFor({ onRoom, children }: { onRoom: (width: number) => void; children: ReactNode }) {
  const frame = useRef<HTMLSpanElement>(null);
  useEffect(() => {
    const element = frame.current;
    if (!element) return;
    const watch = new ResizeObserver(() => onRoom(element.clientWidth));
    watch.observe(element);
    return () => watch.disconnect();
  }, [onRoom]);
  return (
    <span ref={frame} className="d-block">
      {children}
    </span>
  );
}

function FaceAt({ page, place, look, turned, width, remarks, onPin }: Omit<FaceProps, 'size'> & { width: number }) {
  const view = <PageView page={{ ...page, turn: (page.turn + turned) % 4 }} shown={look} width={width} />;
  if (turned > 0) return view;
  return (
    <span style={{ width, display: 'block' }}>
      <MarkedFace page={place} high={PAPER_WIDTH * pageRatio(page, look)} remarks={remarks} onPin={onPin}>
        {view}
      </MarkedFace>
    </span>
  );
}
