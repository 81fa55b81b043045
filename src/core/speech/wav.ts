/** A recorded sound: one channel, samples from −1 to 1. */
export interface Sound {
  /** Samples a second. */
  rate: number;
  samples: Float32Array;
}

/** Samples a second to which every sound is brought that is to be understood. */
export const RATE = 16_000;

const HEADER = 44;
const PCM = 1;
const EXTENSIBLE = 0xfffe;
const FULL = 0x8000;

const text = (view: DataView, at: number): string =>
  String.fromCharCode(...[0, 1, 2, 3].map((i) => view.getUint8(at + i)));

/**
 * A WAV file with 16-bit samples; of several channels their mean. Null when it is none, or of another form. A file that
 * was cut off gives what is there. The form is that of "Multimedia Programming Interface and Data Specifications 1.0"
 * (IBM and Microsoft, 1991).
 */
export function readWav(bytes: Uint8Array): Sound | null {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  if (bytes.length < HEADER || text(view, 0) !== 'RIFF' || text(view, 8) !== 'WAVE') return null;
  let form: { channels: number; rate: number } | null = null;
  for (let at = 12; at + 8 <= bytes.length; ) {
    const [name, size, from] = [text(view, at), view.getUint32(at + 4, true), at + 8];
    if (name === 'fmt ' && from + 16 <= bytes.length) {
      const [tag, channels, rate] = [
        view.getUint16(from, true),
        view.getUint16(from + 2, true),
        view.getUint32(from + 4, true),
      ];
      const known = (tag === PCM || tag === EXTENSIBLE) && view.getUint16(from + 14, true) === 16;
      if (!known || channels < 1 || channels > 8 || rate < 4000 || rate > 192_000) return null;
      form = { channels, rate };
    }
    if (name === 'data') return form && readSamples(view, form, from, Math.min(size, bytes.length - from));
    at = from + size + (size % 2);
  }
  return null;
}

function readSamples(
  view: DataView,
  { channels, rate }: { channels: number; rate: number },
  from: number,
  size: number,
): Sound {
  const samples = new Float32Array(Math.floor(size / (2 * channels)));
  for (let i = 0; i < samples.length; i++) {
    let sum = 0;
    for (let c = 0; c < channels; c++) sum += view.getInt16(from + 2 * (i * channels + c), true);
    samples[i] = sum / channels / FULL;
  }
  return { rate, samples };
}

/** A sound as a WAV file with 16-bit samples; what is louder than full is cut. */
export function writeWav({ rate, samples }: Sound): Uint8Array<ArrayBuffer> {
  const size = 2 * samples.length;
  const bytes = new Uint8Array(HEADER + size);
  const view = new DataView(bytes.buffer);
  const put = (at: number, word: string): void =>
    [...word].forEach((letter, i) => view.setUint8(at + i, letter.charCodeAt(0)));
  put(0, 'RIFF');
  view.setUint32(4, HEADER - 8 + size, true);
  put(8, 'WAVEfmt ');
  view.setUint32(16, 16, true);
  view.setUint16(20, PCM, true);
  view.setUint16(22, 1, true);
  view.setUint32(24, rate, true);
  view.setUint32(28, 2 * rate, true);
  view.setUint16(32, 2, true);
  view.setUint16(34, 16, true);
  put(36, 'data');
  view.setUint32(40, size, true);
  samples.forEach((sample, i) =>
    view.setInt16(HEADER + 2 * i, Math.round(Math.max(-1, Math.min(1 - 1 / FULL, sample)) * FULL), true),
  );
  return bytes;
}

/** A sound at another rate, by straight lines between samples; where it becomes slower, each sample is the mean of those it stands for. */
export function atRate({ rate, samples }: Sound, wanted: number): Sound {
  if (rate === wanted) return { rate, samples };
  const step = rate / wanted;
  const made = new Float32Array(Math.floor(samples.length / step));
  for (let i = 0; i < made.length; i++) {
    const at = i * step;
    if (step <= 1) {
      const [below, above] = [
        samples[Math.floor(at)] ?? 0,
        samples[Math.min(samples.length - 1, Math.floor(at) + 1)] ?? 0,
      ];
      made[i] = below + (above - below) * (at - Math.floor(at));
    } else {
      const [from, to] = [Math.floor(at), Math.max(Math.floor(at) + 1, Math.floor(at + step))];
      let sum = 0;
      for (let k = from; k < to; k++) sum += samples[k] ?? 0;
      made[i] = sum / (to - from);
    }
  }
  return { rate: wanted, samples: made };
}
