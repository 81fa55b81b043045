'use client';
import Button from 'react-bootstrap/Button';
import { BICYCLE } from '@/core/content/bundled';
import type { Axis, Paper } from '@/core/drawing/paper';
import { PAPER_WIDTH } from '@/core/drawing/shapes';
import type { DrawSetup } from '@/core/kinds/draw/draw';
import { PaperView } from '../../drawing/PaperView';
import { CountInput } from '../../parts/CountInput';
import { TypedNumber } from '../../parts/TypedNumber';
import { usePictureChoice } from '../../placing/use-picture-choice';
import { LooksFor } from '../../parts/LooksFor';
import type { EditorProps, EditorSide } from '../contract';
import '../../drawing/drawing.scss';

type PaperName = Paper['is'];

const PAPERS: Record<PaperName, string> = {
  blank: 'blank paper',
  squared: 'squared paper',
  dotted: 'dotted paper',
  lined: 'lined paper',
  polar: 'polar paper',
  axes: 'axes',
  picture: 'a picture',
  text: 'a text',
};

const axis = (name: string): Axis => ({ name, from: 0, to: 10, step: 1, scale: 'even' });
const FRESH: Record<Exclude<PaperName, 'picture'>, Paper> = {
  blank: { is: 'blank' },
  squared: { is: 'squared' },
  dotted: { is: 'dotted' },
  lined: { is: 'lined' },
  polar: { is: 'polar' },
  axes: { is: 'axes', x: axis('x'), y: axis('y') },
  text: { is: 'text', text: '' },
};

function Place({ setup, onChange, letter }: EditorProps<DrawSetup>) {
  const { paper, high } = setup;
  return (
    <>
      <div className="drawing-frame" style={{ aspectRatio: `${PAPER_WIDTH} / ${high}` }}>
        <div className="drawing-paper">
          <PaperView paper={paper} high={high} />
        </div>
      </div>
      <LooksFor letter={letter} words={setup.example} onChange={(example) => onChange({ ...setup, example })} />
    </>
  );
}

function Note({ setup, onChange }: EditorProps<DrawSetup>) {
  const { paper } = setup;
  const set = (next: Paper, apart?: 'apart'): void => onChange({ ...setup, paper: next }, apart);
  const choosePicture = usePictureChoice(({ media, ratio, description }) =>
    onChange(
      {
        ...setup,
        paper: { is: 'picture', media, description },
        high: Math.min(2000, Math.max(200, Math.round(PAPER_WIDTH / ratio))),
      },
      'apart',
    ),
  );
  return (
    <div className="rule-edit">
      <span className="line">
        drawn on
        <select
          className="form-select"
          aria-label="What is drawn on"
          value={paper.is}
          onChange={(e) => {
            const name = e.target.value as PaperName;
            if (name === 'picture') choosePicture();
            else set(FRESH[name], 'apart');
          }}
        >
          {Object.entries(PAPERS).map(([name, words]) => (
            <option key={name} value={name}>
              {words}
            </option>
          ))}
        </select>
      </span>
      {paper.is !== 'picture' && (
        <span className="line">
          as high as
          <CountInput
            count={setup.high / 10}
            least={20}
            most={200}
            label="Height of the paper in percent of its width"
            onChange={(percent) => percent !== null && onChange({ ...setup, high: percent * 10 })}
          />
          % of its width
        </span>
      )}
      {paper.is === 'axes' && (
        <>
          <AxisLine name="x" axis={paper.x} onChange={(x) => set({ ...paper, x })} />
          <AxisLine name="y" axis={paper.y} onChange={(y) => set({ ...paper, y })} />
        </>
      )}
      {paper.is === 'picture' && (
        <>
          <Button variant="quiet" size="sm" onClick={choosePicture}>
            Another picture…
          </Button>
          <label className="d-block">
            What the picture shows
            <textarea
              className="form-control form-control-sm"
              rows={2}
              maxLength={2000}
              value={paper.description}
              onChange={(e) => set({ ...paper, description: e.target.value })}
            />
          </label>
        </>
      )}
      {paper.is === 'text' && (
        <textarea
          className="form-control form-control-sm"
          aria-label="The text that is drawn on"
          rows={4}
          maxLength={5000}
          value={paper.text}
          onChange={(e) => set({ ...paper, text: e.target.value })}
        />
      )}
    </div>
  );
}

