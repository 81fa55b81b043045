'use client';
import { ImagePlus } from 'lucide-react';
import { type KeyboardEvent, type PointerEvent, useRef, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { onBoard, onPicture, type Spot } from '@/core/content/board';
import { lineLength, type LabelSetup, MOST_NAMES } from '@/core/kinds/label/label';
import { Handle, spotIn } from '../../placing/Handle';
import { worthOf } from '@/core/rules/placing/rules';
import { schemeSentence } from '../../placing/scheme-sentence';
import { leftOver } from '@/core/rules/placing/placed';
import { BICYCLE } from '@/core/content/bundled';
import { Trouble } from '../../parts/Trouble';
import { RowMedia } from '../../parts/RowMedia';
import { usePictureChoice } from '../../placing/use-picture-choice';
import { plural } from '../../words/marks';
import type { EditorProps, EditorSide } from '../contract';
import { besideBoard, Board, lineAt } from './Board';
import { Note } from './Note';
import {
  linesOf,
  nextName,
  withEnd,
  withMargin,
  withNameLines,
  withNameMedia,
  withoutPlace,
  withPlace,
} from './setting';
import { SIDES, withSide } from './sides';

/** The picture with its places: names are written beside it, and each gets its place by a click. */
function Place({ setup, onChange, letter }: EditorProps<LabelSetup>) {
  const { picture, margin, places, names } = setup;
  const choosePicture = usePictureChoice((next) => onChange({ ...setup, picture: next }, 'apart'));
  /** Where the pointer is over the board, with the next name at it. */
  const [pointer, setPointer] = useState<Spot | null>(null);
  /** How many of the names that were typed or pasted last found no room. */
  const [leftOut, setLeftOut] = useState(0);
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
        <div>
          <label className="d-block">
            <span className="fw-bold">Names</span> <span className="soft">one a line</span>
            <textarea
              className="form-control"
              aria-label={`Slot ${letter}: names, one a line`}
              rows={Math.min(14, Math.max(5, names.length + 1))}
              placeholder={'gearbox\nbrake\ngenerator'}
              value={linesOf(setup)}
              onChange={(e) => {
                setLeftOut(Math.max(0, e.target.value.split('\n').length - MOST_NAMES));
                onChange(withNameLines(setup, e.target.value));
              }}
            />
          </label>
          <Trouble>
            {leftOut > 0 && `${plural(leftOut, 'name was', 'names were')} left out: there is room for ${MOST_NAMES}.`}
          </Trouble>
          {names.map(
            ({ id, text, media }) =>
              media && (
                <RowMedia
                  key={id}
                  name={text}
                  text={text}
                  longest={300}
                  media={media}
                  onChange={(next, words) => onChange(withNameMedia(setup, id, next, words), 'apart')}
                />
              ),
          )}
          <RowMedia
            name="One more name"
            text=""
            longest={300}
            media={undefined}
            onChange={(media, text) => onChange(withNameMedia(setup, null, media, text), 'apart')}
          />
          <span className="soft d-block" role="status">
            {advice(setup)}
          </span>
        </div>
      </div>
    </div>
  );
}

/** What to do next, said beside the names. */
function advice(setup: LabelSetup): string {
  const next = nextName(setup);
  if (setup.names.length === 0) return 'Write or paste all names; those that get no place are distractors.';
  if (!setup.picture) return 'Then choose the picture.';
  const left = leftOver(setup.names, setup.places).length;
  if (!next) return 'Every name has a place.';
  return `Click where “${next.text}” belongs. ${plural(left, 'name')} without a place: ${left === 1 ? 'it is a distractor' : 'distractors'} if left so.`;
}

function sentence({ places, names, again, scheme, typed = false }: LabelSetup): string {
  const worth = worthOf(places);
  if (worth.length === 0) return 'No name has a place yet.';
  if (typed)
    return `${schemeSentence({ scheme, worth, what: 'name typed at its place' })} Words that are none of the names wait for a person.`;
  const over = leftOver(names, places).length;
  const rest = over === 0 ? '' : ` ${plural(over, 'name')} belong${over === 1 ? 's' : ''} nowhere.`;
  return `${schemeSentence({ scheme, worth, what: 'name on its place' })}${again ? ' Names may be used again.' : ''}${rest}`;
}

/** With white at the left and right, where names are written. */
const withWhite = (fresh: LabelSetup): LabelSetup => ({
  ...fresh,
  margin: { top: 0, right: 40, bottom: 0, left: 40 },
});

/** The example: four parts of a bicycle, and a name that belongs nowhere. */
const bicycle = (setup: LabelSetup): LabelSetup =>
  [
    { x: 35, y: 25 },
    { x: 71, y: 18 },
    { x: 52, y: 78 },
    { x: 24, y: 86 },
  ].reduce(withPlace, withNameLines({ ...setup, picture: BICYCLE }, 'saddle\nhandlebar\npedal\nwheel\nbell'));

export const labelEditor: EditorSide<LabelSetup> = {
  Place,
  Note,
  sentence,
  trialHint: 'Label the picture as a student would',
  presets: [
    {
      name: 'Label a picture',
      about: 'Names to be put where they belong on a picture',
      setup: withWhite,
      example: { asks: 'Name the parts of the bicycle.', setup: bicycle },
    },
    {
      name: 'Write on a picture',
      about: 'Names to be typed at the places of a picture, without a list',
      setup: (fresh) => ({ ...withWhite(fresh), typed: true }),
      example: { asks: 'Write the names of the parts.', setup: bicycle },
    },
  ],
};
