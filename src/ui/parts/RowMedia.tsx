'use client';
import { ImagePlus, X } from 'lucide-react';
import Button from 'react-bootstrap/Button';
import type { ShownMedia } from '@/core/content/shown';
import { PlaySound } from '../sheet/ShownThing';
import { useTray } from '../tray/tray-context';

interface Props {
  /** What the row is called: "Option 2". */
  name: string;
  text: string;
  /** So many signs its words can have. */
  longest: number;
  media: ShownMedia | undefined;
  /** `text`: what the tray says of it, for a row that has no words yet. */
  onChange: (media: ShownMedia | undefined, text: string) => void;
}

/** The picture or sound of a row, small; or the button that takes one out of the tray. */
export function RowMedia({ name, text, longest, media, onChange }: Props) {
  const openTray = useTray();
  const choose = (): void =>
    openTray(({ media: hash, medium, ratio, description }) => {
      if (medium === 'picture' || medium === 'sound')
        onChange(
          { hash, medium, ratio },
          text.trim() === '' ? description.replace(/\s+/g, ' ').slice(0, longest) : text,
        );
    });
  if (!media)
    return (
      <Button
        variant="quiet"
        aria-label={`${name}: a picture or a sound`}
        title="A picture or a sound"
        onClick={choose}
      >
        <ImagePlus size={15} />
      </Button>
    );
  return (
    <span className="row-media">
      {media.medium === 'picture' ? (
        // eslint-disable-next-line @next/next/no-img-element -- pictures come as they were stored; the image optimiser has nothing to add
        <img src={`/media/${media.hash}`} alt="" width={44} height={33} />
      ) : (
        <PlaySound thing={{ id: '', text, media }} at={0} called={name} />
      )}
      <Button variant="quiet" aria-label={`${name}: words alone again`} onClick={() => onChange(undefined, text)}>
        <X size={13} />
      </Button>
    </span>
  );
}
