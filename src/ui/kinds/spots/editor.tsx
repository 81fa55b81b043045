'use client';
import { ImagePlus } from 'lucide-react';
import { type PointerEvent, useRef, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { alongEdge, type Area, MOST_AREAS, type Point, type Shape, SHAPES } from '@/core/kinds/spots/areas';
import { MOST_POINTS, spots, type SpotsSetup } from '@/core/kinds/spots/spots';
import { freshPart } from '@/core/rules/placing/placed';
import { CheckLine } from '../../parts/CheckLine';
import { CountInput } from '../../parts/CountInput';
import { useLatest } from '../../parts/use-latest';
import { spotIn } from '../../placing/Handle';
import { schemeSentence } from '../../placing/scheme-sentence';
import { usePictureChoice } from '../../placing/use-picture-choice';
import { SchemeSelect } from '../../parts/SchemeSelect';
import { BICYCLE } from '@/core/content/bundled';
import { PartNote } from '../../placing/PartNote';
import { PictureNote } from '../../placing/PictureNote';
import type { EditorProps, EditorSide } from '../contract';
import { AreaHandles, within } from './AreaHandles';
import { AreaOutlines } from './AreaOutlines';
import { Picture } from './Picture';
import '../../placing/placing.scss';

const SHAPE_WORDS: Record<Shape, string> = {
  round: 'round',
  rectangle: 'with four corners',
  free: 'along a line of your own',
};
/** An area that was only clicked is so wide, in percent. */
const CLICKED = 10;

/** Points of a line drawn by hand lie at least so far apart, in percent. */
const APART = 0.5;

const farther = (a: Point, b: Point, least: number): boolean => Math.hypot(a.x - b.x, a.y - b.y) > least;

/** The area between two opposite corners. */
function between(area: Area, a: Point, b: Point): Area {
  return {
    ...area,
    x: within((a.x + b.x) / 2),
    y: within((a.y + b.y) / 2),
    width: within(Math.abs(a.x - b.x)),
    height: within(Math.abs(a.y - b.y)),
  };
}

/** The picture, on which areas are drawn: from corner to corner, or along their edge. */
function Place({ setup, onChange }: EditorProps<SpotsSetup>) {
  const { picture, areas } = setup;
  const [shape, setShape] = useState<Shape>('round');
  const [chosen, setChosen] = useState<string | null>(null);
  const face = useRef<HTMLDivElement>(null);
  const latest = useLatest(setup);
  const keep = (area: Area, apart?: 'apart'): void => {
    const others = latest.current.areas.filter(({ id }) => id !== area.id);
    const at = latest.current.areas.findIndex(({ id }) => id === area.id);
    const next = at < 0 ? [...others, area] : [...others.slice(0, at), area, ...others.slice(at)];
    onChange({ ...latest.current, areas: next }, apart);
  };
  const choosePicture = usePictureChoice((next) => onChange({ ...latest.current, picture: next }, 'apart'));
  const fresh = (at: Point): Area => ({
    id: freshPart(areas, 'r'),
    shape,
    x: within(at.x),
    y: within(at.y),
    width: CLICKED,
    // As high as it is wide.
    height: within(CLICKED * (picture?.ratio ?? 1)),
    right: true,
    feedback: '',
  });
  const draw = (event: PointerEvent<HTMLDivElement>): void => {
    if (event.button !== 0 || !event.isPrimary || !face.current || (event.target as Element).closest('.handle')) return;
    if (areas.length >= MOST_AREAS) return;
    event.preventDefault();
    const frame = face.current;
    /** On the picture, however far the pointer has left it. */
    const spot = (e: { clientX: number; clientY: number }): Point => {
      const { x, y } = spotIn(frame, e);
      return { x: within(x), y: within(y) };
    };
    const from = spot(event);
    const area = fresh(from);
    frame.setPointerCapture(event.pointerId);
    keep(area, 'apart');
    setChosen(area.id);
    const line = [from];
    const follow = (e: globalThis.PointerEvent): void => {
      const to = spot(e);
      if (e.pointerId !== event.pointerId || !farther(to, line.at(-1) ?? from, APART)) return;
      line.push(to);
      if (shape === 'free') keep(alongEdge(area, line));
      else if (Math.abs(to.x - from.x) > 1 && Math.abs(to.y - from.y) > 1) keep(between(area, from, to));
    };
    const end = (): void => frame.removeEventListener('pointermove', follow);
    frame.addEventListener('pointermove', follow);
    frame.addEventListener('pointerup', end, { once: true });
    frame.addEventListener('pointercancel', end, { once: true });
  };
  return (
    <div className="picture-edit">
      {picture ? (
        <Picture picture={picture} outlines={<AreaOutlines areas={areas} />} face={face} onPointerDown={draw}>
          {areas.map((area, i) => (
            <AreaHandles
              key={area.id}
              area={area}
              number={i + 1}
              frame={face}
              chosen={area.id === chosen}
              onChoose={() => setChosen(area.id)}
              onChange={(next) => keep(next)}
              onTakeOut={() => onChange({ ...setup, areas: areas.filter(({ id }) => id !== area.id) }, 'apart')}
            />
          ))}
        </Picture>
      ) : (
        <button type="button" className="no-picture" onClick={choosePicture}>
          <ImagePlus size={22} aria-hidden /> Choose the picture
        </button>
      )}
      {picture && (
        <p className="picture-tools">
          <label className="d-flex gap-1 align-items-center">
            Draw areas
            <select
              className="form-select form-select-sm w-auto"
              value={shape}
              onChange={(e) => setShape(e.target.value as Shape)}
            >
              {SHAPES.map((one) => (
                <option key={one} value={one}>
                  {SHAPE_WORDS[one]}
                </option>
              ))}
            </select>
          </label>
          <Button
            variant="quiet"
            disabled={areas.length >= MOST_AREAS}
            onClick={() => keep(fresh({ x: 50, y: 50 }), 'apart')}
          >
            One in the middle
          </Button>
          <Button variant="quiet" onClick={choosePicture}>
            Another picture
          </Button>
        </p>
      )}
    </div>
  );
}

function Note({ setup, onChange }: EditorProps<SpotsSetup>) {
  const { areas, picture } = setup;
  const change = (area: Area, part: Partial<Area>): void =>
    onChange({ ...setup, areas: areas.map((one) => (one === area ? { ...area, ...part } : one)) });
  const numbers = ['x', 'y', 'width', 'height'] as const;
  const called = { x: 'from the left', y: 'from above', width: 'wide', height: 'high' };
  return (
    <div className="rule-edit">
      <SchemeSelect scheme={setup.scheme} onChange={(scheme) => onChange({ ...setup, scheme })} />
      <label className="line">
        at most
        <CountInput
          label="How many points may be set at most"
          optional
          count={setup.most}
          least={1}
          most={MOST_POINTS}
          onChange={(most) => onChange({ ...setup, most })}
        />
        points may be set
      </label>
      <label className="line">
        beside an area less and less, nothing from
        <CountInput
          label="Percent of the picture’s width from which a point earns nothing"
          optional
          count={setup.near ?? null}
          least={1}
          most={50}
          onChange={(near) => onChange({ ...setup, near: near ?? undefined })}
        />
        % of the width on
      </label>
      {picture && <PictureNote picture={picture} onChange={(next) => onChange({ ...setup, picture: next })} />}
      {areas.map((area, i) => (
        <PartNote key={area.id} summary={`Area ${i + 1}, ${area.right ? 'right' : 'wrong'}`}>
          {() => (
            <>
              <CheckLine checked={area.right} onChange={(right) => change(area, { right })}>
                a point belongs here
              </CheckLine>
              {area.right ? (
                <label className="line">
                  counts
                  <CountInput
                    label={`How many times area ${i + 1} counts`}
                    count={area.weight ?? 1}
                    least={1}
                    most={99}
                    onChange={(count) => count !== null && change(area, { weight: count === 1 ? undefined : count })}
                  />
                  {(area.weight ?? 1) === 1 ? 'time' : 'times'}
                </label>
              ) : (
                <input
                  className="form-control form-control-sm"
                  aria-label={`Feedback for area ${i + 1}`}
                  placeholder="what a student who points here reads"
                  value={area.feedback}
                  maxLength={1000}
                  onChange={(e) => change(area, { feedback: e.target.value })}
                />
              )}
              <p className="line">
                {numbers.map((name) => (
                  <span key={name} className="text-nowrap">
                    <CountInput
                      label={`Area ${i + 1}, percent ${called[name]}`}
                      count={Math.round(area[name])}
                      least={0}
                      most={100}
                      onChange={(count) => count !== null && change(area, { [name]: count })}
                    />{' '}
                    % {called[name]}
                  </span>
                ))}
                <Button
                  variant="quiet"
                  onClick={() => onChange({ ...setup, areas: areas.filter((one) => one !== area) }, 'apart')}
                >
                  Take area {i + 1} out
                </Button>
              </p>
            </>
          )}
        </PartNote>
      ))}
    </div>
  );
}

function sentence(setup: SpotsSetup): string {
  const { near, scheme } = setup;
  const worth = spots.marked.worth?.(setup) ?? [];
  if (worth.length === 0) return 'No area is right yet.';
  const what = worth.length === 1 ? 'point in the right area' : 'right area with a point in it';
  const beside = near === undefined ? '' : ` Up to ${near} % of the width beside it a point earns less and less.`;
  return schemeSentence({ scheme, worth, what }) + beside;
}

export const spotsEditor: EditorSide<SpotsSetup> = {
  Place,
  Note,
  sentence,
  trialHint: 'Point as a student would',
  presets: [
    {
      name: 'Point on a picture',
      about: 'One or several spots to be shown',
      setup: (fresh) => fresh,
      example: {
        asks: 'Point to the saddle.',
        setup: (setup) => ({
          ...setup,
          picture: BICYCLE,
          areas: [{ id: 'r1', shape: 'round', x: 36, y: 24, width: 16, height: 14, right: true, feedback: '' }],
        }),
      },
    },
  ],
};
