import { scaleLinear } from 'd3';
import type { AnswerByAbility } from '@/server/results/analysis';
import { percentText } from '../words/analysis';

const [WIDTH, HEIGHT, LEFT, RIGHT, TOP, FLOOR] = [760, 260, 44, 300, 16, 222];
const THIRDS = ['weakest third', 'middle', 'best third'];
/** Lines are told apart without colour. */
const DASHES = ['', '7 4', '2 3', '10 3 2 3', '4 2', '1 2'];

/** Which answers the weakest, the middle and the best third gave, a line each; what earns all is the thick one. */
export function ThirdsChart({ answers, name }: { answers: readonly AnswerByAbility[]; name: string }) {
  const x = scaleLinear([0, 2], [LEFT + 24, WIDTH - RIGHT]);
  const y = scaleLinear([0, 1], [FLOOR, TOP]);
  const labels = apartBy(
    answers.map(({ byThird }) => y(byThird[2])),
    17,
    FLOOR - 2,
  );
  return (
    <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="chart" role="img" aria-label={name}>
      {[0, 0.25, 0.5, 0.75, 1].map((share) => (
        <g key={share}>
          <line className="grid" x1={LEFT} x2={WIDTH - RIGHT + 10} y1={y(share)} y2={y(share)} />
          <text x={LEFT - 6} y={y(share) + 4} textAnchor="end">
            {percentText(share)}
          </text>
        </g>
      ))}
      {THIRDS.map((third, i) => (
        <text key={third} x={x(i)} y={FLOOR + 22} textAnchor="middle">
          {third}
        </text>
      ))}
      {answers.map(({ answer, byThird, earns }, a) => (
        <g key={answer} className={earns >= 0.999 ? 'earns' : ''}>
          <polyline
            fill="none"
            strokeDasharray={DASHES[a % DASHES.length]}
            points={byThird.map((share, i) => `${x(i)},${y(share)}`).join(' ')}
          />
          {byThird.map((share, i) => (
            <circle key={THIRDS[i]} cx={x(i)} cy={y(share)} r={earns >= 0.999 ? 4.5 : 3} />
          ))}
          <text x={x(2) + 12} y={(labels[a] ?? 0) + 4}>
            {answer === '' ? 'left empty' : shortened(answer)}
          </text>
        </g>
      ))}
    </svg>
  );
}

const MOST_SIGNS = 32;
const shortened = (text: string): string => {
  const plain = text.replaceAll('$', '');
  return plain.length > MOST_SIGNS ? `${plain.slice(0, MOST_SIGNS - 1)}…` : plain;
};

/** Heights moved so far apart that labels at them can be read, in their order, none below the lowest. */
function apartBy(heights: readonly number[], least: number, lowest: number): number[] {
  const order = heights.map((at, i) => ({ at, i })).toSorted((a, b) => a.at - b.at);
  const moved = new Array<number>(heights.length).fill(0);
  let last = -Infinity;
  for (const { at, i } of order) {
    last = Math.max(at, last + least);
    moved[i] = last;
  }
  let below = lowest + least;
  for (const { i } of order.toReversed()) {
    below = Math.min(moved[i] ?? 0, below - least);
    moved[i] = below;
  }
  return moved;
}
