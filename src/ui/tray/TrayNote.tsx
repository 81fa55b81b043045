'use client';
import { Link } from '../parts/Link';
import { useEffect, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { describeMediaAction, replaceEverywhereAction, usedInAction } from '@/actions/tray';
import type { Medium, TrayItem } from '@/server/media/tray';
import { FileLink } from '../sheet/FileLink';
import { RecordingView } from '../sheet/RecordingView';
import { plural } from '../words/marks';
import { refusalText } from '../words/refusals';
import { uploadPicture } from './upload';
import { replyTo } from '../parts/reply-to';

interface Props {
  item: TrayItem;
  onPick: () => void;
  /** Given when a picture is chosen on the sheet: puts this one in its place. */
  onReplace?: () => void;
  onChanged: () => void;
}

/** What is said of a thing, and for whom. */
const ABOUT: Record<Medium, [label: string, hint: string]> = {
  picture: ['What it shows', 'For those who cannot see it'],
  sound: ['What it is', 'Read before it is played'],
  film: ['What it is', 'Read before it is played'],
  file: ['Name', 'Under which it is saved'],
};

/** What is known of a picture, recording or file: description, licence, source, where it stands; a picture is replaced everywhere if wanted. */
export function TrayNote({ item, onPick, onReplace, onChanged }: Props) {
  const [said, setSaid] = useState({
    description: item.description,
    licence: item.licence,
    source: item.source,
  });
  const [usedIn, setUsedIn] = useState<{ id: string; title: string }[] | null>(null);
  const [note, setNote] = useState<{ words: string; bad: boolean } | null>(null);
  useEffect(() => {
    let stale = false;
    void replyTo(usedInAction(item.media)).then((found) => !stale && found.ok && setUsedIn(found.value));
    return () => {
      stale = true;
    };
  }, [item.media]);
  const keep = async (): Promise<void> => {
    const { description, licence, source } = item;
    if (said.description === description && said.licence === licence && said.source === source) return;
    const kept = await replyTo(describeMediaAction({ media: item.media, ...said }));
    setNote(kept.ok ? { words: 'Kept', bad: false } : { words: refusalText(kept.refusal), bad: true });
    onChanged();
  };
  const replace = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    const added = await uploadPicture(file);
    const replaced = added.ok ? await replyTo(replaceEverywhereAction(item.media, added.value.media)) : added;
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
    <aside className="note" aria-label={`The ${item.medium}`}>
      {item.medium === 'picture' ? (
        // eslint-disable-next-line @next/next/no-img-element -- the picture comes from our own store
        <img src={`/media/${item.media}`} alt={item.description} className="tray-large" />
      ) : item.medium === 'file' ? (
        <FileLink media={item.media} name={item.description || 'file'} size={item.size} />
      ) : (
        <RecordingView media={item.media} medium={item.medium} description="" captions={null} />
      )}
      {field('description', ...ABOUT[item.medium])}
      {field('licence', 'Licence', 'CC BY 4.0, own work, …')}
      {field('source', 'Source', 'Who made it, or its address')}
      {note && (
        <p role="status" className={note.bad ? 'wrong' : 'good'}>
          {note.words}
        </p>
      )}
      <div className="d-flex gap-2 mb-2 flex-wrap">
        <Button onClick={onPick}>Put it on the sheet</Button>
        {onReplace && <Button onClick={onReplace}>In the place of the chosen one</Button>}
        {item.medium === 'picture' && (
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
        )}
      </div>
      <h3>Stands in</h3>
      {usedIn?.length === 0 && <p className="soft">No question yet.</p>}
      {usedIn?.slice(0, 8).map((q) => (
        <p key={q.id}>
          <Link href={`/bank/${q.id}`} target="_blank">
            {q.title}
          </Link>
        </p>
      ))}
    </aside>
  );
}
