import { vi } from 'vitest';

import { run } from '../../cli/run';

/** A call of the command line in this process: its status, and what it says on both outputs. */
export async function called(...args: string[]): Promise<{ status: number; stdout: string; stderr: string }> {
  const said: string[] = [];
  const written: string[] = [];
  const spies = [
    vi.spyOn(console, 'error').mockImplementation((text: string) => void said.push(text)),
    vi.spyOn(console, 'log').mockImplementation((text: string) => void written.push(text)),
    vi.spyOn(process.stdout, 'write').mockImplementation((text) => {
      written.push(String(text));
      return true;
    }),
  ];
  try {
    const status = await run(args);
    return { status, stdout: written.join(''), stderr: said.join('\n') };
  } finally {
    spies.forEach((spy) => spy.mockRestore());
  }
}
