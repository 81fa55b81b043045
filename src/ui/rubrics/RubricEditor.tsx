'use client';
import { arrayMove, SortableContext, useSortable, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { Plus, X } from 'lucide-react';
import Button from 'react-bootstrap/Button';
import { cellMarks, type Criterion, mostOf, type Rubric } from '@/core/rules/rubric/rubric';
import { stored, sum } from '@/core/base/exact';
import { DragArea } from '../parts/DragArea';
import { MarksInput } from '../parts/MarksInput';
import { marksText } from '../words/marks';

interface Props {
  rubric: Rubric;
  onChange: (rubric: Rubric, tag: string) => void;
}

const MOST_LEVELS = 8;
const MOST_CRITERIA = 20;

/** A rubric written in place: criteria down, levels across, every cell in its own words. */
export function RubricEditor({ rubric, onChange }: Props) {
  const { criteria, levels, look } = rubric;
  const place = (id: string): number => criteria.findIndex((one) => one.id === id);
  const setCriterion = (id: string, part: Partial<Criterion>, tag: string): void =>
    onChange(
      { ...rubric, criteria: criteria.map((one) => (one.id === id ? { ...one, ...part } : one)) },
      `${tag} ${id}`,
    );
  const setLevel = (at: number, part: Partial<Rubric['levels'][number]>): void =>
    onChange({ ...rubric, levels: levels.map((one, i) => (i === at ? { ...one, ...part } : one)) }, `level ${at}`);
  const addLevel = (): void =>
    onChange(
      {
        ...rubric,
        levels: [...levels, { name: `Level ${levels.length + 1}`, marks: String(levels.length) }],
        criteria: criteria.map((one) => ({ ...one, cells: [...one.cells, { words: '', marks: null }] })),
      },
      '',
    );
  const removeLevel = (at: number): void =>
    onChange(
      {
        ...rubric,
        levels: levels.filter((_, i) => i !== at),
        criteria: criteria.map((one) => ({
          ...one,
          cells: one.cells.filter((_, i) => i !== at),
          must: one.must === null || one.must === at ? null : one.must > at ? one.must - 1 : one.must,
        })),
      },
      '',
    );
  const addCriterion = (): void => {
    let n = criteria.length + 1;
    while (criteria.some(({ id }) => id === `c${n}`)) n += 1;
    const cells = levels.map(() => ({ words: '', marks: null }));
    onChange({ ...rubric, criteria: [...criteria, { id: `c${n}`, title: '', weight: '1', must: null, cells }] }, '');
  };
  const total = stored(sum(criteria.map((one) => mostOf(rubric, one))));
  return (
    <div className="rubric-editor">
      <input
        className="form-control title"
        aria-label="Name of the rubric"
        placeholder="Name of the rubric"
        maxLength={200}
        value={rubric.title}
        onChange={(e) => onChange({ ...rubric, title: e.target.value }, 'title')}
      />
      {/* Around the table: what it says to screen readers is no part of one. */}
      <DragArea
        called={(id) => criteria[place(id)]?.title || `criterion ${place(id) + 1}`}
        onDrop={(criterion, onto) => {
          if (criterion !== onto)
            onChange({ ...rubric, criteria: arrayMove(criteria, place(criterion), place(onto)) }, '');
        }}
      >
        <div className="scroll-x">
          <table className="rubric">
            <thead>
              <tr>
                <th scope="col">Criterion</th>
                {levels.map((level, at) => (
                  // Levels have no names of their own; their place is what they are.
                  <th key={at} scope="col">
                    {look !== 'single' && (
                      <input
                        className="form-control form-control-sm"
                        aria-label={`Name of level ${at + 1}`}
                        maxLength={80}
                        value={level.name}
                        onChange={(e) => setLevel(at, { name: e.target.value })}
                      />
                    )}
                    <span className="line">
                      {look === 'single' ? 'up to' : ''}
                      <MarksInput
                        marks={level.marks}
                        label={`Marks of level ${level.name || at + 1}`}
                        onChange={(marks) => setLevel(at, { marks })}
                      />
                      {levels.length > 1 && (
                        <Button
                          variant="quiet"
                          className="small-act"
                          aria-label={`Take level ${level.name} out`}
                          onClick={() => removeLevel(at)}
                        >
                          <X size={13} />
                        </Button>
                      )}
                    </span>
                  </th>
                ))}
                {look !== 'single' && levels.length < MOST_LEVELS && (
                  <th className="no-print">
                    <Button variant="quiet" className="small-act" aria-label="Add a level" onClick={addLevel}>
                      <Plus size={14} />
                    </Button>
                  </th>
                )}
              </tr>
            </thead>
            <SortableContext items={criteria.map(({ id }) => id)} strategy={verticalListSortingStrategy}>
              <tbody>
                {criteria.map((one) => (
                  <CriterionRow
                    key={one.id}
                    rubric={rubric}
                    criterion={one}
                    onChange={(part, tag) => setCriterion(one.id, part, tag)}
                    onRemove={
                      criteria.length > 1
                        ? () => onChange({ ...rubric, criteria: criteria.filter(({ id }) => id !== one.id) }, '')
                        : null
                    }
                  />
                ))}
              </tbody>
            </SortableContext>
          </table>
        </div>
      </DragArea>
      <p className="d-flex align-items-center gap-3 mb-0 mt-2">
        {look !== 'whole' && criteria.length < MOST_CRITERIA && (
          <Button variant="quiet" onClick={addCriterion}>
            Add a criterion
          </Button>
        )}
        <span className="soft ms-auto">
          {marksText(total)} in all, shared over the marks of the slot that it is used for
        </span>
      </p>
    </div>
  );
}

interface RowProps {
  rubric: Rubric;
  criterion: Criterion;
  onChange: (part: Partial<Criterion>, tag: string) => void;
  onRemove: (() => void) | null;
}

function CriterionRow({ rubric, criterion, onChange, onRemove }: RowProps) {
  const { attributes, listeners, setNodeRef, transform, transition } = useSortable({ id: criterion.id });
  const { title, cells, must, weight } = criterion;
  return (
    <tr
      ref={setNodeRef}
      style={{ transform: transform ? `translate(${transform.x}px, ${transform.y}px)` : undefined, transition }}
    >
      <th scope="row">
        <span className="line">
          <button
            type="button"
            className="grip"
            {...attributes}
            {...listeners}
            aria-label={`Move ${title || 'this criterion'}`}
          >
            ⠿
          </button>
          <input
            className="form-control form-control-sm"
            aria-label="Name of the criterion"
            maxLength={80}
            value={title}
            onChange={(e) => onChange({ title: e.target.value }, 'title')}
          />
          {onRemove && (
            <Button variant="quiet" className="small-act" aria-label={`Take ${title} out`} onClick={onRemove}>
              <X size={13} />
            </Button>
          )}
        </span>
        <span className="line soft">
          counts
          <MarksInput
            marks={weight}
            label={`How often ${title || 'it'} counts`}
            onChange={(marks) => marks !== '0' && onChange({ weight: marks }, 'weight')}
          />
          times
        </span>
        {rubric.look !== 'single' && (
          <label className="line soft">
            must reach
            <select
              className="form-select form-select-sm"
              value={must ?? ''}
              onChange={(e) => onChange({ must: e.target.value === '' ? null : Number(e.target.value) }, 'must')}
            >
              <option value="">nothing</option>
              {rubric.levels.map(({ name }, at) => (
                <option key={at} value={at}>
                  {name || `level ${at + 1}`}
                </option>
              ))}
            </select>
          </label>
        )}
      </th>
      {cells.map((cell, at) => (
        <td key={at}>
          <textarea
            className="form-control form-control-sm"
            aria-label={`${title}, ${rubric.levels[at]?.name || 'what is looked for'}`}
            rows={4}
            maxLength={600}
            placeholder="what one sees"
            value={cell.words}
            onChange={(e) =>
              onChange({ cells: cells.map((c, i) => (i === at ? { ...c, words: e.target.value } : c)) }, `cell ${at}`)
            }
          />
          <MarksInput
            marks={stored(cellMarks(rubric, criterion, at))}
            label={`Marks of ${title}, ${rubric.levels[at]?.name ?? ''}`}
            onChange={(marks) => {
              // The marks of its level are not its own.
              const own = marks === rubric.levels[at]?.marks ? null : marks;
              onChange({ cells: cells.map((c, i) => (i === at ? { ...c, marks: own } : c)) }, `marks ${at}`);
            }}
          />
        </td>
      ))}
    </tr>
  );
}
