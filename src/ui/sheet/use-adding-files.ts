'use client';
import { useEffect, useRef, useState } from 'react';
import type { HandedFile } from '@/core/content/handed-file';
import { refusalText } from '../words/refusals';
import { useFileKeeper } from './FileKeeper';

interface Adding<F extends HandedFile> {
  files: readonly F[];
  most: number;
  /** Why a file is not one of those that are asked for; null when it is. */
  unfit?: (file: File) => string | null;
  /** The file as it stands in the answer, once it is kept. */
  made: (kept: HandedFile, file: File) => F;
  onChange: (files: F[]) => void;
}

/** Puts files into an answer: each is kept on the device as soon as it is chosen, and goes on to the server from there. */
export function useAddingFiles<F extends HandedFile>({ files, most, unfit, made, onChange }: Adding<F>) {
  const { keep } = useFileKeeper();
  const [reading, setReading] = useState<string | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const present = useRef(files);
  useEffect(() => {
    present.current = files;
  }, [files]);
  const add = async (chosen: readonly File[]): Promise<void> => {
    const troubles: string[] = [];
    for (const file of chosen) {
      const wrong = present.current.length >= most ? `no more than ${most} can be handed in` : (unfit?.(file) ?? null);
      if (wrong !== null) {
        troubles.push(`${file.name}: ${wrong}`);
        continue;
      }
      setReading(file.name);
      const kept = await keep(file);
      if (!kept.ok) troubles.push(`${file.name}: ${refusalText(kept.refusal)}`);
      else if (present.current.some(({ hash }) => hash === kept.value.hash))
        troubles.push(`${file.name} is here already.`);
      else {
        present.current = [...present.current, made(kept.value, file)];
        onChange([...present.current]);
      }
    }
    setReading(null);
    setTrouble(troubles.length > 0 ? troubles.join(' ') : null);
  };
  return { add, reading, trouble };
}
