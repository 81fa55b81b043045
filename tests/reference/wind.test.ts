import { describe, expect, it } from 'vitest';
import { firstPrinciples } from '@/demo/questions/first-principles';
import { machine } from '@/demo/questions/machine';
import { reports } from '@/demo/questions/report';
import { height, site } from '@/demo/questions/site';
import { installation } from '@/demo/department';
import { checkQuestion } from '@/core/bank/checks';
import { plainText } from '@/core/content/plain';
import type { NumberSetup } from '@/core/kinds/number/number';
import { convert } from '@/core/rules/number/units';

const all = [...firstPrinciples, ...reports, ...machine, ...site, ...height];

/** The key of the number slot of the one question with these words, in the unit named. */
function keyOf(words: string, unit: string): number {
  const [question, ...more] = all.filter((q) => plainText(q.body.content).includes(words));
  if (!question || more.length > 0) throw new Error(`Expected one question with "${words}"`);
  const slot = Object.values(question.body.slots).find((s) => s.kind === 'number');
  const { rules } = slot?.setup as NumberSetup;
  const value = convert(rules.rules[0]?.value ?? '', rules.unit || '1', unit);
  if (!value) throw new Error(`The key of "${words}" is not in ${unit}`);
  return value.valueOf();
}

const PI = Math.PI;
/** Density of standard air at 15 °C and 1013.25 hPa: ISO 2533, 1.225 kg/m³ (from memory). */
const RHO = 1.225;
/** Betz limit 16/27: A. Betz, 1920; in every handbook of wind energy (from memory). */
const BETZ = 16 / 27;
/** Standard acceleration 9.80665 m/s² (CGPM 1901); the questions give 9.81. */
const G = 9.81;

describe('the physics of the demo questions, worked out anew', () => {
  it.each([
    ['90 m in diameter', 'MW', (RHO * PI * 45 ** 2 * 11 ** 3) / 2 / 1e6],
    ['whose blades reach 45 m', 'm^2', PI * 45 ** 2],
    ['each square metre of wind', 'W/m^2', (RHO * 8 ** 3) / 2],
    ['any rotor of this size', 'MW', BETZ * 5.19],
    ['Write this temperature in kelvin', 'K', 15 + 273.15],
    ['makes 5256 MWh', '%', (100 * 5256) / (2 * 8760)],
    ['capacity factor of 35 %', 'MWh', 3 * 8760 * 0.35],
    ['turns at 15 rpm in a wind', '1', (((2 * PI * 15) / 60) * 40) / 9],
    ['tip of a 58 m blade', 'm/s', ((2 * PI * 12) / 60) * 58],
    ['turns once in 4 s', 'rpm', 15],
    ['ratio of the gearbox', '1', 1500 / 15],
    ['main shaft carries', 'kN·m', 2e6 / ((2 * PI * 15) / 60) / 1000],
    ['fast shaft carries', 'kN·m', 2e6 / ((2 * PI * 1500) / 60) / 1000],
    ['holds 300 L of oil', 'kg', 300 * 0.87],
    ['pulls with 500 N', 'N·m', 500 * 1.2],
    ['A heater of 8', 'A', 24 / 8],
    ['2 pole pairs', 'rpm', (60 * 50) / 2],
    ['How large is the slip', '%', (100 * (1515 - 1500)) / 1500],
    ['gives 1200 A at 690 V', 'MW', (Math.sqrt(3) * 690 * 1200 * 0.95) / 1e6],
    ['send at 690 V', 'A', 2e6 / (Math.sqrt(3) * 690)],
    ['A cable of 0.02', 'W', 200 ** 2 * 0.02],
    ['A mast measures', 'm/s', 6 * 8 ** (1 / 7)],
    // Beaufort: v = 0.836 B^{3/2} m/s (WMO code 1100, from memory).
    ['Force 6 on the Beaufort', 'm/s', 0.836 * 6 ** 1.5],
    ['36 km/h', 'm/s', 36 / 3.6],
    ['A tool bag of 12 kg', 'kJ', (12 * G * 70) / 1000],
    ['falls freely for 2 m', 'J', 100 * G * 2],
    ['A rescue device', 's', 72 / 0.8],
    ['Two people climb', 'min', 80 / 8 + 4],
  ])('%s', (words, unit, expected) => {
    expect(Math.abs(keyOf(words, unit) / expected - 1)).toBeLessThan(0.005);
  });
});

describe('the demo questions', () => {
  it('are about sixty, all ready, with trial answers that come out as expected', () => {
    expect(all.length).toBeGreaterThanOrEqual(60);
    for (const q of all) {
      const { findings, trials } = checkQuestion(q.body);
      expect(
        findings.filter((f) => f.weight === 'stops' || f.code === 'no-text'),
        plainText(q.body.content),
      ).toEqual([]);
      expect(trials.every((t) => t.agrees)).toBe(true);
    }
  });

  it('belong to topics that the department has', () => {
    const topics = installation.banks.flatMap((b) => b.topics.map((t) => t.name));
    expect(all.filter((q) => !topics.includes(q.topic))).toEqual([]);
  });
});
