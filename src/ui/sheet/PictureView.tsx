'use client';
import { useRef, useState } from 'react';
import type { PictureAttributes } from '@/core/content/document';

/** A picture on a sheet; where it is allowed, it can be enlarged over the whole screen and put away. */
export function PictureView({ media, description, width, ratio, align, caption, enlarge }: PictureAttributes) {
  const large = useRef<HTMLDialogElement>(null);
  const [away, setAway] = useState(false);
  // Pictures come as they were stored; the image optimiser has nothing to add.
  const picture = (
    // eslint-disable-next-line @next/next/no-img-element -- see above
    <img src={`/media/${media}`} alt={description} style={{ aspectRatio: String(ratio) }} />
  );
  return (
    <figure className={`picture ${align}`} style={{ width: `${width}%` }}>
      {!away && (enlarge ? <Enlarging onOpen={() => large.current?.showModal()}>{picture}</Enlarging> : picture)}
      {caption && <figcaption>{caption}</figcaption>}
      {enlarge && (
        <button type="button" className="picture-act" aria-expanded={!away} onClick={() => setAway(!away)}>
          {away ? 'Show the picture' : 'Put away'}
        </button>
      )}
      {enlarge && (
        <dialog ref={large} className="picture-large" aria-label={description || 'Picture'}>
          <form method="dialog">
            <button className="btn btn-primary">Close</button>
          </form>
          <div style={{ width: `min(92vw, calc(82vh * ${ratio}))` }}>{picture}</div>
        </dialog>
      )}
    </figure>
  );
}

function Enlarging({ onOpen, children }: { onOpen: () => void; children: React.ReactNode }) {
  return (
    <button type="button" className="picture-open" aria-label="Enlarge the picture" onClick={onOpen}>
      {children}
    </button>
  );
}
