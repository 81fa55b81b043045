import { spawn } from 'node:child_process';
import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { Mutex } from '../db/mutex';

/** Makes another form of a recording: MP3 of a voice, MP4 of a film, which every browser plays. */
export interface Converter {
  /** Null where there is no tool for it, or it cannot read the recording. */
  convert: (bytes: Uint8Array, to: 'voice' | 'film') => Promise<Uint8Array | null>;
}

/** A recording may take so long, in milliseconds. */
const MOST_TIME = 120_000;
/** What recordings are read as; nothing that names other files, such as a playlist, is. */
const READS = ['-protocol_whitelist', 'file', '-format_whitelist', 'matroska,webm,ogg,mov,mp3,wav,flac,aac'];
const MAKES = {
  voice: ['-vn', '-ac', '1', '-b:a', '64k', '-f', 'mp3'],
  film: [
    '-vf',
    'scale=-2:min(480\\,ih)',
    '-c:v',
    'libx264',
    '-preset',
    'veryfast',
    '-pix_fmt',
    'yuv420p',
    '-c:a',
    'aac',
    '-movflags',
    '+faststart',
    '-f',
    'mp4',
  ],
};

/** The tool ffmpeg, where it stands on the machine; one recording at a time. */
export function ffmpegConverter(command = process.env.ZONDA_FFMPEG ?? 'ffmpeg', mostTime = MOST_TIME): Converter {
  const queue = new Mutex();
  return { convert: (bytes, to) => queue.run(() => convertNow(command, bytes, to, mostTime)) };
}

async function convertNow(
  command: string,
  bytes: Uint8Array,
  to: 'voice' | 'film',
  mostTime: number,
): Promise<Uint8Array | null> {
  const folder = await mkdtemp(path.join(tmpdir(), 'zonda-recording-'));
  const [given, made] = [path.join(folder, 'given'), path.join(folder, 'made')];
  try {
    await writeFile(given, bytes);
    const args = ['-nostdin', '-v', 'error', ...READS, '-i', given, ...MAKES[to], made];
    const sound = await new Promise<boolean>((done) => {
      const tool = spawn(command, args, { stdio: 'ignore', timeout: mostTime, killSignal: 'SIGKILL' });
      tool.on('error', () => done(false));
      tool.on('exit', (code) => done(code === 0));
    });
    return sound ? await readFile(made).catch(() => null) : null;
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}
