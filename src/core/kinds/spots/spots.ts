import { z } from 'zod';
import { exact, ONE, ZERO } from '../../base/exact';
import { type Finding, stops } from '../../base/finding';
import { slotPicture, type SlotPicture } from '../../content/document';
import { markedWithDeductions, type Marking, type TraceStep } from '../../rules/marking';
import { PLACING_SCHEMES } from '../../rules/placing/rules';
import type { KindWith } from '../contract';
import { pictureFindings } from '../slot-picture';
import { type Area, area, distanceTo, inside, MOST_AREAS, type Point, point, pointIn } from './areas';

export const MOST_POINTS = 20;

const setup = z.object({
  version: z.literal(1),
  picture: slotPicture.nullable(),
  areas: z.array(area).max(MOST_AREAS),
  /** How many points a student may set; null: as many as there are right areas. */
  most: z.int().min(1).max(MOST_POINTS).nullable(),
  /** A point beside a right area earns less with its distance, and nothing this far away, in percent of the picture's width; beside an area it earns nothing when left out. */
  near: z.int().min(1).max(50).optional(),
  scheme: z.enum(PLACING_SCHEMES),
});
export type SpotsSetup = z.infer<typeof setup>;

const response = z.object({ points: z.array(point).max(MOST_POINTS) });
export type SpotsResponse = z.infer<typeof response>;

export interface SpotsSheet {
  picture: SlotPicture | null;
  most: number;
}

const rightOnes = ({ areas }: SpotsSetup): Area[] => areas.filter(({ right }) => right);
const mostOf = (setup: SpotsSetup): number => Math.min(MOST_POINTS, setup.most ?? Math.max(1, rightOnes(setup).length));

/** What a point means: of areas over each other a right one, and the first. */
interface Meant {
  area: Area;
  /** In hundredths: 100 inside a right area, fewer beside it; 0 in a wrong one. */
  hundredths: number;
}

function meant(setup: SpotsSetup, at: Point): Meant | undefined {
  const right = rightOnes(setup);
  const hit = right.find((one) => inside(one, at));
  if (hit) return { area: hit, hundredths: 100 };
  const wrong = setup.areas.find((one) => !one.right && inside(one, at));
  if (wrong) return { area: wrong, hundredths: 0 };
  const { near } = setup;
  if (near === undefined) return undefined;
  const beside = right
    .map((area) => ({ area, away: distanceTo(area, at, setup.picture?.ratio ?? 1) }))
    .sort((a, b) => a.away - b.away)[0];
  const hundredths = beside ? Math.floor(100 * (1 - beside.away / near) + 1e-6) : 0;
  return beside && hundredths > 0 ? { area: beside.area, hundredths } : undefined;
}

function readiness(setup: SpotsSetup): Finding[] {
  if (!setup.picture) return [stops('spots-no-picture', ['picture'])];
  const right = rightOnes(setup).length;
  if (right === 0) return [stops('spots-no-area', ['areas'])];
  const findings = pictureFindings(setup.picture);
  if (setup.most !== null && setup.most < right)
    findings.push(stops('spots-most-too-few', ['most'], { most: setup.most, right }));
  setup.areas.forEach(({ id, width, height }, i) => {
    if (width < 1 || height < 1) findings.push(stops('spots-area-small', ['areas', id], { number: i + 1 }));
  });
  return findings;
}

