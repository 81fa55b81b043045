'use client';
import { useSortable } from '@dnd-kit/sortable';
import { ChevronDown, ChevronUp, Crop, FileText, RotateCw, X } from 'lucide-react';
import { lazy, Suspense, useState } from 'react';
import type { HandedPage } from '@/core/kinds/hand-in/hand-in';
import type { Flaw } from '@/core/pictures/looks';
import { useFileKeeper } from '../../sheet/FileKeeper';
import { OnItsWay } from '../../sheet/OnItsWay';
import { fileSize } from '../../words/file-size';
import { Act } from './Act';
import { PageView } from './PageView';
import { useShownPage } from './shown-pages';

// Only those who crop a page need it.
const CropDialog = lazy(() => import('./CropDialog'));

const FLAWS: Record<Flaw, string> = {
  dark: 'It looks dark: more light would help.',
  blurred: 'It looks blurred: hold still, and near enough to read it.',
};

interface RowProps {
  page: HandedPage;
  number: number;
  of: number;
  onChange: (part: Partial<HandedPage>) => void;
  onMove: (by: -1 | 1) => void;
  onTakeOut: () => void;
}

/** One page: small, with what can be done with it, how far it has come, and what may be wrong with it. */
export function PageRow({ page, number, of, onChange, onMove, onTakeOut }: RowProps) {
  const { onTheirWay } = useFileKeeper();
  const way = onTheirWay.get(page.hash);
  const look = useShownPage(page, way === undefined);
  const [cropping, setCropping] = useState(false);
  const shown = typeof look === 'object' ? look : null;
  const { setNodeRef, listeners, transform, transition, isDragging } = useSortable({ id: page.hash });
  return (
    <li
      ref={setNodeRef}
      className={isDragging ? 'dragged' : ''}
      style={{ transform: transform ? `translate(${transform.x}px, ${transform.y}px)` : undefined, transition }}
    >
      <span className="thumb" {...listeners} title="Drag it to its place">
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
    </li>
  );
}
