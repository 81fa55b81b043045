import { batchesOf, lastOfEach, placeOf, readyToTravel, type Unsent } from '@/core/sittings/unsent';
import type { Refused, Saved } from '@/server/sittings/save-answers';
import type { DeviceStore, KeptAnswer } from './device-store';
import { askRoom, type RoomReply } from './room-request';

/** What came of sending. Answers that the server refused are no longer on their way; all others are kept until they are saved. */
export interface Sent {
  state: 'sent' | 'offline' | 'signed-out';
  /** The server's word about time, if it gave one. */
  clock: Saved['clock'] | null;
  refused: RefusedAnswer[];
}

export interface RefusedAnswer {
  item: string;
  slot: string | null;
  why: Refused['why'];
}

/** The answers of one attempt on their way to the server. */
export class AnswerQueue {
  private readonly device = crypto.randomUUID();
  private seq = 0;
  /** The last change of each place that this tab kept: the next one takes its place. */
  private readonly kept = new Map<string, KeptAnswer>();

  constructor(
    private readonly attempt: string,
    private readonly store: DeviceStore,
  ) {}

  /** Keeps a change on the device; resolves when it is there. */
  async add(item: string, slot: string | null, value: unknown): Promise<void> {
    this.seq += 1;
    const answer = { attempt: this.attempt, device: this.device, seq: this.seq, item, slot, value, at: Date.now() };
    const before = this.kept.get(placeOf(answer));
    this.kept.set(placeOf(answer), answer);
    await this.store.putAnswer(answer, before ? [before] : []);
  }

  /** What could be sent now, in the order of writing: not what names a file that is on its way itself. */
  async ready(filesOnTheirWay: readonly string[]): Promise<Unsent[]> {
    return readyToTravel(lastOfEach(await this.store.answers()), filesOnTheirWay);
  }

  /** Sends what is ready; with nothing to send it asks for the clock. What is refused holds up nothing else. */
  async send(filesOnTheirWay: readonly string[], keepalive = false): Promise<Sent> {
    const batches = batchesOf(await this.ready(filesOnTheirWay));
    const line: Unsent[][] = batches.length > 0 ? batches : [[]];
    const refused: RefusedAnswer[] = [];
    let clock: Sent['clock'] = null;
    for (let batch = line.shift(); batch; batch = line.shift()) {
      const reply = await this.post(batch, keepalive);
      if (reply.state !== 'answered') return { state: reply.state, clock, refused };
      if (reply.result.ok) {
        const { saved, refused: no } = reply.result.value;
        const why = new Map(no.map((one) => [one.seq, one.why]));
        clock = reply.result.value.clock;
        for (const { seq, item, slot } of batch) {
          const reason = why.get(seq);
          if (reason) refused.push({ item, slot, why: reason });
        }
        await this.forget(batch.filter(({ seq }) => saved.includes(seq) || why.has(seq)));
      } else if (batch.length > 1) {
        // What was refused as a whole goes answer by answer, until the one is found.
        line.unshift(...batch.map((one) => [one]));
      } else {
        refused.push(...batch.map(({ item, slot }) => ({ item, slot, why: 'unfit' as const })));
        await this.forget(batch);
      }
    }
    return { state: 'sent', clock, refused };
  }

  private post(batch: readonly Unsent[], keepalive: boolean): Promise<RoomReply<Saved>> {
    const entries = batch.map(({ seq, item, slot, value, at }) => ({
      seq,
      item,
      slot,
      value,
      age: Math.max(0, Date.now() - at),
    }));
    const body = JSON.stringify({ device: batch[0]?.device ?? this.device, entries });
    const headers = { 'Content-Type': 'application/json' };
    return askRoom(this.attempt, { method: 'POST', headers, body, keepalive }, 10_000);
  }

  /** Takes from the device what needs no sending any more: these, and the older changes of the same places. */
  private async forget(done: readonly Unsent[]): Promise<void> {
    if (done.length === 0) return;
    const over = (one: KeptAnswer): boolean =>
      done.some((d) => d.device === one.device && placeOf(d) === placeOf(one) && one.seq <= d.seq);
    await this.store.removeAnswers((await this.store.answers()).filter(over));
  }
}
