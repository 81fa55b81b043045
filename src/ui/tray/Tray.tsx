'use client';
import { type ClipboardEvent, type DragEvent, useCallback, useEffect, useState } from 'react';
import Button from 'react-bootstrap/Button';
import Modal from 'react-bootstrap/Modal';
import { addFromWebAction, openTrayAction } from '@/app/(staff)/bank/tray-actions';
import type { Result } from '@/core/base/result';
import type { AddedMedia } from '@/server/media/add-media';
import type { TrayPicture } from '@/server/media/tray';
import { refusalText } from '../words/refusals';
import { FreePictures } from './FreePictures';
import { PictureNote } from './PictureNote';
import { uploadPicture } from './upload';

interface Props {
  onPick: (picture: TrayPicture) => void;
  onClose: () => void;
}

/** The department's pictures: paste, drop, choose, fetch, or take one that is there. */
export function Tray({ onPick, onClose }: Props) {
  const [words, setWords] = useState('');
  const [pictures, setPictures] = useState<TrayPicture[] | null>(null);
  const [chosen, setChosen] = useState<string | null>(null);
  const [address, setAddress] = useState('');
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [free, setFree] = useState(false);

  const load = useCallback(async (wanted: string): Promise<void> => {
    const opened = await openTrayAction(wanted);
    if (opened.ok) setPictures(opened.value);
  }, []);
  useEffect(() => {
    const timer = setTimeout(() => void load(words), 120);
    return () => clearTimeout(timer);
  }, [words, load]);

  const added = async (result: Result<AddedMedia>): Promise<boolean> => {
    setTrouble(result.ok ? null : refusalText(result.refusal));
    if (!result.ok) return false;
    setWords('');
    await load('');
    setChosen(result.value.media);
    return true;
  };
  const add = async (files: FileList | null | undefined): Promise<void> => {
    setBusy(true);
    for (const file of files ?? []) await added(await uploadPicture(file));
    setBusy(false);
  };
  const fetchIt = async (): Promise<void> => {
    setBusy(true);
    if (await added(await addFromWebAction(address))) setAddress('');
    setBusy(false);
  };
  const picture = pictures?.find((p) => p.media === chosen);
  const takeFiles = (event: ClipboardEvent | DragEvent, files: FileList): void => {
    if (files.length === 0) return;
    event.preventDefault();
    void add(files);
  };
  return (
    <Modal show onHide={onClose} size="xl" animation={false} aria-labelledby="tray">
      <Modal.Body
        onPaste={(e: ClipboardEvent) => takeFiles(e, e.clipboardData.files)}
        onDrop={(e: DragEvent) => takeFiles(e, e.dataTransfer.files)}
        onDragOver={(e: DragEvent) => e.preventDefault()}
      >
        <div className="d-flex gap-2 align-items-center mb-2 flex-wrap">
          <h2 className="fs-6 fw-bold m-0" id="tray">
            Tray
          </h2>
          <input
            type="search"
            className="form-control form-control-sm w-auto flex-grow-1"
            aria-label="Find a picture of the department"
            placeholder="Find by what it shows"
            value={words}
            onChange={(e) => setWords(e.target.value)}
          />
          <label className="btn btn-outline-primary btn-sm m-0">
            Choose a file
            <input
              type="file"
              accept="image/*"
              multiple
              className="visually-hidden"
              onChange={(e) => {
                void add(e.target.files);
                e.target.value = '';
              }}
            />
          </label>
          <Button variant="outline-primary" size="sm" aria-pressed={free} onClick={() => setFree(!free)}>
            Free pictures
          </Button>
          <form
            className="d-flex gap-1"
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
        {trouble && (
          <p role="alert" className="trouble">
            {trouble}
          </p>
        )}
        {free && <FreePictures onAdded={added} />}
        <div className="tray">
          <ul aria-label="Pictures">
            {pictures?.map((p) => (
              <li key={p.media}>
                <button
                  type="button"
                  aria-pressed={p.media === chosen}
                  onClick={() => setChosen(p.media)}
                  onDoubleClick={() => onPick(p)}
                >
                  {/* eslint-disable-next-line @next/next/no-img-element -- the small size comes from our own store */}
                  <img src={`/media/${p.media}?size=small`} alt="" loading="lazy" />
                  <span>{p.description || <em className="hand">not described</em>}</span>
                </button>
              </li>
            ))}
            {pictures?.length === 0 && (
              <li className="soft p-3">
                {words ? 'No picture fits.' : 'No picture yet.'} Paste one, drop it here, or choose a file.
              </li>
            )}
          </ul>
          {picture && (
            <PictureNote
              key={picture.media}
              picture={picture}
              onPick={() => onPick(picture)}
              onChanged={() => load(words)}
            />
          )}
        </div>
      </Modal.Body>
      <Modal.Footer>
        <Button variant="quiet" onClick={onClose}>
          Close
        </Button>
      </Modal.Footer>
    </Modal>
  );
}
