import { describe, expect, it } from 'vitest';

import { STAGES } from './stages';
import { toolOnKey, toolsBeyond, TRAY_KEYS, TRAYS } from './tools';

describe('the tray', () => {
  it('lies on the two rows of seven keys, each tool once a stage, Select first', () => {
    for (const stage of STAGES) {
      const rows = TRAYS[stage];
      expect(rows.length).toBeLessThanOrEqual(2);
      for (const row of rows) expect(row.length).toBeLessThanOrEqual(7);
      const tools = rows.flat();
      expect(new Set(tools).size).toBe(tools.length);
      expect(tools[0]).toBe('select');
    }
  });

  it('is chosen from by the place of a key', () => {
    for (const stage of STAGES)
      TRAYS[stage].forEach((row, r) =>
        row.forEach((tool, c) => expect(toolOnKey(stage, TRAY_KEYS[r]?.[c] ?? '')).toBe(tool)),
      );
    expect(toolOnKey('turn', 'KeyA')).toBeNull();
    expect(toolOnKey('draw', 'KeyP')).toBeNull();
  });

  it('is not all that there is where things are drawn: the tools of the other stage are there too, each once', () => {
    for (const stage of ['setout', 'draw'] as const) {
      const all = [...TRAYS[stage].flat(), ...toolsBeyond(stage)];
      expect(new Set(all).size).toBe(all.length);
      const inTrays = new Set([...TRAYS.setout.flat(), ...TRAYS.draw.flat()]);
      expect(all).toEqual(expect.arrayContaining([...inTrays]));
    }
    expect([...toolsBeyond('setout'), ...TRAYS.setout.flat()].sort()).toEqual(
      [...toolsBeyond('draw'), ...TRAYS.draw.flat()].sort(),
    );
    expect(toolsBeyond('colour')).toEqual([]);
  });
});
