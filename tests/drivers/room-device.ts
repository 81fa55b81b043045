import 'fake-indexeddb/auto';
import { vi } from 'vitest';
import type { Result } from '@/core/base/result';
import { addFilePiece } from '@/server/sittings/handed-files';
import { saveAnswers } from '@/server/sittings/save-answers';
import type { TestDepartment } from './department';
import { statusOf } from '../../src/server/door/status';
import { AnswerQueue } from '../../src/ui/room/answer-queue';
import { DeviceStore } from '../../src/ui/room/device-store';
import { FileQueue } from '../../src/ui/room/file-queue';
import type { FileProgress } from '../../src/ui/sheet/FileKeeper';

/** What becomes of a request: taken and answered; lost on its way; taken, but the answer is lost; put off or spoiled by what stands between. */
export const FATES = ['arrives', 'lost', 'unheard', 'busy', 'fault', 'portal', 'stranger'] as const;
export type Fate = (typeof FATES)[number];

const INSTEAD: Partial<Record<Fate, () => Response>> = {
  busy: () => new Response('Come again.', { status: 429 }),
  fault: () => new Response('<h1>Bad gateway</h1>', { status: 502 }),
  portal: () => new Response('<h1>Sign in to the guest network</h1>', { status: 200 }),
  stranger: () => Response.json({ ok: false, refusal: { code: 'forbidden' } }, { status: 403 }),
};

/**
 * A student's device with its own store (of a real interface, in memory), before a real department on a network whose
 * weather is made. The clocks of both are the one that the test moves.
 */
export class RoomDevice {
  /** What becomes of the requests to come, one after another; after that they arrive. */
  readonly weather: Fate[] = [];
  /** Every request that was sent: its method, and what it carried. */
  readonly requests: { method: string; address: string; body: string }[] = [];
  readonly store: DeviceStore;
  readonly progress = new Map<string, FileProgress>();

  constructor(
    private readonly dept: TestDepartment,
    private readonly who: string,
    readonly attempt: string,
  ) {
    this.store = new DeviceStore(attempt);
    vi.useFakeTimers({ toFake: ['Date'], now: dept.now });
    vi.stubGlobal('fetch', (address: string, init: RequestInit) => this.fetch(address, init));
  }

  /** A page of the room on this device: a reload, or another tab. */
  page(): AnswerQueue {
    return new AnswerQueue(this.attempt, this.store);
  }

  files(): FileQueue {
    return new FileQueue(this.attempt, this.store, (hash, progress) => {
      if (progress) this.progress.set(hash, progress);
      else this.progress.delete(hash);
    });
  }

  pass(milliseconds: number): void {
    vi.setSystemTime(Date.now() + milliseconds);
    this.dept.now += milliseconds;
  }

  leave(): void {
    vi.useRealTimers();
    vi.unstubAllGlobals();
  }

  private async fetch(address: string, init: RequestInit): Promise<Response> {
    const method = init.method ?? 'GET';
    const body = init.body instanceof Blob ? new Uint8Array(await init.body.arrayBuffer()) : String(init.body);
    this.requests.push({ method, address, body: typeof body === 'string' ? body : `${body.length} bytes` });
    const fate = this.weather.shift() ?? 'arrives';
    if (fate === 'lost') throw new TypeError('Failed to fetch');
    const instead = INSTEAD[fate];
    if (instead) return instead();
    const result = await this.serve(new URL(address, 'http://room'), body);
    if (fate === 'unheard') throw new TypeError('network error');
    return Response.json(result, { status: statusOf(result) });
  }

  private serve({ pathname, searchParams }: URL, body: string | Uint8Array): Promise<Result<unknown>> {
    const ctx = this.dept.as(this.who);
    const [, , , attempt, , hash] = pathname.split('/');
    if (typeof body === 'string') return saveAnswers(ctx, { ...(JSON.parse(body) as object), attempt });
    const [size, from, age] = ['size', 'from', 'age'].map((name) => Number(searchParams.get(name)));
    return addFilePiece(ctx, { attempt, hash, name: searchParams.get('name'), size, from, age }, body);
  }
}
