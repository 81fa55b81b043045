import { agrees, type Row } from '../tests/reference/compare';
import { gradingRows } from '../tests/reference/grading';
import { unitRows } from '../tests/reference/units';

/** `npm run --silent reference -- AREA PATH`: runs the core over a fixture, prints the rows that disagree, then one JSON line. */
const AREAS: Record<string, (file: string) => Row[]> = { grading: gradingRows, units: unitRows };

const [area = '', file = ''] = process.argv.slice(2);
const run = AREAS[area];
if (!run || file === '') {
  console.error(`Usage: npm run --silent reference -- ${Object.keys(AREAS).join('|')} PATH`);
  process.exit(2);
}
const rows = run(file);
for (const row of rows.filter((r) => !agrees(r))) console.log(`${row.name}: expected ${row.expected}, got ${row.got}`);
console.log(JSON.stringify({ area, rows: rows.length, agree: rows.filter(agrees).length }));
