'use client';
import { ImagePlus } from 'lucide-react';
import { type KeyboardEvent, type PointerEvent, useRef, useState } from 'react';
import Button from 'react-bootstrap/Button';
import {
  type Area,
  MOST_AREAS,
  MOST_POINTS,
  type Point,
  type Shape,
  SHAPES,
  type SpotsSetup,
} from '@/core/kinds/spots/spots';
import { freshPart } from '@/core/rules/placing/placed';
import { CheckLine } from '../../parts/CheckLine';
import { CountInput } from '../../parts/CountInput';
import { useLatest } from '../../parts/use-latest';
import { Handle, spotIn } from '../../placing/Handle';
import { schemeSentence } from '../../placing/scheme-sentence';
import { useTray } from '../../tray/tray-context';
import { SchemeSelect } from '../../parts/SchemeSelect';
import { BICYCLE } from '@/core/content/bundled';
import { PartNote } from '../../placing/PartNote';
import { PictureNote } from '../../placing/PictureNote';
import type { EditorProps, EditorSide } from '../contract';
import { Picture } from './Picture';
import '../../placing/placing.scss';

const SHAPE_WORDS: Record<Shape, string> = { round: 'round', rectangle: 'with four corners' };
/** An area that was only clicked is so wide, in percent. */
const CLICKED = 10;

const percent = (value: number): number => Math.round(Math.min(100, Math.max(0, value)) * 10) / 10;

/** The area between two opposite corners. */
function between(area: Area, a: Point, b: Point): Area {
  return {
    ...area,
    x: percent((a.x + b.x) / 2),
    y: percent((a.y + b.y) / 2),
    width: percent(Math.abs(a.x - b.x)),
    height: percent(Math.abs(a.y - b.y)),
  };
}

/** The picture, on which areas are drawn from corner to corner. */
function Place({ setup, onChange }: EditorProps<SpotsSetup>) {
  const { picture, areas } = setup;
  const [shape, setShape] = useState<Shape>('round');
  const face = useRef<HTMLDivElement>(null);
  const openTray = useTray();
  const latest = useLatest(setup);
  const keep = (area: Area, apart?: 'apart'): void => {
    const others = latest.current.areas.filter(({ id }) => id !== area.id);
    const at = latest.current.areas.findIndex(({ id }) => id === area.id);
    const next = at < 0 ? [...others, area] : [...others.slice(0, at), area, ...others.slice(at)];
    onChange({ ...latest.current, areas: next }, apart);
  };
  const choosePicture = (): void =>
    openTray(({ medium, media, ratio, description }) => {
      if (medium === 'picture') onChange({ ...latest.current, picture: { media, ratio, description } }, 'apart');
    });
  const fresh = (at: Point): Area => ({
    id: freshPart(areas, 'r'),
    shape,
    x: percent(at.x),
    y: percent(at.y),
    width: CLICKED,
    // As high as it is wide.
    height: percent(CLICKED * (picture?.ratio ?? 1)),
    right: true,
    feedback: '',
  });
  const draw = (event: PointerEvent<HTMLDivElement>): void => {
    if (event.button !== 0 || !face.current || (event.target as Element).closest('.handle')) return;
    if (areas.length >= MOST_AREAS) return;
    event.preventDefault();
    const frame = face.current;
    const from = spotIn(frame, event);
    const area = fresh(from);
    frame.setPointerCapture(event.pointerId);
    keep(area, 'apart');
    const follow = (e: globalThis.PointerEvent): void => {
      const to = spotIn(frame, e);
      if (Math.abs(to.x - from.x) > 1 && Math.abs(to.y - from.y) > 1) keep(between(area, from, to));
    };
    const end = (): void => frame.removeEventListener('pointermove', follow);
    frame.addEventListener('pointermove', follow);
    frame.addEventListener('pointerup', end, { once: true });
    frame.addEventListener('pointercancel', end, { once: true });
  };
  const takeOut = (event: KeyboardEvent, id: string): void => {
    if (event.key !== 'Delete' && event.key !== 'Backspace') return;
    event.preventDefault();
    event.stopPropagation();
    onChange({ ...setup, areas: areas.filter((one) => one.id !== id) }, 'apart');
  };
  return (
    <div className="picture-edit">
      {picture ? (
        <Picture picture={picture} areas={areas} face={face} onPointerDown={draw}>
          {areas.map((area, i) => [
            <Handle
              key={area.id}
              className="area-handle"
              label={`Area ${i + 1}, ${area.right ? 'right' : 'wrong'}`}
              at={{ x: area.x, y: area.y }}
              frame={face}
              onMove={({ x, y }) => keep({ ...area, x: percent(x), y: percent(y) })}
              onKey={(event) => takeOut(event, area.id)}
            >
              {i + 1}
            </Handle>,
            <Handle
              key={`${area.id} size`}
              pointerOnly
              className="size-handle"
              label={`Size of area ${i + 1}`}
              at={{ x: area.x + area.width / 2, y: area.y + area.height / 2 }}
              frame={face}
              onMove={({ x, y }) =>
                keep({ ...area, width: percent(2 * Math.abs(x - area.x)), height: percent(2 * Math.abs(y - area.y)) })
              }
            />,
          ])}
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
              {!area.right && (
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

function sentence({ areas, near, scheme }: SpotsSetup): string {
  const of = areas.filter(({ right }) => right).length;
  if (of === 0) return 'No area is right yet.';
  const what = of === 1 ? 'point in the right area' : 'right area with a point in it';
  const beside = near === undefined ? '' : ` Up to ${near} % of the width beside it a point earns less and less.`;
  return schemeSentence({ scheme, of, what }) + beside;
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
