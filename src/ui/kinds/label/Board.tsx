import type { CSSProperties, PointerEvent, ReactNode, Ref } from 'react';
import { boardRatio, lineEnd, lineRoom, onBoard, within, type Margin, type Spot } from '@/core/content/board';
import type { LabelPlace, LabelSetup } from '@/core/kinds/label/label';
import './label.scss';

type BoardPlace = Pick<LabelPlace, 'id' | 'at' | 'foot'>;

interface Props {
  picture: NonNullable<LabelSetup['picture']>;
  margin: Margin;
  places: readonly BoardPlace[];
  /** How many signs the writing lines are long; all have one length, so that it tells nothing. */
  length: number;
  /** Drawn twice as large, to be scrolled. */
  large?: boolean;
  /** Stays as it is however narrow it gets: where places are set. */
  whole?: boolean;
  face?: Ref<HTMLDivElement>;
  onPointerDown?: (event: PointerEvent<HTMLDivElement>) => void;
  onPointerMove?: (event: PointerEvent<HTMLDivElement>) => void;
  onPointerLeave?: () => void;
  /** On a narrow sheet: what marks a place on the picture, by its number. */
  mark?: (place: BoardPlace, number: number, style: CSSProperties) => ReactNode;
  /** The writing lines: over the picture; on a narrow sheet a list below it. */
  children: ReactNode;
}

const BARE: Margin = { top: 0, right: 0, bottom: 0, left: 0 };

/** A spot of the board as a style. */
function standsAt(spot: Spot, margin: Margin): CSSProperties {
  const { x, y } = onBoard(spot, margin);
  return { '--x': `${x}%`, '--y': `${y}%` } as CSSProperties;
}

/** Where the writing line of a place stands, as a style: by its end or its middle. */
export function lineAt({ at, foot }: Pick<LabelPlace, 'at' | 'foot'>, margin: Margin): CSSProperties {
  const across = { right: '-100%', left: '0%', middle: '-50%' }[lineEnd(at)];
  return { ...standsAt(at, margin), '--shift': `${across} ${foot ? '-100%' : '-50%'}` } as CSSProperties;
}

/** Beside a picture that is as high as wide there is room for a list; below one that is flat. */
export const besideBoard = (picture: LabelSetup['picture'], margin: Margin): string =>
  picture && boardRatio(picture.ratio, margin) < 1.5 ? 'tall' : '';

/** The picture with the white beside it and the lines that lead from names to spots. */
export function Board(props: Props) {
  const { picture, margin, places, length, large = false, whole = false, mark, children, face, ...pointer } = props;
  const { top, right, bottom, left } = margin;
  const [wide, high] = [100 + left + right, 100 + top + bottom];
  const measures = {
    '--ratio': boardRatio(picture.ratio, margin),
    '--bare-ratio': picture.ratio,
    '--line': `${length}ch`,
    '--room': lineRoom(
      places.map(({ at }) => at),
      margin,
    ),
    '--left': `${(left / wide) * 100}%`,
    '--top': `${(top / high) * 100}%`,
    '--width': `${10000 / wide}%`,
    '--height': `${10000 / high}%`,
  } as CSSProperties;
  return (
    <div className={`board-frame ${large ? 'large' : ''} ${whole ? 'whole' : ''}`} style={measures}>
      <div className="board-inner">
        <div ref={face} className="board" {...pointer}>
          {/* eslint-disable-next-line @next/next/no-img-element -- pictures come as they were stored; the image optimiser has nothing to add */}
          <img src={`/media/${picture.media}`} alt={picture.description} draggable={false} />
          <svg viewBox="0 0 100 100" preserveAspectRatio="none" aria-hidden="true">
            {places.map(({ id, at, foot }) => foot && <Pointer key={id} from={at} to={foot} margin={margin} />)}
          </svg>
          {places.map(({ id, foot }) => foot && <span key={id} className="foot" style={standsAt(foot, margin)} />)}
          {mark && places.map((one, i) => mark(one, i + 1, standsAt(within(one.foot ?? one.at, BARE), BARE)))}
          {whole && children}
        </div>
        {!whole && <div className="lines">{children}</div>}
      </div>
    </div>
  );
}

function Pointer({ from, to, margin }: { from: Spot; to: Spot; margin: Margin }) {
  const [a, b] = [onBoard(from, margin), onBoard(to, margin)];
  return (
    <g>
      <line className="under" x1={a.x} y1={a.y} x2={b.x} y2={b.y} />
      <line x1={a.x} y1={a.y} x2={b.x} y2={b.y} />
    </g>
  );
}
