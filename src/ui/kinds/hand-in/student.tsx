'use client';
import { arrayMove, SortableContext, verticalListSortingStrategy } from '@dnd-kit/sortable';
import type { HandedPage, HandInResponse, HandInSheet } from '@/core/kinds/hand-in/hand-in';
import { TAKES, takesName } from '@/core/content/takes';
import { MOST_FILE_BYTES } from '@/core/content/file-limits';
import { Trouble } from '../../parts/Trouble';
import { useAddingFiles } from '../../sheet/use-adding-files';
import type { StudentProps } from '../contract';
import { askedFor } from './asked';
import { PageRow } from './PageRow';
import { isPdf, keepChosenPdf } from './PdfPages';
import { showChosen } from './shown-pages';
import { DragArea } from '../../parts/DragArea';
import './hand-in.scss';

export function Student({ label, sheet, response, onChange }: StudentProps<HandInSheet, HandInResponse>) {
  const pages = response?.pages ?? [];
  const set = (next: readonly HandedPage[]): void => onChange({ pages: [...next] });
  const { add, reading, trouble } = useAddingFiles<HandedPage>({
    files: pages,
    most: sheet.most,
    unfit: ({ name }) => (takesName(sheet.takes, name) ? null : 'not one of the kinds that are asked for'),
    made(kept, file) {
      showChosen(kept.hash, file, kept.name);
      if (isPdf(kept.name)) keepChosenPdf(kept.hash, file);
      return { ...kept, turn: 0, corners: null };
    },
    onChange: set,
  });
  const move = (from: number, to: number): void => set(arrayMove(pages, from, to));
  const place = (hash: string): number => pages.findIndex((page) => page.hash === hash);
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
      <DragArea onDrop={(page, onto) => move(place(page), place(onto))}>
        <SortableContext items={pages.map(({ hash }) => hash)} strategy={verticalListSortingStrategy}>
          <ol>
            {pages.map((page, i) => (
              <PageRow
                key={page.hash}
                page={page}
                number={i + 1}
                of={pages.length}
                onChange={(part) => set(pages.map((one, at) => (at === i ? { ...one, ...part } : one)))}
                onMove={(by) => move(i, i + by)}
                onTakeOut={() => set(pages.filter((_, at) => at !== i))}
              />
            ))}
          </ol>
        </SortableContext>
      </DragArea>
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
