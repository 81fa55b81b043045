'use client';
import { ChevronDown, ChevronUp, Crop, FileText, RotateCw, X } from 'lucide-react';
import { lazy, type ReactNode, Suspense, useState } from 'react';
import type { HandedPage, HandInResponse, HandInSheet } from '@/core/kinds/hand-in/hand-in';
import { TAKES, takesName } from '@/core/content/takes';
import { MOST_FILE_BYTES } from '@/core/content/file-limits';
import type { Flaw } from '@/core/pictures/looks';
import { Trouble } from '../../parts/Trouble';
import { useFileKeeper } from '../../sheet/FileKeeper';
import { OnItsWay } from '../../sheet/OnItsWay';
import { useAddingFiles } from '../../sheet/use-adding-files';
import { fileSize } from '../../words/file-size';
import type { ReviewProps, StudentProps } from '../contract';
import { askedFor } from './asked';
import { PageView } from './PageView';
import { showChosen, useShownPage } from './shown-pages';
import './hand-in.scss';

// Only those who crop a page need it.
const CropDialog = lazy(() => import('./CropDialog'));

const FLAWS: Record<Flaw, string> = {
  dark: 'It looks dark: more light would help.',
  blurred: 'It looks blurred: hold still, and near enough to read it.',
};

export function Student({ label, sheet, response, onChange }: StudentProps<HandInSheet, HandInResponse>) {
  const pages = response?.pages ?? [];
  const set = (next: readonly HandedPage[]): void => onChange({ pages: [...next] });
  const { add, reading, trouble } = useAddingFiles<HandedPage>({
    files: pages,
    most: sheet.most,
    unfit: ({ name }) => (takesName(sheet.takes, name) ? null : 'not one of the kinds that are asked for'),
    made(kept, file) {
      showChosen(kept.hash, file, kept.name);
      return { ...kept, turn: 0, corners: null };
    },
    onChange: set,
  });
  const move = (from: number, by: -1 | 1): void => {
    const next = [...pages];
    const [page] = next.splice(from, 1);
    if (page) next.splice(from + by, 0, page);
    set(next);
  };
  const endings = TAKES[sheet.takes];
  const choosing = {
    label,
    reading,
    onFiles: (chosen: readonly File[]) => void add(chosen),
  };
  return (
    <div className="hand-in">
      <p className="soft">
        {askedFor(sheet)} At most {MOST_FILE_BYTES / 1024 / 1024} MB each.
      </p>
      <ol>
        {pages.map((page, i) => (
          <li key={page.hash}>
            <PageRow
              page={page}
              number={i + 1}
              of={pages.length}
              onChange={(part) => set(pages.map((one, at) => (at === i ? { ...one, ...part } : one)))}
              onMove={(by) => move(i, by)}
              onTakeOut={() => set(pages.filter((_, at) => at !== i))}
            />
          </li>
        ))}
      </ol>
      {pages.length < sheet.most && (
        <div className="choose">
          {sheet.takes === 'pages' && (
            <Chooser {...choosing} what="Photograph a page" accept="image/*" photograph several={false} />
          )}
          <Chooser
            {...choosing}
            what={pages.length === 0 ? 'Choose files' : 'Choose more files'}
            accept={endings ? endings.map((ending) => `.${ending}`).join(',') : ''}
            several={sheet.most - pages.length > 1}
          />
        </div>
      )}
      <Trouble>{trouble}</Trouble>
    </div>
  );
}

interface ChooserProps {
  label: string;
  what: string;
  accept: string;
  several: boolean;
  /** Whether the camera opens where there is one. */
  photograph?: boolean;
  reading: string | null;
  onFiles: (files: readonly File[]) => void;
}

function Chooser({ label, what, accept, several, photograph = false, reading, onFiles }: ChooserProps) {
  return (
    <label className="add-file">
      {reading ? `Reading ${reading}…` : what}
      <input
        type="file"
        aria-label={`${label}: ${what}`}
        accept={accept}
        multiple={several}
        disabled={reading !== null}
        {...(photograph ? { capture: 'environment' as const } : {})}
        onChange={(e) => {
          const chosen = [...(e.target.files ?? [])];
          e.target.value = '';
          onFiles(chosen);
        }}
      />
    </label>
  );
}

interface RowProps {
  page: HandedPage;
  number: number;
  of: number;
  onChange: (part: Partial<HandedPage>) => void;
  onMove: (by: -1 | 1) => void;
  onTakeOut: () => void;
}