interface AxisProps {
  name: 'x' | 'y';
  axis: Axis;
  onChange: (axis: Axis) => void;
}

/** "x: wind speed in m/s from 0 to 25 in steps of 5, even". */
function AxisLine({ name, axis: mine, onChange }: AxisProps) {
  const number = (part: 'from' | 'to' | 'step', label: string) => (
    <TypedNumber
      className="narrow"
      label={`${name} axis: ${label}`}
      value={String(mine[part])}
      why={part === 'step' ? 'a number above zero' : 'a number'}
      read={(typed) => {
        const value = Number(typed.trim().replace(',', '.').replace('−', '-'));
        const bad = typed.trim() === '' || !Number.isFinite(value) || Math.abs(value) > 1e9;
        return bad || (part === 'step' && value <= 0) ? null : String(value);
      }}
      onChange={(value) => onChange({ ...mine, [part]: Number(value) })}
    />
  );
  return (
    <span className="line">
      {name}:
      <input
        className="form-control"
        aria-label={`Name of the ${name} axis`}
        maxLength={60}
        value={mine.name}
        onChange={(e) => onChange({ ...mine, name: e.target.value })}
      />
      from {number('from', 'from')} to {number('to', 'to')}
      <select
        className="form-select"
        aria-label={`Scale of the ${name} axis`}
        value={mine.scale}
        onChange={(e) =>
          onChange(
            e.target.value === 'log'
              ? { ...mine, scale: 'log', from: mine.from > 0 ? mine.from : 1, to: mine.to > 1 ? mine.to : 1000 }
              : { ...mine, scale: 'even' },
          )
        }
      >
        <option value="even">in even steps</option>
        <option value="log">logarithmic</option>
      </select>
      {mine.scale === 'even' && <>of {number('step', 'step')}</>}
    </span>
  );
}

function sentence({ paper }: DrawSetup): string {
  const on = paper.is === 'axes' ? `axes of ${paper.x.name} and ${paper.y.name}` : PAPERS[paper.is];
  return `A drawing on ${on}. A person looks at it.`;
}

export const drawEditor: EditorSide<DrawSetup> = {
  Place,
  Note,
  sentence,
  trialHint: 'Draw as a student would',
  presets: [
    {
      name: 'Drawing',
      about: 'A sketch on squared paper, that a person marks',
      setup: (fresh) => fresh,
      example: {
        asks: 'Sketch a bridge that carries its road on an arch, and mark where the arch pushes on the ground.',
        setup: (setup) => ({ ...setup, example: 'an arch; arrows outwards and down at both feet' }),
      },
    },
    {
      name: 'Curve on axes',
      about: 'Drawn between axes with values, that a person marks',
      setup: (fresh) => ({ ...fresh, paper: FRESH.axes }),
      example: {
        asks: 'A cup of tea stands in a room at 20 °C. Draw how its temperature falls in an hour.',
        setup: (setup) => ({
          ...setup,
          paper: {
            is: 'axes',
            x: { name: 'minutes', from: 0, to: 60, step: 10, scale: 'even' },
            y: { name: '°C', from: 0, to: 100, step: 20, scale: 'even' },
          },
          example: 'falls quickly at first, then ever more slowly, towards 20 °C and not below',
        }),
      },
    },
    {
      name: 'Drawing on a picture',
      about: 'Marked, lettered or completed on a picture',
      setup: (fresh) => fresh,
      example: {
        asks: 'Draw with arrows how the force goes from the foot to the road.',
        setup: (setup) => ({
          ...setup,
          paper: { is: 'picture', media: BICYCLE.media, description: BICYCLE.description },
          high: Math.round(PAPER_WIDTH / BICYCLE.ratio),
          example: 'pedal, crank, chain, rear wheel, backwards on the road',
        }),
      },
    },
  ],
};
