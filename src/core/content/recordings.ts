const SOUNDS = ['webm', 'ogg', 'oga', 'opus', 'mp3', 'm4a', 'wav', 'flac', 'aac'];
const FILMS = ['webm', 'mp4', 'm4v', 'mov', 'ogv'];

/** Whether a file of this name can be the answer: what a browser records, or a recording made elsewhere. */
export function recordingName(takes: 'voice' | 'film', name: string): boolean {
  const ending = /\.([^.]+)$/.exec(name.toLowerCase())?.[1] ?? '';
  return (takes === 'film' ? FILMS : [...SOUNDS, 'mp4']).includes(ending);
}

/** Seconds as minutes and seconds, "1:05". */
export function clock(seconds: number): string {
  const whole = Math.round(seconds);
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`;
}