/** One page: small, with what can be done with it, how far it has come, and what may be wrong with it. */
function PageRow({ page, number, of, onChange, onMove, onTakeOut }: RowProps) {
  const { onTheirWay } = useFileKeeper();
  const way = onTheirWay.get(page.hash);
  const look = useShownPage(page, way === undefined);
  const [cropping, setCropping] = useState(false);
  const shown = typeof look === 'object' ? look : null;
  return (
    <>
      <span className="thumb">
        {shown ? <PageView page={page} shown={shown} width={96} /> : <FileText size={40} aria-hidden="true" />}
      </span>
      <span className="about">
        <strong>
          {number}. {page.name}
        </strong>{' '}
        <span className="soft">{fileSize(page.size)}</span>{' '}
        {way ? <OnItsWay progress={way} /> : page.attempt !== '' && <span className="soft">on the server ✓</span>}
        {shown?.flaws.map((flaw) => (
          <span key={flaw} className="hand d-block">
            {FLAWS[flaw]}
          </span>
        ))}
        <span className="acts" role="group" aria-label={`Page ${number}`}>
          {shown && (
            <>
              <Act label={`Turn page ${number}`} onClick={() => onChange({ turn: (page.turn + 1) % 4 })}>
                <RotateCw size={16} />
              </Act>
              <Act label={`Crop page ${number}`} onClick={() => setCropping(true)}>
                <Crop size={16} />
              </Act>
            </>
          )}
          <Act label={`Page ${number} earlier`} off={number === 1} onClick={() => onMove(-1)}>
            <ChevronUp size={16} />
          </Act>
          <Act label={`Page ${number} later`} off={number === of} onClick={() => onMove(1)}>
            <ChevronDown size={16} />
          </Act>
          <Act label={`Take page ${number} out`} onClick={onTakeOut}>
            <X size={16} />
          </Act>
        </span>
      </span>
      {cropping && shown && (
        <Suspense fallback={null}>
          <CropDialog
            shown={shown}
            corners={page.corners}
            name={page.name}
            onClose={() => setCropping(false)}
            onKeep={(corners) => {
              onChange({ corners });
              setCropping(false);
            }}
          />
        </Suspense>
      )}
    </>
  );
}

interface ActProps {
  label: string;
  off?: boolean;
  onClick: () => void;
  children: ReactNode;
}

function Act({ label, off = false, onClick, children }: ActProps) {
  return (
    <button
      type="button"
      className="btn btn-quiet btn-sm"
      aria-label={label}
      title={label}
      disabled={off}
      onClick={onClick}
    >
      {children}
    </button>
  );
}

/** The pages as they shall be read, one below the other; what is no picture is given to be saved. */
export function Review({ response }: ReviewProps<HandInSheet, HandInResponse>) {
  const pages = response?.pages ?? [];
  if (pages.length === 0) return <div className="slot-box soft">no answer</div>;
  return (
    <ol className="hand-in-review">
      {pages.map((page, i) => (
        <li key={page.hash}>
          <ReviewPage page={page} number={i + 1} />
        </li>
      ))}
    </ol>
  );
}

function ReviewPage({ page, number }: { page: HandedPage; number: number }) {
  const { onTheirWay } = useFileKeeper();
  const look = useShownPage(page, !onTheirWay.has(page.hash));
  const [large, setLarge] = useState(false);
  const [turned, setTurned] = useState(0);
  const name = `${number}. ${page.name}`;
  return (
    <>
      <span className="line-of-page">
        {page.attempt === '' ? name : <a href={`/api/room/${page.attempt}/files/${page.hash}`}>{name}</a>}{' '}
        <span className="soft">{fileSize(page.size)}</span>
        {typeof look === 'object' && (
          <>
            <Act label={`Turn page ${number}`} onClick={() => setTurned((turned + 1) % 4)}>
              <RotateCw size={16} />
            </Act>
            <button
              type="button"
              className="btn btn-quiet btn-sm"
              aria-pressed={large}
              onClick={() => setLarge(!large)}
            >
              {large ? 'Smaller' : 'Larger'}
            </button>
          </>
        )}
      </span>
      {look === 'looking' && <span className="soft d-block">…</span>}
      {look === 'no picture' && (
        <span className="soft d-block">It cannot be shown here; it is as it was handed in, to be saved.</span>
      )}
      {typeof look === 'object' && (
        <span className="page-scroll">
          <PageView page={{ ...page, turn: (page.turn + turned) % 4 }} shown={look} width={large ? 1200 : 320} />
        </span>
      )}
    </>
  );
}
