import { distance } from './alignment';
import { features, spectra, spoken, thinned } from './features';
import { NOTHING_UNDERSTOOD, type Understood } from './understood';
import { readWav, type Sound } from './wav';

/** Words as somebody has spoken them. */
export interface SpokenSample {
  words: string;
  sound: Sound;
}

/** Voices differ in the length of the vocal tract: the frequencies of a recording are tried stretched by so much. */
const WARPS = [0.88, 0.94, 1.06, 1.12];
/** Of so many samples that are nearest as they are, the other lengths are tried too. */
const NEAREST = 12;
/** The distance at which speech that has nothing in common stands: no sample that is farther is understood. Measured, see docs/speech.md. */
const STRANGE = 0.98;
/** The lead that makes one as sure as not, and how fast more of it makes surer (a logistic curve): with 0.05 it is four to one. */
const EVEN = 0.03;
const RISE = 0.0144;
/** More frames than so many are thinned out before sounds are compared, which bounds the work. */
const MOST_FRAMES = 250;
/** Seconds of the longest sound that is listened to: whatever is handed in as one may last for hours. */
export const LONGEST_HEARD = 30;
/** Below this nothing is said to be understood. */
const LEAST = 0.15;

/**
 * What a recording says, out of the words of samples. The nearest sample by dynamic time warping over mel-frequency
 * cepstra is what was understood; how sure that is comes from its lead, as a share of distance, over the nearest sample
 * of other words or over speech that is none of them, whichever is nearer. Samples in which nothing is heard count for
 * nothing, nor do those that are too long. The same recording and samples give the same on every machine.
 */
export function hear(recording: Sound, samples: readonly SpokenSample[]): Understood {
  const powers = spokenPart(recording);
  if (!powers) return NOTHING_UNDERSTOOD;
  const every = Math.ceil(powers.length / MOST_FRAMES);
  const known = samples.flatMap(({ words, sound }) => {
    const part = spokenPart(sound);
    return part ? [{ words, voice: thinned(features(part), every) }] : [];
  });
  const [plain, ...warped] = [1, ...WARPS].map((warp) => thinned(features(powers, warp), every));
  if (!plain) return NOTHING_UNDERSTOOD;
  const near = known
    .map((sample) => ({ ...sample, far: distance(plain, sample.voice) }))
    .sort((a, b) => a.far - b.far)
    .map(({ words, voice, far }, i) => ({
      words,
      far: i < NEAREST ? Math.min(far, ...warped.map((own) => distance(own, voice))) : far,
    }))
    .sort((a, b) => a.far - b.far);
  const [first] = near;
  if (!first || first.far >= STRANGE) return NOTHING_UNDERSTOOD;
  const other = near.find(({ words }) => words !== first.words)?.far ?? Infinity;
  const next = Math.min(other, STRANGE);
  const lead = next > 0 ? 1 - first.far / next : 0;
  const sure = 1 / (1 + Math.exp((EVEN - lead) / RISE));
  return sure < LEAST ? NOTHING_UNDERSTOOD : { words: first.words, sure };
}

function spokenPart(sound: Sound): Float64Array[] | null {
  if (sound.samples.length > LONGEST_HEARD * sound.rate) return null;
  const powers = spectra(sound);
  const part = spoken(powers);
  return part && powers.slice(part.from, part.to);
}

/** The same of WAV files; one that cannot be read is as one in which nothing is heard. */
export function hearFiles(recording: Uint8Array, samples: readonly { words: string; sound: Uint8Array }[]): Understood {
  const sound = readWav(recording);
  const known = samples.flatMap(({ words, sound: file }) => {
    const read = readWav(file);
    return read ? [{ words, sound: read }] : [];
  });
  return sound ? hear(sound, known) : NOTHING_UNDERSTOOD;
}
