import type { PointerEvent, ReactNode, Ref } from 'react';
import type { SpotsSetup } from '@/core/kinds/spots/spots';
import './spots.scss';

interface Props {
  picture: NonNullable<SpotsSetup['picture']>;
  /** Of the areas, for those who set them. */
  outlines?: ReactNode;
  review?: boolean;
  face?: Ref<HTMLDivElement>;
  onPointerDown?: (event: PointerEvent<HTMLDivElement>) => void;
  onClick?: (event: React.MouseEvent<HTMLDivElement>) => void;
  children: ReactNode;
}

/** The picture with what lies on it. */
export function Picture({ picture, outlines, review = false, face, children, ...pointer }: Props) {
  return (
    // The picture takes the pointer; keys have buttons and handles of their own.
    <div
      ref={face}
      className={`spots-picture ${review ? 'review' : ''}`}
      style={{ aspectRatio: picture.ratio }}
      {...pointer}
    >
      {/* eslint-disable-next-line @next/next/no-img-element -- pictures come as they were stored; the image optimiser has nothing to add */}
      <img src={`/media/${picture.media}`} alt={picture.description} draggable={false} />
      {outlines}
      {children}
    </div>
  );
}
