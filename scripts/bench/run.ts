import { deskBench } from './desk';
import { drawingBench } from './drawing';
import { load } from './load';
import { maths } from './maths';
import { markingAnew } from './mark-anew';
import { photosBench } from './photos';
import { placing } from './placing';
import { resultsBench } from './results';
import { room } from './room';
import { saveRatio } from './save-ratio';
import { search } from './search';
import { speech } from './speech';
import { watch } from './watch';
import { texts } from './texts';
import { writing } from './writing';

const seconds = Number(process.env.BENCH_SECONDS ?? 120);
const students = Number(process.env.BENCH_STUDENTS ?? 500);

const PARTS: Record<string, () => void | Promise<void>> = {
  search: () => search(Number(process.env.BENCH_QUESTIONS ?? 100_000)),
  'save-ratio': () => saveRatio(),
  load: () => load({ students, seconds, kills: 0 }),
  'load-with-kills': () => load({ students, seconds, kills: Number(process.env.BENCH_KILLS ?? 5) }),
  'under-attack': () => load({ students, seconds, kills: 0, attacked: true }),
  watch: () => watch(Number(process.env.BENCH_WATCHED ?? 1000)),
  room: () => room(),
  placing: () => placing(),
  writing: () => writing(),
  'mark-anew': () => markingAnew(Number(process.env.BENCH_ATTEMPTS ?? 2000)),
  desk: () => deskBench(Number(process.env.BENCH_ANSWERS ?? 10_000)),
  drawing: () => drawingBench(),
  photos: () => photosBench(),
  speech,
  results: () => resultsBench(),
  maths,
  texts,
};

const part = PARTS[process.argv[2] ?? ''];
if (!part) throw new Error(`Expected one of ${Object.keys(PARTS).join(', ')}`);
await part();
process.exit(0);
