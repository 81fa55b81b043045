import { type ChildProcess, execFileSync, spawn } from 'node:child_process';
import { rmSync } from 'node:fs';
import path from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';

const root = path.resolve(import.meta.dirname, '../..');
const envFor = (data: string): NodeJS.ProcessEnv => ({
  ...process.env,
  NODE_ENV: 'production',
  NEXT_TELEMETRY_DISABLED: '1',
  ZONDA_DATA: data,
});

/** The data folder that the stories copy. */
export const PREPARED = path.join(root, '.test', 'prepared');

/** The token of the session that somebody of the prepared department has. */
export const tokenOf = (userName: string): string => `session-of-${userName}`;

/** Makes a data folder anew with the demo department in it. */
export function loadDemo(data: string): void {
  rmSync(data, { recursive: true, force: true });
  execFileSync(process.execPath, ['--import', 'tsx', 'scripts/load-demo.ts'], {
    cwd: root,
    env: envFor(data),
    stdio: 'inherit',
  });
}

/** The built application on a port and a data folder of its own; can be killed and started again. */
export class Server {
  private process: ChildProcess | null = null;
  readonly base: string;
  /** The folder of its data. */
  readonly data: string;

  constructor(
    private readonly port: number,
    name: string,
    /** Settings beside the folder of its data. */
    private readonly settings: Record<string, string> = {},
  ) {
    this.base = `http://localhost:${port}`;
    this.data = path.join(root, '.test', name);
  }

  async start(): Promise<void> {
    const other = await fetch(this.base).catch(() => null);
    if (other) throw new Error(`Something else answers at ${this.base}`);
    this.process = spawn(process.execPath, ['.next/workers/serve.mjs', '--port', String(this.port)], {
      cwd: root,
      env: { ...envFor(this.data), ...this.settings },
      stdio: 'ignore',
    });
    for (let i = 0; i < 120; i++) {
      try {
        if ((await fetch(`${this.base}/api/reached`, { method: 'HEAD' })).ok) return;
      } catch {
        // Not listening yet.
      }
      await sleep(250);
    }
    throw new Error(`The server did not answer at ${this.base}`);
  }

  /** The number of the process. */
  get pid(): number | undefined {
    return this.process?.pid;
  }

  /** Ends the process at once, as a power cut would. */
  async kill(): Promise<void> {
    const running = this.process;
    if (!running) return;
    this.process = null;
    const gone = new Promise((done) => running.once('exit', done));
    running.kill('SIGKILL');
    await gone;
  }
}
