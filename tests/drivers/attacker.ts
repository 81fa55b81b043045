import { execFile } from 'node:child_process';
import { WT110 } from '../../src/demo/people';
import { begin } from './browser';
import type { Stage } from './stage';

/** Somebody with a student's account and a program in place of the browser. */
export class Attacker {
  private constructor(
    readonly base: string,
    readonly cookie: string,
    /** The address of their room. */
    readonly room: string,
  ) {}

  /** Signs in as the nth student who writes the certificate, enters the room, and goes on without a browser. */
  static async enter(stage: Stage, nth: number): Promise<Attacker> {
    const { page, context } = await stage.signIn(WT110[nth]?.userName ?? '');
    const goOn = page.getByRole('link', { name: 'Go on' });
    const beginning = page.getByRole('link', { name: 'Begin…' });
    await goOn.or(beginning).first().waitFor();
    if (await goOn.count()) await goOn.first().click();
    else await begin(beginning.first());
    await page.waitForURL(/\/room\//);
    const cookies = await context.cookies();
    const room = new URL(page.url()).pathname;
    await context.close();
    return new Attacker(stage.base, cookies.map((c) => `${c.name}=${c.value}`).join('; '), room);
  }

  /** Asks as their own pages would, unless told otherwise. */
  send(path: string, init: RequestInit & { duplex?: 'half' } = {}): Promise<Response> {
    return fetch(this.base + path, {
      redirect: 'manual',
      ...init,
      headers: { cookie: this.cookie, origin: this.base, ...(init.headers as Record<string, string> | undefined) },
    });
  }

  save(entries: unknown[], device = 'device-attack'): Promise<Response> {
    return this.send(`/api${this.room}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ device, entries }),
    });
  }

  /** How long so many saves of theirs take, one after another, in milliseconds from the shortest; from a process of its own, as anybody else's would come. */
  async pace(times: number): Promise<number[]> {
    const program = `(async () => {
      const [base, room, cookie, times] = process.argv.slice(1);
      const took = [];
      for (let i = 0; i < Number(times); i++) {
        const from = performance.now();
        const saved = await fetch(base + '/api' + room, {
          method: 'POST',
          headers: { cookie, origin: base, 'content-type': 'application/json' },
          body: JSON.stringify({ device: 'device-honest', entries: [] }),
        });
        if (saved.status !== 200) throw new Error('status ' + saved.status);
        await saved.arrayBuffer();
        took.push(performance.now() - from);
        await new Promise((done) => setTimeout(done, 60));
      }
      console.log(JSON.stringify(took.sort((a, b) => a - b)));
    })()`;
    return new Promise((done, failed) => {
      execFile(process.execPath, ['-e', program, this.base, this.room, this.cookie, String(times)], (error, out) =>
        error ? failed(error) : done(JSON.parse(out) as number[]),
      );
    });
  }
}
