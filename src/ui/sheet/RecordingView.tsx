'use client';
import { useState } from 'react';
import type { RecordingAttributes } from '@/core/content/document';

/** A sound or a film on a sheet, with its captions; it can be put away. */
export function RecordingView({ media, medium, description, captions }: RecordingAttributes) {
  const [away, setAway] = useState(false);
  const src = `/media/${media}`;
  return (
    <figure className={`recording ${medium}`}>
      {!away && medium === 'sound' && <audio controls preload="metadata" src={src} aria-label={description} />}
      {!away && medium === 'film' && (
        <video controls preload="metadata" src={src} aria-label={description}>
          {captions && <track kind="captions" src={`/media/${captions}`} default />}
        </video>
      )}
      {description && <figcaption>{description}</figcaption>}
      {medium === 'film' && (
        <button type="button" className="picture-act" aria-expanded={!away} onClick={() => setAway(!away)}>
          {away ? 'Show the film' : 'Put away'}
        </button>
      )}
    </figure>
  );
}
