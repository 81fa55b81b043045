import { agrees, type Row } from '../tests/reference/compare';
import { gradingRows } from '../tests/reference/grading';
import { itemRows } from '../tests/reference/item-analysis';
import { agreed, mathsFigures, mathsRows } from '../tests/reference/maths';
import { classFigures, classTable, markClass } from '../tests/reference/short-answers';
import { passMarkRows } from '../tests/reference/pass-marks';
import { raterRows } from '../tests/reference/rater-agreement';
import { speechRows } from '../tests/reference/speech';
import { unitRows } from '../tests/reference/units';
import {
  atDistanceOne,
  editDistanceRows,
  misspellingRows,
  realWordRows,
  stemRows,
  unicodeRows,
} from '../tests/reference/words';

/** `npm run --silent reference -- AREA PATH`: runs the core over a fixture, prints the rows that disagree, then one JSON line. */
const AREAS: Record<string, (file: string, rules: string) => Record<string, unknown>> = {
  grading: plain(gradingRows),
  units: plain(unitRows),
  stems: plain(stemRows),
  'real-words': plain(realWordRows),
  'edit-distance': plain(editDistanceRows),
  unicode: plain(unicodeRows),
  speech: plain(speechRows),
  'rater-agreement': plain(raterRows),
  'item-analysis': plain(itemRows),
  'pass-marks': plain(passMarkRows),
  misspellings(file) {
    const rows = misspellingRows(file);
    return { rows: rows.length, agree: rows.filter(agrees).length, distance1: atDistanceOne(rows) };
  },
  maths(file) {
    const rows = mathsRows(file);
    for (const row of rows.filter((r) => !agreed(r)))
      console.log(`${row.name}: expected ${row.expected}, got ${row.got}`);
    return mathsFigures(rows);
  },
  'short-answers'(file, rules) {
    if (rules === '') {
      console.error('Give the file of rules (question id → stored setup of a slot) behind the path.');
      process.exit(2);
    }
    const rows = markClass(file, rules);
    for (const { id, got, mark, why } of rows.filter((row) => row.got !== row.mark))
      console.log(`${id}: expected ${mark}, got ${got ?? 'a person'} (${why})`);
    for (const line of classTable(rows)) console.log(line);
    return { ...classFigures(rows) };
  },
};

function plain(read: (file: string) => Row[]): (file: string) => Record<string, unknown> {
  return (file) => {
    const rows = read(file);
    for (const row of rows.filter((r) => !agrees(r)))
      console.log(`${row.name}: expected ${row.expected}, got ${row.got}`);
    return { rows: rows.length, agree: rows.filter(agrees).length };
  };
}

const [area = '', file = '', rules = ''] = process.argv.slice(2);
const run = AREAS[area];
if (!run || file === '') {
  console.error(`Usage: npm run --silent reference -- ${Object.keys(AREAS).join('|')} PATH [RULES]`);
  process.exit(2);
}
console.log(JSON.stringify({ area, ...run(file, rules) }));
