import { type Exact, exact, sum } from '../../base/exact';
import { parseUnit, type Unit } from './units';

const PARTS =
  /^\s*(?:(\d+)\s*(?:d|days?)\s*)?(?:(\d+)\s*(?:h|hrs?|hours?)\s*)?(?:(\d+)\s*(?:min|mins|minutes?)\s*)?(?:(\d+(?:[.,]\d+)?)\s*(?:s|secs?|seconds?)\s*)?$/i;
const CLOCK = /^\s*(\d{1,4}):([0-5]\d)(?::([0-5]\d))?\s*(h|hours?|min|minutes?)\s*$/i;
const SECONDS = [86_400, 3600, 60, 1];

/** A span of time in several units, "1 h 30 min", or as on a clock, "1:30 h", in seconds; null when it is none. */
export function timeSpan(text: string): { value: Exact; unit: Unit } | null {
  const unit = parseUnit('s');
  if (!unit) return null;
  const clock = CLOCK.exec(text);
  if (clock) {
    const [, first = '0', second = '0', third = '0', name = ''] = clock;
    const scale = name.startsWith('h') ? [3600, 60, 1] : [60, 1, 0];
    return { unit, value: sum([first, second, third].map((part, i) => exact(part).mul(scale[i] ?? 0))) };
  }
  const parts = PARTS.exec(text)?.slice(1) ?? [];
  if (parts.filter((part) => part !== undefined).length < 2) return null;
  return { unit, value: sum(parts.map((part, i) => exact((part ?? '0').replace(',', '.')).mul(SECONDS[i] ?? 0))) };
}
