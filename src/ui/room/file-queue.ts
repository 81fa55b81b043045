import { ok, type Result, refuse } from '@/core/base/result';
import { fileSize, PIECE_BYTES } from '@/core/content/file-limits';
import type { HandedFile } from '@/core/content/handed-file';
import type { FileReceived } from '@/server/sittings/handed-files';
import { type FileProgress, hashOf } from '../sheet/FileKeeper';
import type { DeviceStore, KeptFile } from './device-store';
import { askRoom } from './room-request';

/** Long enough for a piece on a bad network. */
const PIECE_PATIENCE = 60_000;

/** The files beside the answers of one attempt on their way to the server, one after another, piece by piece. */
export class FileQueue {
  constructor(
    private readonly attempt: string,
    private readonly store: DeviceStore,
    private readonly tell: (hash: string, progress: FileProgress | null) => void,
  ) {}

  /** Keeps a file on the device; from then on an answer may name it. */
  async keep(file: File): Promise<Result<HandedFile>> {
    const { name, size } = file;
    const fits = fileSize(size);
    if (!fits.ok) return fits;
    const { attempt } = this;
    try {
      const content = await file.arrayBuffer();
      const hash = await hashOf(content);
      const kept = { attempt, hash, name: name.trim().slice(0, 200) || 'file', size };
      await this.store.putFile({ ...kept, bytes: new Blob([content]), at: Date.now() });
      this.tell(hash, { share: 0 });
      return ok(kept);
    } catch {
      // The file was moved away, or its device was taken out, before it was read.
      return refuse('file-unreadable-here');
    }
  }

  /** The hashes of the files that the server does not have as a whole yet. */
  async waiting(): Promise<string[]> {
    return (await this.store.files()).map(({ hash }) => hash);
  }

  /** Sends what waits, and says how far it came. What is refused is forgotten, and holds up nothing else. */
  async send(): Promise<'sent' | 'offline' | 'signed-out'> {
    for (const file of await this.store.files()) {
      const state = await this.sendOne(file);
      if (state !== 'sent') return state;
      await this.store.removeFile(file.hash);
    }
    return 'sent';
  }

  private async sendOne(file: KeptFile): Promise<'sent' | 'offline' | 'signed-out'> {
    const { attempt, hash, name, size, bytes, at } = file;
    for (let from = 0; from < size; ) {
      this.tell(hash, { share: from / size });
      const said = new URLSearchParams({
        name,
        size: `${size}`,
        from: `${from}`,
        age: `${Math.max(0, Date.now() - at)}`,
      });
      const body = bytes.slice(from, from + PIECE_BYTES);
      const reply = await askRoom<FileReceived>(
        `${attempt}/files/${hash}?${said}`,
        { method: 'PUT', body },
        PIECE_PATIENCE,
      );
      if (reply.state !== 'answered') return reply.state;
      if (!reply.result.ok) {
        this.tell(hash, { refusal: reply.result.refusal });
        return 'sent';
      }
      const { received } = reply.result.value;
      if (received === from) return 'offline';
      from = received;
    }
    this.tell(hash, null);
    return 'sent';
  }
}
