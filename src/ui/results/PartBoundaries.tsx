import Button from 'react-bootstrap/Button';
import { exact } from '@/core/base/exact';
import { emptyContent } from '@/core/content/document';
import { askedOf } from '@/core/results/pass';
import { type Boundaries, MOST_PARTS } from '@/core/results/policy';
import type { Results } from '@/server/results/results';
import { ActMenu } from '../parts/ActMenu';
import { plural } from '../words/marks';
import { NumberWord } from '../parts/NumberWord';
import { WrittenText } from '../sheet/WrittenText';
import { PercentInput } from '../parts/PercentInput';

interface Props {
  results: Results;
  boundaries: Boundaries;
  /** How many pass the whole but not by a section. */
  missed: number;
  change: (next: (b: Boundaries) => Boundaries, tag?: string) => void;
}

/** A section, topic or criterion as the boundaries speak of it. */
interface Spoken {
  id: string;
  title: string;
  passPercent: string | null;
  ranges: Ranges;
  is: 'section' | 'topic' | 'criterion';
}

type Ranges = Boundaries['ranges'];

/** As it is named where it does not stand beside it: a topic may be called as a section is. */
const called = ({ is, title }: Pick<Spoken, 'is' | 'title'>): string =>
  is === 'section' ? title : `the ${is} ${title}`;

/** What a pass asks of single sections, topics and criteria, what the whole makes up for, and what students read of each. */
export function PartBoundaries({ results, boundaries, missed, change }: Props) {
  const { sections = [], parts = [], compensation } = boundaries;
  const spoken: Spoken[] = [
    ...(results.sections.length < 2 ? [] : results.sections).map((section) => ({
      ...section,
      passPercent: askedOf(boundaries, section),
      ranges: sections.find((one) => one.section === section.id)?.ranges ?? [],
      is: 'section' as const,
    })),
    ...parts,
  ];
  const others = results.parts.filter(({ id }) => parts.every((part) => part.id !== id));
  if (spoken.length + others.length === 0) return null;
  const set = ({ id, is }: Spoken, next: Partial<Pick<Spoken, 'passPercent' | 'ranges'>>, tag = ''): void =>
    change(
      (b) => {
        // Sections are there without being named.
        if (is !== 'section')
          return { ...b, parts: (b.parts ?? []).map((one) => (one.id === id ? { ...one, ...next } : one)) };
        const all = b.sections ?? [];
        const before = all.find((one) => one.section === id) ?? { section: id, ranges: [] };
        return { ...b, sections: [...all.filter((one) => one.section !== id), { ...before, ...next }] };
      },
      tag === '' ? '' : `${tag} ${id}`,
    );
  return (
    <div className="note">
      <h3>Sections, topics, criteria</h3>
      {spoken.map((part) => (
        <div key={part.id} className="mb-2">
          <p className="d-flex gap-2 align-items-center mb-1">
            <span className="me-auto" dir="auto">
              {part.title}
              {part.is !== 'section' && <span className="soft"> · {part.is}</span>}
            </span>
            {part.passPercent === null ? (
              <button
                type="button"
                className="btn-link-plain"
                aria-label={`Ask for a percent of ${called(part)}`}
                onClick={() => set(part, { passPercent: boundaries.passPercent })}
              >
                counts in the whole
              </button>
            ) : (
              <>
                <PercentInput
                  label={`Percent of ${called(part)} that a pass needs`}
                  value={part.passPercent}
                  onChange={(passPercent) => set(part, { passPercent }, 'part pass')}
                />
                <Button
                  variant="quiet"
                  size="sm"
                  aria-label={`Ask for no percent of ${called(part)}`}
                  onClick={() => set(part, { passPercent: null })}
                >
                  ×
                </Button>
              </>
            )}
          </p>
          <PartTexts
            title={called(part)}
            ranges={part.ranges}
            onChange={(ranges, tag) => set(part, { ranges }, tag)}
            onTakeOut={
              part.is !== 'section'
                ? () => change((b) => ({ ...b, parts: (b.parts ?? []).filter(({ id }) => id !== part.id) }))
                : undefined
            }
          />
        </div>
      ))}
      {others.length > 0 && parts.length < MOST_PARTS && (
        <ActMenu
          className="mb-2"
          words="a topic or a criterion…"
          choices={(['topic', 'criterion'] as const).flatMap((is) =>
            others
              .filter((part) => part.is === is)
              .map(({ id, title, ...part }) => ({
                value: id,
                words: part.is === 'topic' ? `${title}: ${plural(part.items.length, 'question')}` : title,
                under: is === 'topic' ? 'Topics' : 'Criteria of rubrics',
              })),
          )}
          onChoose={(value) => {
            const part = others.find(({ id }) => id === value);
            if (part)
              change((b) => ({
                ...b,
                // A topic may only be spoken of; a criterion is there to be reached.
                parts: [
                  ...(b.parts ?? []),
                  { ...part, passPercent: part.is === 'criterion' ? b.passPercent : null, ranges: [] },
                ],
              }));
          }}
        />
      )}
      {missed > 0 && <p className="soft">{missed} pass the whole but not all that is asked for here.</p>}
      {compensation ? (
        <p className="fact-line">
          Up to
          <NumberWord
            label="Sections and topics that may be short"
            value={String(compensation.sections)}
            least={1}
            most={20}
            onChange={(n) =>
              change((b) => ({ ...b, compensation: { ...compensation, sections: Number(n) } }), 'comp n')
            }
          />
          {compensation.sections === 1 ? 'section or topic' : 'sections and topics'} may be short by
          <PercentInput
            label="Short by"
            value={compensation.by}
            onChange={(by) => change((b) => ({ ...b, compensation: { ...compensation, by } }), 'comp by')}
          />
          where the whole reaches
          <PercentInput
            label="Whole that makes up for it"
            value={compensation.whole}
            onChange={(whole) => change((b) => ({ ...b, compensation: { ...compensation, whole } }), 'comp whole')}
          />
          <Button
            variant="quiet"
            size="sm"
            aria-label="Nothing makes up for what is short"
            onClick={() => change((b) => ({ ...b, compensation: null }))}
          >
            ×
          </Button>
        </p>
      ) : (
        spoken.some(({ passPercent }) => passPercent !== null) && (
          <button
            type="button"
            className="btn-link-plain"
            onClick={() =>
              change((b) => ({
                ...b,
                compensation: {
                  sections: 1,
                  by: '5',
                  whole: String(Math.min(100, exact(b.passPercent).valueOf() + 10)),
                },
              }))
            }
          >
            Let a good whole make up for what is short…
          </button>
        )
      )}
    </div>
  );
}

