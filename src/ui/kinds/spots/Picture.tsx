import type { PointerEvent, ReactNode, Ref } from 'react';
import type { Area, SpotsSetup } from '@/core/kinds/spots/spots';
import './spots.scss';

interface Props {
  picture: NonNullable<SpotsSetup['picture']>;
  /** Drawn for those who set them. */
  areas?: readonly Area[];
  review?: boolean;
  face?: Ref<HTMLDivElement>;
  onPointerDown?: (event: PointerEvent<HTMLDivElement>) => void;
  onClick?: (event: React.MouseEvent<HTMLDivElement>) => void;
  children: ReactNode;
}

/** The picture with what lies on it. */
export function Picture({ picture, areas = [], review = false, face, children, ...pointer }: Props) {
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
      {areas.length > 0 && (
        <svg viewBox="0 0 100 100" preserveAspectRatio="none" aria-hidden="true">
          {areas.map(({ id, shape, x, y, width, height, right }) =>
            shape === 'round' ? (
              <ellipse key={id} className={right ? '' : 'wrong-area'} cx={x} cy={y} rx={width / 2} ry={height / 2} />
            ) : (
              <rect
                key={id}
                className={right ? '' : 'wrong-area'}
                x={x - width / 2}
                y={y - height / 2}
                width={width}
                height={height}
              />
            ),
          )}
        </svg>
      )}
      {children}
    </div>
  );
}
