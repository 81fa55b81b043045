'use client';
import { AudioLines, FileText, Film } from 'lucide-react';
import { type ClipboardEvent, type DragEvent, useCallback, useEffect, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { addFromWebAction, openTrayAction } from '@/actions/tray';
import type { Result } from '@/core/base/result';
import type { Medium, OpenedTray, TrayItem } from '@/server/media/tray';
import { refusalText } from '../words/refusals';
import { FreePictures } from './FreePictures';
import { TrayNote } from './TrayNote';
import { uploadAny } from './upload';
import { Dialog } from '../parts/Dialog';
import { Trouble } from '../parts/Trouble';
import { replyTo } from '../parts/reply-to';

interface Props {
  onPick: (item: TrayItem) => void;
  /** Given when a picture is chosen on the sheet: puts another in its place. */
  onReplace?: (picture: TrayItem) => void;
  onClose: () => void;
}

interface Wanted {
  words: string;
  medium: Medium;
  licence: string | null;
}

const MEDIUM_WORDS: Record<Medium, string> = { picture: 'Pictures', sound: 'Sounds', film: 'Films', file: 'Files' };

const ACCEPTED: Record<Medium, string | undefined> = {
  picture: 'image/*',
  sound: 'audio/*',
  film: 'video/*',
  file: undefined,
};

/** The department's pictures, sounds, films and files: paste, drop, choose, fetch, or take one that is there. */
export function Tray({ onPick, onReplace, onClose }: Props) {
  const [words, setWords] = useState('');
  const [medium, setMedium] = useState<Medium>('picture');
  const [licence, setLicence] = useState<string | null>(null);
  const [opened, setOpened] = useState<OpenedTray | null>(null);
  /** Stays chosen when the list becomes another one, because what was typed is only being looked for. */
  const [chosen, setChosen] = useState<TrayItem | null>(null);
  const [address, setAddress] = useState('');
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [free, setFree] = useState(false);

  const load = useCallback(async (wanted: Wanted): Promise<TrayItem[]> => {
    const found = await replyTo(openTrayAction(wanted));
    if (!found.ok) return [];
    setOpened(found.value);
    return found.value.items;
  }, []);
  useEffect(() => {
    const timer = setTimeout(() => void load({ words, medium, licence }), 120);
    return () => clearTimeout(timer);
  }, [words, medium, licence, load]);

  const turnTo = (next: Medium): void => {
    setMedium(next);
    setLicence(null);
    setChosen(null);
    setFree(false);
  };
  const added = async (result: Result<{ media: string }>, as: Medium = 'picture'): Promise<boolean> => {
    setTrouble(result.ok ? null : refusalText(result.refusal));
    if (!result.ok) return false;
    setWords('');
    setLicence(null);
    setMedium(as);
    const items = await load({ words: '', medium: as, licence: null });
    setChosen(items.find((i) => i.media === result.value.media) ?? null);
    return true;
  };
  const add = async (files: FileList | null | undefined): Promise<void> => {
    setBusy(true);
    for (const file of files ?? []) {
      const brought = await uploadAny(file);
      await added(brought, brought.ok ? brought.value.medium : medium);
    }
    setBusy(false);
  };
  const fetchIt = async (): Promise<void> => {
    setBusy(true);
    if (await added(await replyTo(addFromWebAction(address)))) setAddress('');
    setBusy(false);
  };
  const item = opened?.items.find((i) => i.media === chosen?.media) ?? chosen;
  const takeFiles = (event: ClipboardEvent | DragEvent, files: FileList): void => {
    if (files.length === 0) return;
    event.preventDefault();
    void add(files);
  };
  return (
    <Dialog title="Tray" onClose={onClose} size="xl">
      <div
        onPaste={(e: ClipboardEvent) => takeFiles(e, e.clipboardData.files)}
        onDrop={(e: DragEvent) => takeFiles(e, e.dataTransfer.files)}
        onDragOver={(e: DragEvent) => e.preventDefault()}
      >
        <div className="d-flex gap-2 align-items-center mb-2 flex-wrap">
          <input
            type="search"
            className="form-control form-control-sm w-auto flex-grow-1"
            aria-label="Find it by what it shows"
            placeholder="Find by what it shows"
            value={words}
            onChange={(e) => setWords(e.target.value)}
          />
          <select
            className="form-select form-select-sm w-auto"
            aria-label="What is looked for"
            value={medium}
            onChange={(e) => turnTo(e.target.value as Medium)}
          >
            {(Object.keys(MEDIUM_WORDS) as Medium[]).map((m) => (
              <option key={m} value={m}>
                {MEDIUM_WORDS[m]}
              </option>
            ))}
          </select>
          <select
            className="form-select form-select-sm w-auto"
            aria-label="Under which licence"
            value={licence ?? '*'}
            onChange={(e) => setLicence(e.target.value === '*' ? null : e.target.value)}
          >
            <option value="*">any licence</option>
            {opened?.licences.map((l) => (
              <option key={l} value={l}>
                {l || 'licence not said'}
              </option>
            ))}
          </select>
          <label className="btn btn-outline-primary btn-sm m-0">
            Choose a file
            <input
              type="file"
              accept={ACCEPTED[medium]}
              multiple
              className="visually-hidden"
              onChange={(e) => {
                void add(e.target.files);
                e.target.value = '';
              }}
            />
          </label>
          {medium === 'picture' && (
            <Button variant="outline-primary" size="sm" aria-pressed={free} onClick={() => setFree(!free)}>
              Free pictures
            </Button>
          )}
          <form
            className={medium === 'picture' ? 'd-flex gap-1' : 'd-none'}
            onSubmit={(e) => {
              e.preventDefault();
              if (address.trim()) void fetchIt();
            }}
          >
            <input
              className="form-control form-control-sm"
              aria-label="Web address of a picture"
              placeholder="https://… of a picture"
              value={address}
              onChange={(e) => setAddress(e.target.value)}
            />
            <Button type="submit" variant="outline-primary" size="sm" disabled={busy}>
              Fetch
            </Button>
          </form>
        </div>
        <Trouble>{trouble}</Trouble>
        {free && <FreePictures onAdded={added} />}
        <div className="tray">
          <ul aria-label={MEDIUM_WORDS[medium]}>
            {opened?.items.map((i) => (
              <li key={i.media}>
                <button
                  type="button"
                  aria-pressed={i.media === chosen?.media}
                  onClick={() => setChosen(i)}
                  onDoubleClick={() => onPick(i)}
                >
                  {i.medium === 'picture' ? (
                    // eslint-disable-next-line @next/next/no-img-element -- the small size comes from our own store
                    <img src={`/media/${i.media}?size=small`} alt="" loading="lazy" />
                  ) : (
                    <Sign medium={i.medium} />
                  )}
                  <span>{i.description || <em className="hand">not described</em>}</span>
                </button>
              </li>
            ))}
            {opened?.items.length === 0 && (
              <li className="soft p-3">
                {words || licence !== null ? 'Nothing fits.' : 'Nothing yet.'} Paste one, drop it here, or choose a
                file.
              </li>
            )}
          </ul>
          {item && (
            <TrayNote
              key={item.media}
              item={item}
              onPick={() => onPick(item)}
              onReplace={onReplace && item.medium === 'picture' ? () => onReplace(item) : undefined}
              onChanged={() => load({ words, medium, licence })}
            />
          )}
        </div>
      </div>
    </Dialog>
  );
}

const SIGNS = { sound: AudioLines, film: Film, file: FileText };

function Sign({ medium }: { medium: Exclude<Medium, 'picture'> }) {
  const Icon = SIGNS[medium];
  return <Icon size={28} aria-hidden />;
}
