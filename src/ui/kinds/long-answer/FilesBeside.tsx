'use client';
import { X } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import type { HandedFile } from '@/core/content/handed-file';
import { type FileProgress, useFileKeeper } from '../../sheet/FileKeeper';
import { refusalText } from '../../words/refusals';
import { Trouble } from '../../parts/Trouble';
import { fileSize } from '../../words/file-size';

interface Props {
  label: string;
  files: readonly HandedFile[];
  most: number;
  onChange: (files: HandedFile[]) => void;
}

/** Files beside an answer: each is kept on the device as soon as it is chosen, and goes on to the server from there. */
export function FilesBeside({ label, files, most, onChange }: Props) {
  const { keep } = useFileKeeper();
  const [reading, setReading] = useState<string | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const present = useRef(files);
  useEffect(() => {
    present.current = files;
  }, [files]);
  const add = async (chosen: readonly File[]): Promise<void> => {
    setTrouble(null);
    for (const file of chosen) {
      if (present.current.length >= most) break;
      setReading(file.name);
      const kept = await keep(file);
      if (!kept.ok) setTrouble(`${file.name}: ${refusalText(kept.refusal)}`);
      else if (present.current.every(({ hash }) => hash !== kept.value.hash)) {
        present.current = [...present.current, kept.value];
        onChange([...present.current]);
      }
    }
    setReading(null);
  };
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

function OnItsWay({ progress }: { progress: FileProgress | undefined }) {
  if (!progress) return null;
  if ('refusal' in progress) return <span className="trouble">not taken: {refusalText(progress.refusal)}</span>;
  return <span className="soft">kept on this device, {Math.round(progress.share * 100)} % sent</span>;
}
