'use client';
import Link from 'next/link';
import { useEffect, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { describePictureAction, pictureUsedInAction, replaceEverywhereAction } from '@/app/(staff)/bank/tray-actions';
import type { TrayPicture } from '@/server/media/tray';
import { plural } from '../words/marks';
import { refusalText } from '../words/refusals';
import { uploadPicture } from './upload';

interface Props {
  picture: TrayPicture;
  onPick: () => void;
  onChanged: () => void;
}

/** What is known of a picture: description, licence, source, where it stands; replaced everywhere if wanted. */
export function PictureNote({ picture, onPick, onChanged }: Props) {
  const [said, setSaid] = useState({
    description: picture.description,
    licence: picture.licence,
    source: picture.source,
  });
  const [usedIn, setUsedIn] = useState<{ id: string; title: string }[] | null>(null);
  const [note, setNote] = useState<{ words: string; bad: boolean } | null>(null);
  useEffect(() => {
    let stale = false;
    void pictureUsedInAction(picture.media).then((found) => !stale && setUsedIn(found));
    return () => {
      stale = true;
    };
  }, [picture.media]);
  const keep = async (): Promise<void> => {
    const { description, licence, source } = picture;
    if (said.description === description && said.licence === licence && said.source === source) return;
    const kept = await describePictureAction({ media: picture.media, ...said });
    setNote(kept.ok ? { words: 'Kept', bad: false } : { words: refusalText(kept.refusal), bad: true });
    onChanged();
  };
  const replace = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    const added = await uploadPicture(file);
    const replaced = added.ok ? await replaceEverywhereAction(picture.media, added.value.media) : added;
    setNote(
      replaced.ok
        ? { words: `Replaced in ${plural(replaced.value.count, 'question')}.`, bad: false }
        : { words: refusalText(replaced.refusal), bad: true },
    );
    onChanged();
  };
  const field = (name: keyof typeof said, label: string, hint: string) => (
    <label className="d-block mb-2">
      {label}
      <textarea
        className="form-control form-control-sm"
        rows={name === 'description' ? 2 : 1}
        placeholder={hint}
        value={said[name]}
        onChange={(e) => setSaid({ ...said, [name]: e.target.value })}
        onBlur={keep}
      />
    </label>
  );
  return (
    <aside className="note" aria-label="The picture">
      {/* eslint-disable-next-line @next/next/no-img-element -- the picture comes from our own store */}
      <img src={`/media/${picture.media}`} alt={picture.description} className="tray-large" />
      {field('description', 'What it shows', 'For those who cannot see it')}
      {field('licence', 'Licence', 'CC BY 4.0, own work, …')}
      {field('source', 'Source', 'Who made it, or its address')}
      {note && (
        <p role="status" className={note.bad ? 'wrong' : 'good'}>
          {note.words}
        </p>
      )}
      <div className="d-flex gap-2 mb-2 flex-wrap">
        <Button onClick={onPick}>Put it on the sheet</Button>
        <label className="btn btn-quiet m-0">
          Replace everywhere…
          <input
            type="file"
            accept="image/*"
            className="visually-hidden"
            onChange={(e) => {
              void replace(e.target.files?.[0]);
              e.target.value = '';
            }}
          />
        </label>
      </div>
      <h3>Stands in</h3>
      {usedIn?.length === 0 && <p className="soft">No question yet.</p>}
      {usedIn?.slice(0, 8).map((q) => (
        <p key={q.id}>
          <Link href={`/bank/${q.id}`} prefetch={false} target="_blank">
            {q.title}
          </Link>
        </p>
      ))}
    </aside>
  );
}
