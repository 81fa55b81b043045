import { max, scaleLinear } from 'd3';
import type { OnScale } from '@/server/results/deeper';

type Found = Extract<OnScale, { is: 'found' }>;

const [WIDTH, LEFT, MIDDLE, ROW] = [760, 150, 320, 19];

/** Persons by ability to the left, questions by difficulty to the right, on one scale. */
export function DifficultyMap({ scale: { items, abilities } }: { scale: Found }) {
  const values = [
    ...items.map(({ difficulty }) => difficulty),
    ...abilities.filter((a) => a.persons > 0).map((a) => a.ability),
  ];
  const [low, high] = [Math.floor(Math.min(...values)), Math.ceil(Math.max(...values))];
  const steps = Math.max(1, high - low) * 2;
  const height = steps * 2 * ROW * 0.75 + 50;
  const y = scaleLinear([low, high], [height - 26, 24]);
  const most = max(abilities, (a) => a.persons) ?? 1;
  const long = scaleLinear([0, most], [0, MIDDLE - LEFT + 110]);
  // Questions of nearly one difficulty stand side by side.
  const rows = new Map<number, typeof items>();
  for (const item of items.toSorted((a, b) => b.difficulty - a.difficulty)) {
    const row = Math.round(y(item.difficulty) / ROW);
    rows.set(row, [...(rows.get(row) ?? []), item]);
  }
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${height}`}
      className="chart"
      role="img"
      aria-label={`Difficulties of ${items.length} questions from ${low} to ${high} logits, beside the abilities of those who answered`}
    >
      <text x={MIDDLE - 12} y={14} textAnchor="end">
        students
      </text>
      <text x={MIDDLE + 12} y={14}>
        questions, harder ones above
      </text>
      <line className="axis" x1={MIDDLE} x2={MIDDLE} y1={20} y2={height - 22} />
      {y.ticks(high - low).map((tick) => (
        <g key={tick}>
          <line className="axis" x1={MIDDLE - 4} x2={MIDDLE + 4} y1={y(tick)} y2={y(tick)} />
          <text x={24} y={y(tick) + 4}>
            {String(tick).replace('-', '−')}
          </text>
          <line className="grid" x1={40} x2={WIDTH} y1={y(tick)} y2={y(tick)} />
        </g>
      ))}
      {abilities
        .filter(({ persons }) => persons > 0)
        .map(({ ability, persons }) => (
          <g key={ability}>
            <rect x={MIDDLE - 8 - long(persons)} y={y(ability) - 4} width={long(persons)} height={8} />
            <text x={MIDDLE - 12 - long(persons)} y={y(ability) + 4} textAnchor="end">
              {persons}
            </text>
          </g>
        ))}
      {[...rows].map(([row, own]) => (
        <text key={row} x={MIDDLE + 14} y={row * ROW + 4}>
          {own.map(({ number }) => number).join('   ')}
        </text>
      ))}
    </svg>
  );
}
