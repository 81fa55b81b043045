import { describe, expect, it } from 'vitest';
import { ON_RELEASE } from '@/core/exams/sees';
import { type Boundaries, boundariesSchema } from '@/core/results/policy';
import type { ResultRow, Results } from '@/server/results/results';
import { edgeMoves, passes } from './outcome';

const row = (name: string, percent: string, parts: ResultRow['parts'] = {}): ResultRow => ({
  attempt: name,
  participant: name,
  out: false,
  readAt: null,
  name,
  marks: percent,
  of: '100',
  percent,
  waiting: 0,
  attempts: 1,
  late: null,
  parts,
});
const boundaries: Boundaries = boundariesSchema.parse({
  version: 1,
  passPercent: '50',
  ranges: ['0', '50', '70'].map((from) => ({ from, text: '' })),
  grades: ['0', '50', '51'].map((from) => ({ from, grade: from })),
});
const results: Results = {
  sitting: 's',
  title: 'Check',
  course: 'WT-1',
  total: '100',
  rounding: { mode: 'half_up', places: 0, first: false },
  boundaries,
  version: 1,
  sections: [],
  parts: [],
  rows: [row('Ada', '69'), row('Ben', '71'), row('Cleo', '100')],
  notHandedIn: 0,
  stillOpen: null,
  now: 0,
  releasedAt: null,
  releasedTo: null,
  certificate: null,
  planned: null,
  shows: null,
  sees: ON_RELEASE,
};

describe('if an edge moved', () => {
  it('those between where it stands and where it would are named', () => {
    expect(edgeMoves(results, boundaries, 'ranges', [-2, 2])).toEqual([
      { from: '50', to: '48', names: [] },
      { from: '50', to: '52', names: [] },
      { from: '70', to: '68', names: ['Ada'] },
      { from: '70', to: '72', names: ['Ben'] },
    ]);
  });

  it('its neighbours, nothing and all keep it in', () => {
    const moves = edgeMoves(results, boundaries, 'grades', [-2, 2, 49.5]);
    expect(moves.map(({ from, to }) => [from, to])).toEqual([
      ['50', '48'],
      ['51', '53'],
    ]);
  });

  it('whoever does not pass because of a part stays below the pass mark wherever an edge stands', () => {
    const short = row('Dev', '71', { t: { marks: '1', of: '10', percent: '10' } });
    const asks = { is: 'topic' as const, id: 't', title: 'Rotor', items: ['q'], passPercent: '40', ranges: [] };
    const strict = { ...boundaries, parts: [asks] };
    const own = { ...results, rows: [short] };
    expect(passes(short, own, '50', strict)).toBe(false);
    expect(edgeMoves(own, strict, 'ranges', [2]).flatMap(({ names }) => names)).toEqual([]);
  });
});
