import { type ChildProcess, execFileSync, spawn } from 'node:child_process';
import { rmSync } from 'node:fs';
import path from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';

const root = path.resolve(import.meta.dirname, '../..');

/** The built application on a port and a data folder of its own; can be killed and started again. */
export class Server {
  private process: ChildProcess | null = null;
  readonly base: string;
  /** The folder of its data. */
  readonly data: string;
  private readonly env: NodeJS.ProcessEnv;

  constructor(
    private readonly port: number,
    name: string,
  ) {
    this.base = `http://localhost:${port}`;
    this.data = path.join(root, '.test', name);
    this.env = {
      ...process.env,
      NODE_ENV: 'production',
      NEXT_TELEMETRY_DISABLED: '1',
      ZONDA_DATA: this.data,
    };
  }

  /** An empty data folder with the demo department in it. */
  loadDemo(): void {
    rmSync(this.data, { recursive: true, force: true });
    execFileSync(process.execPath, ['--import', 'tsx', 'scripts/load-demo.ts'], {
      cwd: root,
      env: this.env,
      stdio: 'inherit',
    });
  }

  async start(): Promise<void> {
    this.process = spawn(process.execPath, ['node_modules/next/dist/bin/next', 'start', '-p', String(this.port)], {
      cwd: root,
      env: this.env,
      stdio: 'ignore',
    });
    for (let i = 0; i < 120; i++) {
      try {
        if ((await fetch(`${this.base}/sign-in`)).ok) return;
      } catch {
        // Not listening yet.
      }
      await sleep(250);
    }
    throw new Error(`The server did not answer at ${this.base}`);
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