/** Each right area that was pointed at counts once, by the nearest point and as often as it is worth; a second point in it counts for nothing, one elsewhere is wrong once. */
function mark(setup: SpotsSetup, { points }: SpotsResponse): Marking {
  const wanted = rightOnes(setup);
  const of = wanted.length;
  const hit = new Map<string, number>();
  const said = new Set<string>();
  const trace: TraceStep[] = [];
  let wrong = 0;
  points.forEach((at, i) => {
    const found = meant(setup, at);
    const number = i + 1;
    if (found?.area.right) hit.set(found.area.id, Math.max(hit.get(found.area.id) ?? 0, found.hundredths));
    else wrong += 1;
    if (found && !found.area.right && found.area.feedback !== '') said.add(found.area.feedback);
    if (!found?.area.right) trace.push({ code: 'spot-off', values: { number } });
    else if (found.hundredths === 100) trace.push({ code: 'spot-in', values: { number } });
    else trace.push({ code: 'spot-near', values: { number, percent: found.hundredths } });
  });
  const right = [...hit.values()].filter((hundredths) => hundredths === 100).length;
  const worth = wanted.reduce((all, { weight = 1 }) => all + weight, 0);
  const earned = wanted.reduce((all, { id, weight = 1 }) => all + weight * (hit.get(id) ?? 0), 0);
  const counted: TraceStep[] = [{ code: 'placed-counted', values: { right, wrong, of } }];
  if (worth > of) counted.push({ code: 'placed-weighed', values: { right: earned / 100, of: worth } });
  const share = (): ReturnType<typeof exact> => {
    if (of === 0) return ZERO;
    if (setup.scheme === 'whole') return right === of && wrong === 0 ? ONE : ZERO;
    return exact(`${setup.scheme === 'by-part' ? earned : earned - 100 * wrong}/${100 * worth}`);
  };
  return markedWithDeductions(share(), [...counted, ...trace], [...said].join(' '));
}

/** A point that lies in no area, where there is one on a coarse grid. */
function outside({ areas }: SpotsSetup): Point | undefined {
  const grid = Array.from({ length: 100 }, (_, i) => ({ x: (i % 10) * 10 + 5, y: Math.floor(i / 10) * 10 + 5 }));
  return grid.find((at) => !areas.some((one) => inside(one, at)));
}

/** The key; one point of it; one outside; the middle of a wrong area. */
function tryouts(setup: SpotsSetup): SpotsResponse[] {
  const key = rightOnes(setup).map(pointIn);
  const [off, wrong] = [outside(setup), setup.areas.find(({ right }) => !right)];
  const tried = [key, key.slice(0, 1), off ? [off] : [], wrong ? [pointIn(wrong)] : []];
  const some = tried
    .filter((points) => points.length > 0)
    .map((points) => ({ points: points.slice(0, mostOf(setup)) }));
  return [...new Map(some.map((answer) => [JSON.stringify(answer), answer])).values()];
}

/** Points to be set on a picture. */
export const spots: KindWith<'marked' | 'media', SpotsSetup, SpotsSheet, SpotsResponse> = {
  name: 'spots',
  placement: 'block',
  setup: { name: 'spots setup', version: 1, schema: setup, migrations: [] },
  response: { name: 'spots response', version: 1, schema: response, migrations: [] },
  accepts: (setup, { points }) => points.length <= mostOf(setup),
  fresh: () => ({ version: 1, picture: null, areas: [], most: null, scheme: 'by-part' }),
  blank: ({ points }) => points.length === 0,
  sheet: (setup) => ({ picture: setup.picture, most: mostOf(setup) }),
  readiness,
  describe: ({ picture }) => picture?.description || 'a picture to point at',
  describeResponse: (_, { points }) =>
    points.map(({ x, y }) => `${Math.round(x)} % from the left, ${Math.round(y)} % from above`).join('; '),
  // Points that mean the same areas are the same answer, wherever in them they lie.
  gist: (setup, { points }) =>
    points
      .map((at) => {
        const found = meant(setup, at);
        return found ? `${found.area.id}:${found.hundredths}` : '-';
      })
      .sort()
      .join(' '),
  put: (setup, put) => ({
    ...setup,
    picture: setup.picture && { ...setup.picture, description: put(setup.picture.description, 'words') },
    areas: setup.areas.map((one) => ({ ...one, feedback: put(one.feedback, 'words') })),
  }),
  marked: {
    mark,
    key(setup) {
      const points = rightOnes(setup).map(pointIn);
      return points.length > 0 ? { points } : null;
    },
    describeKey: (setup) =>
      rightOnes(setup)
        .map(({ x, y }) => `${Math.round(x)} % from the left, ${Math.round(y)} % from above`)
        .join('; '),
    fixedKeyPlace: () => null,
    worth: (setup) => rightOnes(setup).map(({ weight = 1 }) => weight),
    tryouts,
  },
  media: { of: ({ picture }) => (picture ? [picture.media] : []) },
};
