import { must } from '@/core/base/result';
import { seeded, seedFor } from '@/core/base/random';
import { PIECE_BYTES } from '@/core/content/file-limits';
import type { HandedFile } from '@/core/content/handed-file';
import { field, placeOn } from '@/core/drawing/paper';
import type { Shape } from '@/core/drawing/shapes';
import type { PaperQuestion } from '@/core/exams/paper';
import type { Context } from '@/server/context';
import { addFilePiece } from '@/server/sittings/handed-files';
import { photographedPage, scannedPdf } from './pages';
import { WT201 } from './people';
import { hashOf, SAID, spoken } from './spoken';

/** Answers that are drawn, photographed or spoken, made for a student of the demo. */
export interface MadeAnswer {
  item: string;
  slot: string;
  value: unknown;
}

const HIGH = 600;
const X = { name: '', from: 0, to: 30, step: 5, scale: 'even' } as const;
const Y = { name: '', from: 0, to: 2.5, step: 0.5, scale: 'even' } as const;

/** Wind and power in units of the paper. */
function at(wind: number, power: number): [number, number] {
  const { left, right, top, bottom } = field(HIGH);
  const round = (value: number): number => Math.round(value * 10) / 10;
  return [round(left + placeOn(X, wind) * (right - left)), round(bottom - placeOn(Y, power) * (bottom - top))];
}

/** Power curves as students draw them: right, without a level part, or falling where it is level. */
const CURVES: readonly ((wind: number) => number)[] = [
  (wind) => (wind < 3 || wind > 25 ? 0 : Math.min(2, 2 * (wind / 12) ** 3)),
  (wind) => Math.min(2.4, wind / 11),
  (wind) => (wind < 12 ? 2 * (wind / 12) ** 3 : Math.max(0, 2 - (wind - 12) / 9)),
];

function curve(which: number, shake: () => number): Shape[] {
  const points: number[] = [];
  for (let wind = 0; wind <= 28; wind += 0.5) {
    const [x, y] = at(wind, CURVES[which]?.(wind) ?? 0);
    points.push(x, Math.round((y + (shake() - 0.5) * 5) * 10) / 10);
  }
  const [x1, y1] = at(14, 2.2);
  const [tx, ty] = at(17, 1.2);
  const [hx, hy] = at(13, 1.9);
  return [
    { is: 'pen', id: '1', colour: 'black', width: 'medium', points },
    ...(which === 0
      ? ([
          { is: 'text', id: '2', colour: 'blue', width: 'fine', x1, y1, text: 'rated: blades pitch' },
          { is: 'arrow', id: '3', colour: 'blue', width: 'fine', x1: tx, y1: ty, x2: hx, y2: hy },
        ] satisfies Shape[])
      : []),
  ];
}

const CALCULATIONS = [
  ['A=3.14x45/2', 'A=6362m2', 'P=1/2r A v3', 'P=5.19MW'],
  ['A=3.14x90/2', 'A=25447m2', 'P=20.7MW'],
  ['A=6362m2', 'P=1/2x1.225xAx11/2', 'P=0.47MW'],
];
const REPORTS = [
  'Oil below the yaw drive of turbine 14, about half a litre. A fitting was loose; it is tightened to 40 Nm and wiped clean. The next crew looks at it on Monday.',
  'There was oil at the yaw drive. I tightened the fitting and wiped it.',
  'Oil leak found and mended.',
];
/** Who hands in a PDF of two pages instead of a photograph. */
const SCANS = WT201[6]?.userName;
const CALLS = ['call-full', 'call-halting', 'call-short'];
const READINGS = ['reading-fluent', 'reading-slow'];
/** How long they last. The voices were made with espeak-ng. */
const SECONDS: Record<string, number> = {
  'call-full': 9.4,
  'call-halting': 11.7,
  'call-short': 2.8,
  'reading-fluent': 9.2,
  'reading-slow': 14.2,
};

/** Brings a file to the server as a device does, piece by piece. */
async function bring(ctx: Context, attempt: string, name: string, bytes: Uint8Array): Promise<HandedFile> {
  const file = { hash: hashOf(bytes), name, size: bytes.length, attempt };
  for (let from = 0; from < bytes.length; from += PIECE_BYTES)
    must(await addFilePiece(ctx, { ...file, from, age: 0 }, bytes.subarray(from, from + PIECE_BYTES)));
  return file;
}

/** What a student makes for each question of the workshop. */
export async function madeAnswers(
  ctx: Context,
  attempt: string,
  userName: string,
  items: readonly PaperQuestion[],
): Promise<MadeAnswer[]> {
  const next = seeded(seedFor(7, userName));
  const pick = <T>(of: readonly T[]): T => of[Math.floor(next() * of.length)] as T;
  const answers: MadeAnswer[] = [];
  for (const { id: item, question } of items) {
    for (const [slot, { kind, setup }] of Object.entries(question.slots)) {
      const add = (value: object): unknown => answers.push({ item, slot, value: { version: 1, ...value } });
      if (kind === 'draw') add({ shapes: curve(Math.floor(next() * 3), next), words: '' });
      if (kind === 'longAnswer') add({ text: pick(REPORTS) });
      if (kind === 'judgeOwn') {
        const found = (): object => ({ level: 1 + Math.floor(next() * 2), marks: null, remark: '' });
        add({ judgement: { c1: found(), c2: found(), c3: found() }, words: '' });
      }
      if (kind === 'handIn') {
        const photographed = await photographedPage(pick(CALCULATIONS), (next() - 0.5) * 5);
        // One had a scanner.
        const file =
          userName === SCANS
            ? await bring(
                ctx,
                attempt,
                'pages.pdf',
                scannedPdf([photographed, await photographedPage(['P=5.19MW'], 0)]),
              )
            : await bring(ctx, attempt, 'page 1.jpg', photographed);
        add({ pages: [{ ...file, turn: 0, corners: null }] });
      }
      if (kind === 'record') {
        const reads = 'reads' in Object(setup) && Object(setup).reads !== '';
        const name = pick(reads ? READINGS : CALLS);
        const file = await bring(ctx, attempt, 'recording.ogg', spoken(`${name}.ogg`));
        add({ file, seconds: SECONDS[name] ?? 0, tries: 1 });
      }
      if (kind === 'say') {
        const file = await bring(ctx, attempt, 'said.wav', spoken(pick(SAID)));
        add({ file, seconds: 1, tries: 1, understood: null });
      }
    }
  }
  return answers;
}
