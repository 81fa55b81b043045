import Button from 'react-bootstrap/Button';
import { exact } from '@/core/base/exact';
import { askedOf } from '@/core/results/pass';
import type { Boundaries } from '@/core/results/policy';
import type { Results } from '@/server/results/results';
import { NumberWord } from '../parts/NumberWord';
import { PercentInput } from '../parts/PercentInput';

interface Props {
  results: Results;
  boundaries: Boundaries;
  /** How many pass the whole but not by a section. */
  missed: number;
  change: (next: (b: Boundaries) => Boundaries, tag?: string) => void;
}

type Own = NonNullable<Boundaries['sections']>[number];

/** What a pass asks of single sections, what the whole makes up for, and what students read of each. */
export function SectionBoundaries({ results, boundaries, missed, change }: Props) {
  const { sections } = results;
  const set = (section: string, next: Partial<Own>, tag = ''): void =>
    change(
      (b) => {
        const all = b.sections ?? [];
        const before = all.find((one) => one.section === section) ?? { section, ranges: [] };
        return { ...b, sections: [...all.filter((one) => one.section !== section), { ...before, ...next }] };
      },
      tag === '' ? '' : `${tag} ${section}`,
    );
  if (sections.length < 2) return null;
  const { compensation } = boundaries;
  return (
    <div className="note">
      <h3>Each section too</h3>
      {sections.map((section) => {
        const asked = askedOf(boundaries, section);
        const own = boundaries.sections?.find((one) => one.section === section.id)?.ranges ?? [];
        return (
          <div key={section.id} className="mb-2">
            <p className="d-flex gap-2 align-items-center mb-1">
              <span className="me-auto">{section.title}</span>
              {asked === null ? (
                <button
                  type="button"
                  className="btn-link-plain"
                  aria-label={`${section.title}: ask for a percent of its own`}
                  onClick={() => set(section.id, { passPercent: boundaries.passPercent })}
                >
                  counts in the whole
                </button>
              ) : (
                <>
                  <PercentInput
                    label={`Percent of ${section.title} that a pass needs`}
                    value={asked}
                    onChange={(passPercent) => set(section.id, { passPercent }, 'section pass')}
                  />
                  <Button
                    variant="quiet"
                    size="sm"
                    aria-label={`${section.title} needs no percent of its own`}
                    onClick={() => set(section.id, { passPercent: null })}
                  >
                    ×
                  </Button>
                </>
              )}
            </p>
            <SectionTexts
              title={section.title}
              ranges={own}
              onChange={(ranges, tag) => set(section.id, { ranges }, tag)}
            />
          </div>
        );
      })}
      {missed > 0 && <p className="soft">{missed} pass the whole but not a section.</p>}
      {compensation ? (
        <p className="fact-line">
          Up to
          <NumberWord
            label="Sections that may be short"
            value={String(compensation.sections)}
            least={1}
            most={20}
            onChange={(n) =>
              change((b) => ({ ...b, compensation: { ...compensation, sections: Number(n) } }), 'comp n')
            }
          />
          {compensation.sections === 1 ? 'section' : 'sections'} may be short by
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
            aria-label="Nothing makes up for a section"
            onClick={() => change((b) => ({ ...b, compensation: null }))}
          >
            ×
          </Button>
        </p>
      ) : (
        sections.some((section) => askedOf(boundaries, section) !== null) && (
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
            Let a good whole make up for a section…
          </button>
        )
      )}
    </div>
  );
}

interface TextsProps {
  title: string;
  ranges: Own['ranges'];
  onChange: (ranges: Own['ranges'], tag: string) => void;
}

/** What students read of their score in one section, by range. */
function SectionTexts({ title, ranges, onChange }: TextsProps) {
  if (ranges.length === 0)
    return (
      <button
        type="button"
        className="btn-link-plain soft"
        aria-label={`Say something of ${title}`}
        onClick={() =>
          onChange(
            [
              { from: '0', text: '' },
              { from: '60', text: '' },
            ],
            '',
          )
        }
      >
        say something of it
      </button>
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
          <p key={i} className="d-flex gap-2 align-items-start mb-1">
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
            <textarea
              className="form-control form-control-sm"
              rows={2}
              maxLength={2000}
              aria-label={`What range ${i + 1} of ${title} reads`}
              value={range.text}
              onChange={(e) => set({ text: e.target.value }, `text ${i}`)}
            />
          </p>
        );
      })}
      <button type="button" className="btn-link-plain soft" onClick={() => onChange([], '')}>
        say nothing of {title}
      </button>
    </>
  );
}
