'use client';
import Button from 'react-bootstrap/Button';
import type { LabelPlace, LabelSetup } from '@/core/kinds/label/label';
import { CheckLine } from '../../parts/CheckLine';
import { CountInput } from '../../parts/CountInput';
import { SchemeSelect } from '../../parts/SchemeSelect';
import { PartNote } from '../../placing/PartNote';
import { PlaceRulesNote } from '../../placing/PlaceRulesNote';
import { PictureNote } from '../../placing/PictureNote';
import type { EditorProps } from '../contract';
import { withEnd, withLinesUp, withMargin, withoutPlace } from './setting';
import { SIDES } from './sides';

const LISTS: Record<LabelSetup['list'], string> = { mixed: 'mixed for everybody', alphabet: 'by the alphabet' };

/** Everything finer: how names are listed and marked, the white in numbers, and each place by itself. */
export function Note({ setup, onChange }: EditorProps<LabelSetup>) {
  const { picture, margin, places } = setup;
  return (
    <div className="rule-edit">
      <SchemeSelect scheme={setup.scheme} onChange={(scheme) => onChange({ ...setup, scheme })} />
      <label className="line">
        the names stand
        <select
          className="form-select"
          value={setup.list}
          onChange={(e) => onChange({ ...setup, list: e.target.value as LabelSetup['list'] })}
        >
          {(Object.keys(LISTS) as LabelSetup['list'][]).map((list) => (
            <option key={list} value={list}>
              {LISTS[list]}
            </option>
          ))}
        </select>
      </label>
      <CheckLine checked={setup.typed ?? false} onChange={(typed) => onChange({ ...setup, typed: typed || undefined })}>
        students type the names (“;” parts wordings)
      </CheckLine>
      <CheckLine checked={setup.again} onChange={(again) => onChange({ ...setup, again })}>
        a name may be used again
      </CheckLine>
      {picture && <PictureNote picture={picture} onChange={(next) => onChange({ ...setup, picture: next })} />}
      <p className="line">
        white, in percent:
        {SIDES.map(({ name }) => (
          <span key={name} className="text-nowrap">
            {name}{' '}
            <CountInput
              label={`White at the ${name}, in percent`}
              count={margin[name]}
              least={0}
              most={100}
              onChange={(count) => count !== null && onChange(withMargin(setup, { ...margin, [name]: count }))}
            />
          </span>
        ))}
      </p>
      <Button variant="quiet" disabled={places.length < 3} onClick={() => onChange(withLinesUp(setup))}>
        Line them up
      </Button>
      {places.map((place, i) => (
        <PlaceNote key={place.id} setup={setup} onChange={onChange} place={place} number={i + 1} />
      ))}
    </div>
  );
}

interface PlaceProps {
  setup: LabelSetup;
  onChange: (setup: LabelSetup) => void;
  place: LabelPlace;
  number: number;
}

function PlaceNote({ setup, onChange, place, number }: PlaceProps) {
  const change = (part: Partial<LabelPlace>): void =>
    onChange({ ...setup, places: setup.places.map((one) => (one === place ? { ...place, ...part } : one)) });
  const named = setup.names.filter(({ id }) => place.accepts.includes(id)).map(({ text }) => text);
  return (
    <PartNote summary={`${number} ${named.join(' / ') || 'no name'}`}>
      {() => (
        <>
          <PlaceRulesNote name={`place ${number}`} rules={place} things={setup.names} onChange={change} />
          <input
            className="form-control form-control-sm"
            aria-label={`What place ${number} points at`}
            placeholder="what it points at, for those who cannot see it"
            value={place.description}
            maxLength={300}
            onChange={(e) => change({ description: e.target.value })}
          />
          <p className="line">
            {(['x', 'y'] as const).map((axis) => (
              <span key={axis} className="text-nowrap">
                {axis === 'x' ? 'from the left' : 'from above'}{' '}
                <CountInput
                  label={`Place ${number}, percent ${axis === 'x' ? 'from the left' : 'from above'}`}
                  count={Math.round(place.at[axis])}
                  least={-100}
                  most={200}
                  onChange={(count) =>
                    count !== null && onChange(withEnd(setup, place.id, 'at', { ...place.at, [axis]: count }))
                  }
                />{' '}
                %
              </span>
            ))}
            <CheckLine
              checked={place.foot !== null}
              onChange={(on) => change({ foot: on ? { x: 50, y: Math.min(100, Math.max(0, place.at.y)) } : null })}
            >
              with a line
            </CheckLine>
            <Button variant="quiet" onClick={() => onChange(withoutPlace(setup, place.id))}>
              Take place {number} out
            </Button>
          </p>
        </>
      )}
    </PartNote>
  );
}
