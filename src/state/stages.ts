/** The stages of the work that have something to do; the strip in the top bar, keys 1, 2, 3, … in this order. */
export const STAGES = ['setout', 'draw', 'turn', 'merge', 'colour', 'proof'] as const;
export type Stage = (typeof STAGES)[number];

export const STAGE_NAMES: Record<Stage, string> = {
  setout: 'Set out',
  draw: 'Draw',
  turn: 'Turn',
  merge: 'Merge',
  colour: 'Colour',
  proof: 'Proof',
};
