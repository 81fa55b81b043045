import { type Exact, exact } from '../../base/exact';

/**
 * Units and their exact values. Sources: SI Brochure (9th edition) and NIST
 * SP 811, Appendix B, from memory; compared with GNU units in
 * `tests/reference/units`. The angle counts as a dimension of its own, so that
 * turns per minute and hertz are told apart.
 */
/** Amounts of different currencies are never the same. */
const MONEY = ['euro', 'dollar', 'pound', 'yen', 'franc'] as const;
export const DIMENSIONS = [
  'length',
  'mass',
  'time',
  'current',
  'temperature',
  'amount',
  'light',
  'angle',
  ...MONEY,
] as const;
export type Dimension = readonly number[];

export interface Atom {
  dimension: Dimension;
  factor: Exact;
  offset?: Exact;
  /** Whether decimal prefixes may stand before it. */
  prefixes: boolean;
}

const PI = exact('3.14159265358979323846264338327950288419716939937510');
const powers = (exponent: number): Exact => exact(`1e${exponent}`);

export const PREFIXES: Record<string, Exact> = {
  Q: powers(30),
  R: powers(27),
  Y: powers(24),
  Z: powers(21),
  E: powers(18),
  P: powers(15),
  T: powers(12),
  G: powers(9),
  M: powers(6),
  k: powers(3),
  h: powers(2),
  da: powers(1),
  d: powers(-1),
  c: powers(-2),
  m: powers(-3),
  μ: powers(-6),
  u: powers(-6),
  n: powers(-9),
  p: powers(-12),
  f: powers(-15),
  a: powers(-18),
  z: powers(-21),
  y: powers(-24),
};

// Exponents of [length, mass, time, current, temperature, amount, light, angle]; currencies stand behind.
const LENGTH = [1, 0, 0, 0, 0, 0, 0, 0];
const MASS = [0, 1, 0, 0, 0, 0, 0, 0];
const TIME = [0, 0, 1, 0, 0, 0, 0, 0];
const CURRENT = [0, 0, 0, 1, 0, 0, 0, 0];
const TEMPERATURE = [0, 0, 0, 0, 1, 0, 0, 0];
const NUMBER = [0, 0, 0, 0, 0, 0, 0, 0];
const ANGLE = [0, 0, 0, 0, 0, 0, 0, 1];
const AREA = [2, 0, 0, 0, 0, 0, 0, 0];
const VOLUME = [3, 0, 0, 0, 0, 0, 0, 0];
const RATE = [0, 0, -1, 0, 0, 0, 0, 0];
const SPEED = [1, 0, -1, 0, 0, 0, 0, 0];
const ACCELERATION = [1, 0, -2, 0, 0, 0, 0, 0];
const FORCE = [1, 1, -2, 0, 0, 0, 0, 0];
const PRESSURE = [-1, 1, -2, 0, 0, 0, 0, 0];
const ENERGY = [2, 1, -2, 0, 0, 0, 0, 0];
const POWER = [2, 1, -3, 0, 0, 0, 0, 0];
const CHARGE = [0, 0, 1, 1, 0, 0, 0, 0];
const VOLTAGE = [2, 1, -3, -1, 0, 0, 0, 0];
const RESISTANCE = [2, 1, -3, -2, 0, 0, 0, 0];
const FLUX_DENSITY = [0, 1, -2, -1, 0, 0, 0, 0];
const DOSE = [2, 0, -2, 0, 0, 0, 0, 0];

const money = (currency: (typeof MONEY)[number]): number[] => DIMENSIONS.map((name) => (name === currency ? 1 : 0));

type Row = readonly [names: string, dimension: Dimension, factor: Exact | string, prefixes?: boolean, offset?: string];
const POUND = exact('0.45359237');
const POUND_FORCE = exact('4.4482216152605');

