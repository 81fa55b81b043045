import { z } from 'zod';
import { wordsHold } from '../../content/anchors';
import { type Finding, stops, warns } from '../../base/finding';
import { type Paper, soundAxis } from '../../drawing/paper';
import { PAPER_WIDTH, type Shape } from '../../drawing/shapes';
import { paperSchema, shapesSchema } from '../../drawing/stored';
import type { KindWith } from '../contract';

const setup = z.object({
  version: z.literal(1),
  paper: paperSchema,
  /** Height of the paper in units of which its width has 1,000. */
  high: z.number().int().min(200).max(2000),
  /** What whoever marks looks for; no student sees it. */
  example: z.string().max(10_000),
});
export type DrawSetup = z.infer<typeof setup>;

const response = z.object({
  shapes: shapesSchema,
  /** The drawing in words: for whoever cannot draw it, and for whoever cannot see it. */
  words: z.string().max(5000),
});
export type DrawResponse = z.infer<typeof response>;

export type DrawSheet = Pick<DrawSetup, 'paper' | 'high'>;

function readiness({ paper, example }: DrawSetup): Finding[] {
  const findings: Finding[] = [];
  if (paper.is === 'picture' && paper.description.trim() === '') findings.push(warns('no-description', ['paper']));
  if (paper.is === 'text' && paper.text.trim() === '') findings.push(stops('paper-no-text', ['paper']));
  if (paper.is === 'axes') {
    for (const name of ['x', 'y'] as const)
      if (!soundAxis(paper[name])) findings.push(stops('axis-unsound', ['paper', name], { name }));
  }
  if (example.trim() === '') findings.push(warns('no-example', ['example']));
  return findings;
}

/** "12 strokes, 2 arrows", in the order in which they were first drawn. */
function shapeCounts(shapes: readonly Shape[]): string {
  const counts = new Map<string, number>();
  for (const { is } of shapes) {
    const name = is === 'pen' || is === 'marker' ? 'stroke' : is;
    counts.set(name, (counts.get(name) ?? 0) + 1);
  }
  const several = (name: string): string => (name === 'box' ? 'boxes' : `${name}s`);
  return [...counts].map(([name, count]) => `${count} ${count === 1 ? name : several(name)}`).join(', ');
}

function describeResponse(_: DrawSetup, { shapes, words }: DrawResponse): string {
  const texts = shapes.flatMap((one) => (one.is === 'text' ? [`“${one.text}”`] : []));
  const drawn = shapes.length === 0 ? [] : [`[drawing: ${[shapeCounts(shapes), ...texts].join(', ')}]`];
  return [...drawn, ...(words.trim() === '' ? [] : [words])].join('\n');
}

const putInPaper = (paper: Paper, put: (text: string) => string): Paper => {
  if (paper.is === 'text') return { ...paper, text: put(paper.text) };
  if (paper.is === 'picture') return { ...paper, description: put(paper.description) };
  if (paper.is !== 'axes') return paper;
  return {
    ...paper,
    x: { ...paper.x, name: put(paper.x.name) },
    y: { ...paper.y, name: put(paper.y.name) },
  };
};

/** A drawing on a paper: blank, ruled, with axes, over a picture or over a text. A person looks at it. */
export const draw: KindWith<'media' | 'judged', DrawSetup, DrawSheet, DrawResponse> = {
  name: 'draw',
  placement: 'block',
  setup: { name: 'draw setup', version: 1, schema: setup, migrations: [] },
  response: { name: 'draw response', version: 1, schema: response, migrations: [] },
  // Red is the pen of whoever marks.
  accepts: (_, { shapes }) => shapes.every(({ colour }) => colour !== 'red'),
  fresh: () => ({ version: 1, paper: { is: 'squared' }, high: (PAPER_WIDTH * 3) / 5, example: '' }),
  blank: ({ shapes, words }) => shapes.length === 0 && words.trim() === '',
  sheet: ({ paper, high }) => ({ paper, high }),
  readiness,
  describe: () => '…',
  describeResponse,
  gist: (_, { shapes, words }) =>
    [words.trim(), ...shapes.map(({ id: _name, ...what }) => JSON.stringify(what))]
      .filter((part) => part !== '')
      .join(' '),
  looksFor: ({ example }) => example,
  put: (given, put) => ({
    ...given,
    paper: putInPaper(given.paper, (text) => put(text, 'words')),
    example: put(given.example, 'words'),
  }),
  judged: {
    text: ({ words }) => words,
    holds: (_, { shapes, words }, anchor) =>
      ((anchor.at === 'spot' || anchor.at === 'drawn') && anchor.page === '') ||
      (anchor.at === 'shapes' && anchor.ids.every((id) => shapes.some((shape) => shape.id === id))) ||
      wordsHold(words, anchor),
    somewhere: (_, { shapes, words }) =>
      shapes[0] ? { at: 'shapes', ids: [shapes[0].id] } : { at: 'words', from: 0, to: words.length, quote: words },
  },
  media: { of: ({ paper }) => (paper.is === 'picture' ? [paper.media] : []) },
};
