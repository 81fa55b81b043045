'use client';
import { ImagePlus } from 'lucide-react';
import { type KeyboardEvent, type PointerEvent, useRef, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { onBoard, onPicture, type Spot } from '@/core/content/board';
import type { LabelSetup } from '@/core/kinds/label/label';
import { Handle, spotIn } from '../../placing/Handle';
import { schemeSentence } from '../../placing/scheme';
import { useTray } from '../../tray/tray-context';
import { plural } from '../../words/marks';
import type { EditorProps, EditorSide } from '../contract';
import { besideBoard, Board, lineAt, lineLength } from './Board';
import { Note } from './Note';
import { linesOf, nextName, withEnd, withMargin, withNameLines, withoutPlace, withPlace } from './setting';
import { SIDES, withSide } from './sides';

/** The picture with its places: names are written beside it, and each gets its place by a click. */
function Place({ setup, onChange, letter }: EditorProps<LabelSetup>) {
  const { picture, margin, places, names } = setup;
  const openTray = useTray();
  const choosePicture = (): void =>
    openTray(({ medium, media, ratio, description }) => {
      if (medium === 'picture') onChange({ ...setup, picture: { media, ratio, description } }, 'apart');
    });
  /** Where the pointer is over the board, with the next name at it. */
  const [pointer, setPointer] = useState<Spot | null>(null);
  const face = useRef<HTMLDivElement>(null);
  const next = nextName(setup);
  const nameOf = (accepts: readonly string[]): string =>
    accepts.map((id) => names.find((name) => name.id === id)?.text ?? '').join(' / ') || 'no name';
  const click = (event: PointerEvent<HTMLDivElement>): void => {
    if (event.button !== 0 || !face.current || (event.target as Element).closest('.handle')) return;
    event.preventDefault();
    onChange(withPlace(setup, onPicture(spotIn(face.current, event), margin)), 'apart');
  };
  const takeOut = (event: KeyboardEvent, id: string): void => {
    if (event.key !== 'Delete' && event.key !== 'Backspace') return;
    event.preventDefault();
    event.stopPropagation();
    onChange(withoutPlace(setup, id), 'apart');
  };
  const move = (id: string, end: 'at' | 'foot') => (to: Spot) =>
    onChange(withEnd(setup, id, end, onPicture(to, margin)));
  return (
    <div className="picture-edit label-edit">
      <div className={`label-slot ${besideBoard(picture, margin)}`}>
        <div>
          {picture ? (
            <Board
              picture={picture}
              margin={margin}
              places={places}
              length={lineLength(names)}
              face={face}
              whole
              onPointerDown={click}
              onPointerMove={(event) => face.current && setPointer(spotIn(face.current, event))}
              onPointerLeave={() => setPointer(null)}
            >
              {places.map((place, i) => [
                <Handle
                  key={place.id}
                  label={`Place ${i + 1}: ${nameOf(place.accepts)}`}
                  at={onBoard(place.at, margin)}
                  style={lineAt(place, margin)}
                  frame={face}
                  className="name-line"
                  onMove={move(place.id, 'at')}
                  onKey={(event) => takeOut(event, place.id)}
                >
                  <span className="number">{i + 1}</span>
                  {nameOf(place.accepts)}
                </Handle>,
                place.foot && (
                  <Handle
                    key={`${place.id} foot`}
                    label={`Where the line of place ${i + 1} leads`}
                    at={onBoard(place.foot, margin)}
                    frame={face}
                    className="foot-handle"
                    onMove={move(place.id, 'foot')}
                  />
                ),
              ])}
              {SIDES.map((side) => (
                <Handle
                  key={side.name}
                  label={`White at the ${side.name}`}
                  at={onBoard(side.edge(margin), margin)}
                  frame={face}
                  pointerOnly
                  className={`margin-handle ${side.name}`}
                  onMove={(to) => onChange(withMargin(setup, withSide(margin, side.name, onPicture(to, margin))))}
                />
              ))}
              {pointer && next && (
                <span className="next-name" style={{ left: `${pointer.x}%`, top: `${pointer.y}%` }} aria-hidden="true">
                  {next.text}
                </span>
              )}
            </Board>
          ) : (
            <button type="button" className="no-picture" onClick={choosePicture}>
              <ImagePlus size={22} aria-hidden /> Choose the picture
            </button>
          )}
          <p className="picture-tools">
            {picture && (
              <Button variant="quiet" onClick={choosePicture}>
                Another picture
              </Button>
            )}
            {picture && next && (
              // The way of the keyboard: a place in the middle, which the arrows then move.
              <Button variant="quiet" onClick={() => onChange(withPlace(setup, { x: 50, y: 50 }), 'apart')}>
                Place “{next.text}” in the middle
              </Button>
            )}
          </p>
        </div>
        <label className="d-block">
          <span className="fw-bold">Names</span> <span className="soft">one a line</span>
          <textarea
            className="form-control"
            aria-label={`Slot ${letter}: names, one a line`}
            rows={Math.min(14, Math.max(5, names.length + 1))}
            placeholder={'gearbox\nbrake\ngenerator'}
            value={linesOf(setup)}
            onChange={(e) => onChange(withNameLines(setup, e.target.value))}
          />
          <span className="soft d-block" role="status">
            {advice(setup)}
          </span>
        </label>
      </div>
    </div>
  );
}

/** What to do next, said beside the names. */
function advice(setup: LabelSetup): string {
  const next = nextName(setup);
  if (setup.names.length === 0) return 'Write or paste all names; those that get no place are distractors.';
  if (!setup.picture) return 'Then choose the picture.';
  const left = setup.names.filter(({ id }) => !setup.places.some(({ accepts }) => accepts.includes(id))).length;
  if (!next) return 'Every name has a place.';
  return `Click where “${next.text}” belongs. ${plural(left, 'name')} without a place: ${left === 1 ? 'it is a distractor' : 'distractors'} if left so.`;
}

function sentence({ places, names, again, scheme }: LabelSetup): string {
  const of = places.filter(({ accepts }) => accepts.length > 0).length;
  if (of === 0) return 'No name has a place yet.';
  const placed = new Set(places.flatMap(({ accepts }) => accepts));
  const over = names.filter(({ id }) => !placed.has(id)).length;
  const rest = over === 0 ? '' : ` ${plural(over, 'name')} belong${over === 1 ? 's' : ''} nowhere.`;
  return `${schemeSentence({ scheme, of, what: 'name on its place' })}${again ? ' Names may be used again.' : ''}${rest}`;
}

export const labelEditor: EditorSide<LabelSetup> = {
  Place,
  Note,
  sentence,
  trialHint: 'Label the picture as a student would',
  presets: [
    {
      name: 'Label a picture',
      about: 'Names to be put where they belong on a picture',
      setup: (fresh) => ({ ...fresh, margin: { top: 0, right: 40, bottom: 0, left: 40 } }),
    },
  ],
};
