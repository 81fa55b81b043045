import { plural } from './marks';

/**
 * Instants in words. Written from numbers, because the names and commas of date libraries differ between server and
 * browser; `zone` is the department's (the server's) where a browser draws what the server has drawn before.
 */
const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

function partsOf(at: number, zone: string | undefined): Record<string, string> {
  const format = new Intl.DateTimeFormat('en-US', {
    timeZone: zone,
    weekday: 'short',
    day: 'numeric',
    month: 'numeric',
    year: 'numeric',
    hour: '2-digit',
    minute: '2-digit',
    hourCycle: 'h23',
  });
  return Object.fromEntries(format.formatToParts(at).map(({ type, value }) => [type, value]));
}

/** "Mon 23 Nov, 14:05". */
export function dayAndTime(at: number, zone?: string): string {
  const { weekday, day, month, hour, minute } = partsOf(at, zone);
  return `${weekday} ${day} ${MONTHS[Number(month) - 1]}, ${hour}:${minute}`;
}

/** "14:05". */
export function timeOnly(at: number, zone?: string): string {
  const { hour, minute } = partsOf(at, zone);
  return `${hour}:${minute}`;
}

/** "23 Nov 2026". */
export function dayOnly(at: number, zone?: string): string {
  const { day, month, year } = partsOf(at, zone);
  return `${day} ${MONTHS[Number(month) - 1]} ${year}`;
}

/** "in 3 days", "in 25 min", "2 h ago". */
export function fromNow(at: number, now: number): string {
  const minutes = Math.round(Math.abs(at - now) / 60_000);
  const size =
    minutes < 60
      ? `${minutes} min`
      : minutes < 36 * 60
        ? `${Math.round(minutes / 60)} h`
        : `${Math.round(minutes / 1440)} days`;
  if (minutes < 1) return 'now';
  return at > now ? `in ${size}` : `${size} ago`;
}

/** Time left: whole minutes, and seconds only in the last five. */
export function timeLeft(milliseconds: number): string {
  const seconds = Math.max(0, Math.ceil(milliseconds / 1000));
  if (seconds > 300) return `${Math.ceil(seconds / 60)} min`;
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;
}

/** "45 seconds", "2 minutes", "2 min 30 s". */
export function secondsText(seconds: number): string {
  const [minutes, rest] = [Math.floor(seconds / 60), seconds % 60];
  if (minutes === 0) return plural(seconds, 'second');
  return rest === 0 ? plural(minutes, 'minute') : `${minutes} min ${rest} s`;
}

/** "2026-11-23T14:05", as the date-and-time field of a browser writes an instant of this zone. */
export function forField(at: number, zone: string): string {
  const { year, month, day, hour, minute } = partsOf(at, zone);
  const two = (part: string | undefined): string => String(part).padStart(2, '0');
  return `${year}-${two(month)}-${two(day)}T${hour}:${minute}`;
}

/**
 * The instant that a date-and-time field means in this zone; NaN when it holds none. A time that a change of clocks
 * leaves out is taken an hour later; of one that comes twice, the first.
 */
export function fromField(text: string, zone: string): number {
  const asUtc = Date.parse(`${text}Z`);
  const offsetAt = (at: number): number => Date.parse(`${forField(at, zone)}Z`) - Math.floor(at / 60_000) * 60_000;
  if (!Number.isFinite(asUtc)) return Number.NaN;
  const [before, after] = [offsetAt(asUtc - 86_400_000), offsetAt(asUtc + 86_400_000)];
  const first = asUtc - Math.max(before, after);
  if (forField(first, zone) === text) return first;
  const second = asUtc - Math.min(before, after);
  return forField(second, zone) === text ? second : asUtc - before;
}
