/** One caption: shown from one second to another. */
export interface Cue {
  from: number;
  to: number;
  text: string;
}

export type Captions = { ok: true; cues: Cue[] } | { ok: false; line: number };

const TIME = /^(?:(\d{2,}):)?([0-5]\d):([0-5]\d)\.(\d{3})$/;
const TIMING = /^\s*(\S+)[ \t]+-->[ \t]+(\S+)(?:[ \t]+.*)?$/;

function seconds(text: string): number | null {
  const found = TIME.exec(text);
  if (!found) return null;
  const [, hours = '0', minutes = '0', whole = '0', thousandths = '0'] = found;
  return Number(hours) * 3600 + Number(minutes) * 60 + Number(whole) + Number(thousandths) / 1000;
}

/**
 * Reads captions in WebVTT (W3C WebVTT: The Web Video Text Tracks Format,
 * section 4). Notes, styles and regions are passed over; tags in the text are
 * left out. Tells the line that does not fit.
 */
export function readWebVtt(text: string): Captions {
  const lines = text
    .replace(/^\ufeff/, '')
    .replace(/\r\n?/g, '\n')
    .split('\n');
  if (!/^WEBVTT(?:[ \t].*)?$/.test(lines[0] ?? '')) return { ok: false, line: 1 };
  const cues: Cue[] = [];
  let at = 1;
  while (at < lines.length && lines[at]?.trim() !== '') at += 1;
  while (at < lines.length) {
    while (at < lines.length && lines[at]?.trim() === '') at += 1;
    if (at >= lines.length) break;
    const begin = at;
    const block: string[] = [];
    while (at < lines.length && lines[at]?.trim() !== '') block.push(lines[at++] ?? '');
    if (/^(NOTE|STYLE|REGION)(?:[ \t]|$)/.test(block[0] ?? '')) continue;
    const timed = block[0]?.includes('-->') ? 0 : 1;
    const timing = TIMING.exec(block[timed] ?? '');
    const [from, to] = [seconds(timing?.[1] ?? ''), seconds(timing?.[2] ?? '')];
    if (from === null || to === null || to <= from) return { ok: false, line: begin + timed + 1 };
    const words = block
      .slice(timed + 1)
      .join('\n')
      .replace(/<[^>]*>/g, '');
    cues.push({ from, to, text: words.replace(/&lt;/g, '<').replace(/&gt;/g, '>').replace(/&amp;/g, '&') });
  }
  return { ok: true, cues };
}
