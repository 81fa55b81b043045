'use client';
import { X } from 'lucide-react';
import type { HandedFile } from '@/core/content/handed-file';
import { useFileKeeper } from '../../sheet/FileKeeper';
import { OnItsWay } from '../../sheet/OnItsWay';
import { useAddingFiles } from '../../sheet/use-adding-files';
import { Trouble } from '../../parts/Trouble';
import { fileSize } from '../../words/file-size';

interface Props {
  label: string;
  files: readonly HandedFile[];
  most: number;
  onChange: (files: HandedFile[]) => void;
}

/** Files beside an answer. */
export function FilesBeside({ label, files, most, onChange }: Props) {
  const { add, reading, trouble } = useAddingFiles({ files, most, made: (kept) => kept, onChange });
  return (
    <div className="files-beside">
      <FileList files={files} onRemove={(hash) => onChange(files.filter((file) => file.hash !== hash))} />
      {files.length < most && (
        <label className="add-file">
          {reading ? `Reading ${reading}…` : `Put a file beside it (${most - files.length} left)`}
          <input
            type="file"
            aria-label={`${label}, a file beside it`}
            multiple={most - files.length > 1}
            disabled={reading !== null}
            onChange={(e) => {
              const chosen = [...(e.target.files ?? [])];
              e.target.value = '';
              void add(chosen);
            }}
          />
        </label>
      )}
      <Trouble>{trouble}</Trouble>
    </div>
  );
}

/** Handed-in files by name; to be saved by those who may, to be taken out while one writes. */
export function FileList({ files, onRemove }: { files: readonly HandedFile[]; onRemove?: (hash: string) => void }) {
  const { onTheirWay } = useFileKeeper();
  if (files.length === 0) return null;
  return (
    <ul>
      {files.map(({ hash, name, size, attempt }) => (
        <li key={hash}>
          {attempt === '' || onTheirWay.has(hash) ? name : <a href={`/api/room/${attempt}/files/${hash}`}>{name}</a>}{' '}
          <span className="soft">{fileSize(size)}</span> <OnItsWay progress={onTheirWay.get(hash)} />
          {onRemove && (
            <button
              type="button"
              className="btn btn-quiet btn-sm"
              aria-label={`Take ${name} out`}
              onClick={() => onRemove(hash)}
            >
              <X size={14} />
            </button>
          )}
        </li>
      ))}
    </ul>
  );
}
