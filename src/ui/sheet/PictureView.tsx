'use client';
import { useRef, useState } from 'react';
import type { PictureAttributes } from '@/core/content/document';
import { PictureLabels } from './PictureLabels';

/** A picture on a sheet; where it is allowed, it can be enlarged over the whole screen and put away. */
export function PictureView(picture: PictureAttributes) {
  const { media, description, width, ratio, align, caption, enlarge, labels = [] } = picture;
  const large = useRef<HTMLDialogElement>(null);
  const [away, setAway] = useState(false);
  // Pictures come as they were stored; the image optimiser has nothing to add.
  const face = (
    <span className="picture-face">
      {/* eslint-disable-next-line @next/next/no-img-element -- see above */}
      <img src={`/media/${media}`} alt={description} style={{ aspectRatio: String(ratio) }} />
      <PictureLabels labels={labels} />
    </span>
  );
  return (
    <figure className={`picture ${align}`} style={{ width: `${width}%` }}>
      {!away && (enlarge ? <Enlarging onOpen={() => large.current?.showModal()}>{face}</Enlarging> : face)}
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
          <div style={{ width: `min(92vw, calc(82vh * ${ratio}))` }}>{face}</div>
        </dialog>
      )}
    </figure>
  );
}

function Enlarging({ onOpen, children }: { onOpen: () => void; children: React.ReactNode }) {
  return (
    <button
      type="button"
      className="picture-open"
      aria-label="Enlarge the picture"
      aria-haspopup="dialog"
      onClick={onOpen}
    >
      {children}
    </button>
  );
}
