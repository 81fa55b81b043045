import { FileDown } from 'lucide-react';
import type { FileAttributes } from '@/core/content/document';
import { fileSize } from '../words/file-size';

/** A file on a sheet, to be taken along. */
export function FileLink({ media, name, size }: FileAttributes) {
  return (
    <p className="file-link">
      <a href={`/media/${media}`} download={name}>
        <FileDown size={18} aria-hidden /> {name}
      </a>{' '}
      <span className="soft">{fileSize(size)}</span>
    </p>
  );
}
