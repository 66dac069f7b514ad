import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';

import { type Figure, newFigure } from '@/core/figure';
import { OWN_HEADER, type FigureSummary, type SavedFigure } from '@/protocol';

const root = path.resolve(import.meta.dirname, '../..');

/** What the server answered: 0 where it did not. */
export interface Answer {
  readonly status: number;
  readonly text: string;
  readonly milliseconds: number;
}

/** The built application as a process of its own, with a data folder of its own, and what a program asks of it. */
export class Siege {
  private child: ChildProcess | null = null;

  constructor(
    readonly port: number,
    readonly directory = mkdtempSync(path.join(tmpdir(), 'cyclogon-siege-')),
  ) {}

  /** @param limit largest file that it may write, in blocks of 512 bytes */
  async start(limit?: number): Promise<void> {
    const serve = `exec "${process.execPath}" scripts/serve.mjs --port ${this.port}`;
    this.child = spawn('sh', ['-c', limit === undefined ? serve : `ulimit -f ${limit}; ${serve}`], {
      cwd: root,
      env: { ...process.env, CYCLOGON_DATA: this.directory },
      detached: true,
      stdio: 'ignore',
    });
    for (let k = 0; k < 600; k += 1) {
      if ((await this.ask('GET', '/api/figures?count=1')).status === 200) return;
      await pause(50);
    }
    throw new Error('The server did not start.');
  }

  /** kill -9 of the server and all that it started. */
  async kill(): Promise<void> {
    const { child } = this;
    if (!child?.pid) return;
    const ended = new Promise((done) => child.once('exit', done));
    process.kill(-child.pid, 'SIGKILL');
    await ended;
    this.child = null;
  }

  /** The memory of the server and all that it started, in megabytes; 0 where the system does not tell. */
  memory(): number {
    const group = String(this.child?.pid ?? -1);
    return readdirSync('/proc')
      .filter((name) => /^\d+$/.test(name))
      .reduce((sum, id) => {
        try {
          // After the name in brackets: state, parent, group (proc(5)).
          const fields = readFileSync(`/proc/${id}/stat`, 'utf8')
            .replace(/^.*\) /, '')
            .split(' ');
          const pages = Number(readFileSync(`/proc/${id}/statm`, 'utf8').split(' ')[1]);
          return fields[2] === group ? sum + (pages * 4096) / 1e6 : sum;
        } catch {
          return sum;
        }
      }, 0);
  }

  async end(): Promise<void> {
    await this.kill();
    rmSync(this.directory, { recursive: true, force: true });
  }

  async ask(
    method: string,
    part: string,
    body?: unknown,
    headers: Record<string, string> = {},
  ): Promise<Answer> {
    const began = performance.now();
    const raw = body instanceof Uint8Array || body instanceof ReadableStream;
    try {
      const answer = await fetch(`http://127.0.0.1:${this.port}${part}`, {
        method,
        headers: {
          ...(method !== 'GET' && { [OWN_HEADER]: '1' }),
          ...(body !== undefined && { 'content-type': raw ? 'image/svg+xml' : 'application/json' }),
          ...headers,
        },
        ...(body !== undefined && { body: raw ? (body as BodyInit) : JSON.stringify(body) }),
        ...(body instanceof ReadableStream && { duplex: 'half' }),
        signal: AbortSignal.timeout(400_000),
      });
      const text = await answer.text();
      return { status: answer.status, text, milliseconds: performance.now() - began };
    } catch (error) {
      return { status: 0, text: String(error), milliseconds: performance.now() - began };
    }
  }

  async create(figure: Figure = newFigure('Sound', 'r')): Promise<FigureSummary> {
    const { status, text } = await this.ask('POST', '/api/figures', { figure });
    if (status !== 201) throw new Error(`A figure could not be made: ${text}`);
    return JSON.parse(text) as FigureSummary;
  }

  async load(id: string): Promise<SavedFigure> {
    return JSON.parse((await this.ask('GET', `/api/figures/${id}`)).text) as SavedFigure;
  }

  /** Saves one step more, as what changed. */
  save(id: string, base: number, position: number, fold: number): Promise<Answer> {
    const patch = [{ op: 'replace', path: ['rounds', 0, 'rule', 'fold'], value: fold }];
    return this.ask('PUT', `/api/figures/${id}`, {
      base,
      step: position,
      steps: [{ position, label: 'Set fold', patch }],
    });
  }
}

export const pause = (milliseconds: number): Promise<void> =>
  new Promise((done) => setTimeout(done, milliseconds));
