'use client';
import { Pause, Play } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import type { Shown } from '@/core/content/shown';
import { TextWithFormulas } from './Formula';
import type { DrawnFormulas } from './formulas';

/** How a thing is called, for screen readers and announcements; `at` is where it stands among the others. */
export const spokenThing = ({ text, media }: Shown, at: number): string =>
  media?.medium === 'sound' ? `sound ${at + 1}` : text;

/** A thing that is chosen, placed or placed at: its words, its picture, or the name of its sound. */
export function ShownThing({ thing, at, drawn }: { thing: Shown; at: number; drawn: DrawnFormulas }) {
  const { text, media } = thing;
  if (!media) return <TextWithFormulas text={text} drawn={drawn} />;
  if (media.medium === 'sound') return `Sound ${at + 1}`;
  return (
    // eslint-disable-next-line @next/next/no-img-element -- pictures come as they were stored; the image optimiser has nothing to add
    <img
      className="shown-picture"
      src={`/media/${media.hash}`}
      alt={text}
      width={Math.round(120 * media.ratio)}
      height={120}
      draggable={false}
    />
  );
}

/** The one that plays; another one that is begun ends it. */
let playing: HTMLAudioElement | null = null;

/** Plays the sound of a thing, when it is one; it stands beside what can be chosen or taken, so that listening does neither. */
export function PlaySound({ thing, at, called = `sound ${at + 1}` }: { thing: Shown; at: number; called?: string }) {
  const sound = useRef<HTMLAudioElement>(null);
  const [on, setOn] = useState(false);
  useEffect(() => () => sound.current?.pause(), []);
  if (thing.media?.medium !== 'sound') return null;
  const press = (): void => {
    const own = sound.current;
    if (!own) return;
    if (on) return own.pause();
    if (playing !== own) playing?.pause();
    playing = own;
    own.currentTime = 0;
    // Pressed twice in haste, the first play is broken off; that is no failure.
    own.play().catch(() => undefined);
  };
  return (
    <>
      <audio
        ref={sound}
        src={`/media/${thing.media.hash}`}
        preload="metadata"
        onPlay={() => setOn(true)}
        onPause={() => setOn(false)}
        onEnded={() => setOn(false)}
      />
      <button type="button" className="play-sound" aria-label={`${on ? 'Stop' : 'Play'} ${called}`} onClick={press}>
        {on ? <Pause size={18} /> : <Play size={18} />}
      </button>
    </>
  );
}