interface TextsProps {
  title: string;
  ranges: Ranges;
  onChange: (ranges: Ranges, tag: string) => void;
  onTakeOut?: (() => void) | undefined;
}

/** What students read of their score in one part, by range. */
function PartTexts({ title, ranges, onChange, onTakeOut }: TextsProps) {
  if (ranges.length === 0)
    return (
      <p className="d-flex gap-3 mb-0">
        <button
          type="button"
          className="btn-link-plain soft"
          aria-label={`Say something of ${title}`}
          onClick={() =>
            onChange(
              [
                { from: '0', text: emptyContent },
                { from: '60', text: emptyContent },
              ],
              '',
            )
          }
        >
          say something of it
        </button>
        {onTakeOut && (
          <button type="button" className="btn-link-plain soft" aria-label={`Leave ${title} out`} onClick={onTakeOut}>
            leave it out
          </button>
        )}
      </p>
    );
  return (
    <>
      {ranges.map((range, i) => {
        const [below, above] = [ranges[i - 1], ranges[i + 1]];
        const set = (next: Partial<typeof range>, tag: string): void =>
          onChange(
            ranges.map((one, n) => (n === i ? { ...one, ...next } : one)),
            tag,
          );
        return (
          <div key={i} className="d-flex gap-2 align-items-start mb-1">
            {i === 0 ? (
              <span className="soft" style={{ minWidth: 84 }}>
                0 %
              </span>
            ) : (
              <PercentInput
                label={`Lower edge of range ${i + 1} of ${title}`}
                value={range.from}
                fits={(percent) =>
                  exact(percent).compare(exact(below?.from ?? '0')) > 0 &&
                  (!above || exact(percent).compare(exact(above.from)) < 0)
                }
                why="between its neighbours"
                onChange={(from) => set({ from }, `edge ${i}`)}
              />
            )}
            <WrittenText
              label={`What range ${i + 1} of ${title} reads`}
              lines={2}
              text={range.text}
              onChange={(text) => set({ text }, `text ${i}`)}
            />
          </div>
        );
      })}
      <button type="button" className="btn-link-plain soft" onClick={() => onChange([], '')}>
        say nothing of {title}
      </button>
    </>
  );
}
