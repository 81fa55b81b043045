import { atRate, RATE, writeWav } from '@/core/speech/wav';

/** A recording as a WAV file of one channel, which every browser plays and every recogniser reads; null when this browser cannot read it. */
export async function asWave(recording: Blob, name: string): Promise<File | null> {
  const context = new OfflineAudioContext(1, 1, RATE);
  try {
    // The context brings what it reads to its own rate.
    const read = await context.decodeAudioData(await recording.arrayBuffer());
    const samples = new Float32Array(read.length);
    for (let channel = 0; channel < read.numberOfChannels; channel++) {
      const own = read.getChannelData(channel);
      for (let i = 0; i < samples.length; i++) samples[i] = (samples[i] ?? 0) + (own[i] ?? 0) / read.numberOfChannels;
    }
    const bytes = writeWav(atRate({ rate: read.sampleRate, samples }, RATE));
    return new File([bytes], name, { type: 'audio/wav' });
  } catch {
    return null;
  }
}