const ROWS: readonly Row[] = [
  ['m', LENGTH, '1', true],
  ['g', MASS, '1/1000', true],
  ['s', TIME, '1', true],
  ['A', CURRENT, '1', true],
  ['K', TEMPERATURE, '1', true],
  ['mol', [0, 0, 0, 0, 0, 1, 0, 0], '1', true],
  ['cd', [0, 0, 0, 0, 0, 0, 1, 0], '1', true],
  ['rad', ANGLE, '1', true],
  ['% percent', NUMBER, '1/100'],
  ['‰', NUMBER, '1/1000'],
  ['ppm', NUMBER, '1e-6'],
  ['in', LENGTH, '0.0254'],
  ['ft', LENGTH, '0.3048'],
  ['yd', LENGTH, '0.9144'],
  ['mi', LENGTH, '1609.344'],
  ['nmi', LENGTH, '1852'],
  ['Å', LENGTH, '1e-10'],
  ['au', LENGTH, '149597870700'],
  ['t', MASS, '1000', true],
  ['lb', MASS, POUND],
  ['oz', MASS, POUND.div(16)],
  ['st', MASS, POUND.mul(14)],
  ['ct', MASS, '0.0002'],
  ['min', TIME, '60'],
  ['h hr', TIME, '3600'],
  ['d day days', TIME, '86400'],
  ['week', TIME, '604800'],
  ['Hz', RATE, '1', true],
  ['Bq', RATE, '1', true],
  ['Ci', RATE, '3.7e10', true],
  ['kn', SPEED, exact('1852').div(3600)],
  ['g_n', ACCELERATION, '9.80665'],
  ['ha', AREA, '10000'],
  ['acre', AREA, '4046.8564224'],
  ['L l', VOLUME, '1/1000', true],
  ['gal_US', VOLUME, '0.003785411784'],
  ['gal_UK', VOLUME, '0.00454609'],
  ['N', FORCE, '1', true],
  ['lbf', FORCE, POUND_FORCE],
  ['kgf', FORCE, '9.80665'],
  ['dyn', FORCE, '1e-5', true],
  ['Pa', PRESSURE, '1', true],
  ['bar', PRESSURE, '100000', true],
  ['atm', PRESSURE, '101325'],
  ['Torr', PRESSURE, exact('101325').div(760)],
  ['psi', PRESSURE, POUND_FORCE.div(exact('0.00064516'))],
  ['J', ENERGY, '1', true],
  ['cal', ENERGY, '4.184', true],
  ['eV', ENERGY, '1.602176634e-19', true],
  ['Btu Btu_IT', ENERGY, '1055.05585262'],
  ['erg', ENERGY, '1e-7', true],
  ['W', POWER, '1', true],
  ['VA', POWER, '1', true],
  ['hp', POWER, exact('167.64').mul(POUND_FORCE)],
  ['hp_metric', POWER, '735.49875'],
  ['° deg', ANGLE, PI.div(180)],
  ['arcmin', ANGLE, PI.div(10800)],
  ['arcsec', ANGLE, PI.div(648000)],
  ['rev', ANGLE, PI.mul(2)],
  ['grad gon', ANGLE, PI.div(200)],
  ['rpm', [0, 0, -1, 0, 0, 0, 0, 1], PI.div(30)],
  ['C', CHARGE, '1', true],
  ['V', VOLTAGE, '1', true],
  ['Ω ohm', RESISTANCE, '1', true],
  ['S', [-2, -1, 3, 2, 0, 0, 0, 0], '1', true],
  ['F', [-2, -1, 4, 2, 0, 0, 0, 0], '1', true],
  ['H', [2, 1, -2, -2, 0, 0, 0, 0], '1', true],
  ['Wb', [2, 1, -2, -1, 0, 0, 0, 0], '1', true],
  ['T', FLUX_DENSITY, '1', true],
  ['G', FLUX_DENSITY, '1e-4', true],
  ['P', [-1, 1, -1, 0, 0, 0, 0, 0], '0.1', true],
  ['Gy', DOSE, '1', true],
  ['Sv', DOSE, '1', true],
  ['kat', [0, 0, -1, 0, 0, 1, 0, 0], '1', true],
  ['lm', [0, 0, 0, 0, 0, 0, 1, 0], '1', true],
  ['lx', [-2, 0, 0, 0, 0, 0, 1, 0], '1', true],
  ['°C degC', TEMPERATURE, '1', false, '273.15'],
  ['°F degF', TEMPERATURE, '5/9', false, '45967/180'],
  ['°R', TEMPERATURE, '5/9'],
  ['ΔK Δ°C', TEMPERATURE, '1'],
  ['Δ°F', TEMPERATURE, '5/9'],
  ['€ EUR euro euros', money('euro'), '1', true],
  ['$ USD dollar dollars', money('dollar'), '1', true],
  ['£ GBP', money('pound'), '1', true],
  ['¥ JPY yen', money('yen'), '1', true],
  ['CHF', money('franc'), '1', true],
];

export const ATOMS: ReadonlyMap<string, Atom> = new Map(
  ROWS.flatMap(([names, dimension, factor, prefixes = false, offset]) => {
    const atom: Atom = {
      dimension: DIMENSIONS.map((_, i) => dimension[i] ?? 0),
      factor: typeof factor === 'string' ? exact(factor) : factor,
      prefixes,
      ...(offset ? { offset: exact(offset) } : {}),
    };
    return names.split(' ').map((name): [string, Atom] => [name, atom]);
  }),
);
