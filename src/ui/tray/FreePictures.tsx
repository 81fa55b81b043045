'use client';
import { useEffect, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { addFreePictureAction, searchFreePicturesAction } from '@/actions/tray';
import type { Result } from '@/core/base/result';
import type { AddedMedia } from '@/server/media/add-media';
import type { FreePicture } from '@/server/ports/web';
import { replyTo } from '../parts/reply-to';

/** Pictures that may be used freely, with their licence and source; taking one keeps both. */
export function FreePictures({ onAdded }: { onAdded: (result: Result<AddedMedia>) => Promise<boolean> }) {
  const [words, setWords] = useState('');
  const [found, setFound] = useState<FreePicture[]>([]);
  useEffect(() => {
    const timer = setTimeout(async () => {
      const result = await replyTo(searchFreePicturesAction(words));
      if (result.ok) setFound(result.value);
    }, 150);
    return () => clearTimeout(timer);
  }, [words]);
  return (
    <div className="note mb-2">
      <input
        type="search"
        className="form-control form-control-sm mb-1"
        aria-label="Find a free picture"
        placeholder="Find a free picture"
        value={words}
        onChange={(e) => setWords(e.target.value)}
      />
      {found.map((p) => (
        <p key={p.address} className="d-flex gap-2 align-items-baseline">
          {p.title}{' '}
          <span className="soft">
            {p.licence}, {p.source}
          </span>
          <Button
            variant="quiet"
            className="ms-auto"
            onClick={async () => onAdded(await replyTo(addFreePictureAction(p)))}
          >
            Take it
          </Button>
        </p>
      ))}
      {found.length === 0 && <p className="soft">None fits.</p>}
    </div>
  );
}
