import { exact, max, sum } from '../../base/exact';
import { type Finding, stops, warns } from '../../base/finding';
import { circularList, listNamed, listsOf } from './lists';
import { compiledPattern } from './patterns';
import { type Point, pointLabel, pointsIn, type PointsRule, wordingsIn } from './points';
import type { TextRules } from './rules';
import { isJoined, phrasesIn, type Wording } from './wordings';
import { likeAnswer } from './words';

/** What stops or weakens these rules. */
export function textRulesReadiness(rules: TextRules): Finding[] {
  const findings: Finding[] = [];
  const answers = rules.rules.flatMap((rule): unknown[] =>
    rule.when === 'exact'
      ? rule.answers
      : rule.when === 'points'
        ? pointsIn(rule).flatMap(({ accept, half }) => [...accept, ...half])
        : [rule.pattern],
  );
  if (answers.length === 0 && rules.otherwise === 'zero') findings.push(stops('no-key', []));
  else if (answers.length === 0) findings.push(warns('no-key-all-wait', []));
  const circular = circularList(rules.lists);
  if (circular !== null) findings.push(stops('list-circular', ['lists'], { list: circular }));
  rules.rules.forEach((rule, i) => {
    const at = ['rules', i];
    if (rule.when === 'pattern' && compiledPattern(rule.pattern) === null)
      findings.push(stops('pattern-broken', at, { pattern: rule.pattern }));
    if (rule.when === 'exact') {
      const earlier = rules.rules.slice(0, i).flatMap((other) => (other.when === 'exact' ? other.answers : []));
      const twice = rule.answers.find((answer) =>
        earlier.some((one) => likeAnswer(one, answer, rules.forgives) !== null),
      );
      if (twice) findings.push(warns('rule-never-reached', at, { number: i + 1, answer: twice }));
    }
    if (rule.when === 'points') findings.push(...pointsReadiness(rule, rules, i));
  });
  return findings;
}

function pointsReadiness(rule: PointsRule, rules: TextRules, index: number): Finding[] {
  const at = ['rules', index];
  const findings: Finding[] = [];
  const points = pointsIn(rule);
  const byId = new Map(points.map((point) => [point.id, point]));
  const expand = listsOf(rules.lists);
  const begun = points.some(({ accept, half }) => accept.length + half.length > 0);
  for (const one of wordingsIn(rule)) findings.push(...wordingReadiness(one, at, expand));
  for (const point of points) {
    const values = { point: pointLabel(point), number: index + 1 };
    // Where no point says anything yet, every answer waits, which is said once for all rules.
    if (begun && point.accept.length + point.half.length === 0) findings.push(stops('point-empty', at, values));
    if (point.onlyIf !== null && !byId.has(point.onlyIf)) findings.push(stops('point-condition-missing', at, values));
    else if (isCircular(point, byId)) findings.push(stops('point-condition-circular', at, values));
    const refused = new Set(point.refuse.filter((one) => typeof one === 'string').flatMap(expand));
    const both = [...point.accept, ...point.half]
      .filter((one) => typeof one === 'string')
      .flatMap(expand)
      .find((word) => refused.has(word));
    if (both !== undefined) findings.push(stops('keyword-wanted-and-forbidden', at, { word: both }));
  }
  if (byId.size < points.length) findings.push(stops('point-twice', at, { number: index + 1 }));
  const forbidden = new Set(rule.refuse.filter((one) => typeof one === 'string'));
  const wanted = points.flatMap(({ accept, half }) => [...accept, ...half]).flatMap(phrasesIn);
  const both = wanted.find((word) => forbidden.has(word));
  if (both !== undefined) findings.push(stops('keyword-wanted-and-forbidden', at, { word: both }));
  for (const { points: own, least, most } of rule.sets) {
    if (least !== 'all' && least > own.length) findings.push(stops('points-least', at, { least, have: own.length }));
    if (most !== null && least !== 'all' && least > most)
      findings.push(stops('points-least', at, { least, have: most }));
  }
  const total = mostEarned(rule);
  if (!total.equals(1)) findings.push(warns('points-do-not-add-up', at, { total: total.toFraction(true) }));
  return findings;
}

/** What the points of a rule come to when all that can count are met. */
function mostEarned(rule: PointsRule) {
  const sets = rule.sets.map(({ points, most }) => {
    const shares = points.map(({ share }) => exact(share)).sort((a, b) => b.compare(a));
    return sum(shares.slice(0, most ?? shares.length));
  });
  const total = sum(sets);
  return rule.most === undefined
    ? total
    : total.compare(exact(rule.most)) > 0
      ? exact(rule.most)
      : max(total, exact('0'));
}

function isCircular(point: Point, byId: ReadonlyMap<string, Point>): boolean {
  const seen = new Set<string>([point.id]);
  for (let next = point.onlyIf; next !== null; next = byId.get(next)?.onlyIf ?? null) {
    if (seen.has(next)) return true;
    seen.add(next);
  }
  return false;
}

const WITHOUT_BLANKS =
  /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Thai}\p{Script=Lao}\p{Script=Khmer}\p{Script=Myanmar}]{2}/u;

function wordingReadiness(
  one: Wording,
  at: (string | number)[],
  expand: (phrase: string) => readonly string[],
): Finding[] {
  if (typeof one !== 'string' && !isJoined(one))
    return compiledPattern(one.pattern) === null ? [stops('pattern-broken', at, { pattern: one.pattern })] : [];
  const findings: Finding[] = [];
  for (const phrase of phrasesIn(one)) {
    const list = listNamed(phrase);
    if (list !== null && expand(phrase).length === 0) findings.push(stops('list-missing', at, { list }));
    if (WITHOUT_BLANKS.test(phrase)) findings.push(warns('written-without-blanks', at, { word: phrase }));
  }
  if (isJoined(one)) {
    if ((one.least ?? 0) > one.parts.length)
      findings.push(stops('keywords-too-few', at, { need: one.least ?? 0, have: one.parts.length }));
    if (one.where === 'tied' && one.parts.length < 2) findings.push(stops('tied-to-nothing', at));
  }
  return findings;
}
