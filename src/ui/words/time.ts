/** Instants in words. The locale and zone are those of whoever reads; on the server they are fixed, so dates are drawn in the browser where it matters. */
const LOCALE = 'en-GB';

export function dayAndTime(at: number): string {
  return new Intl.DateTimeFormat(LOCALE, {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
  }).format(at);
}

export function timeOnly(at: number): string {
  return new Intl.DateTimeFormat(LOCALE, { hour: '2-digit', minute: '2-digit' }).format(at);
}

export function dayOnly(at: number): string {
  return new Intl.DateTimeFormat(LOCALE, { day: 'numeric', month: 'short', year: 'numeric' }).format(at);
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
