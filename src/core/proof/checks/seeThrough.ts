import { coloursOfPaint, isGradient, opacityOf } from '@/core/paint';
import { check, found, type ProofFinding } from '../check';
import type { Round } from '@/core/figure';
import type { Subject } from '../subject';

function reasonsOf({ scene }: Subject, round: Round): string[] {
  const layers = scene.layers.filter(({ roundId }) => roundId === round.id);
  const paints = layers.flatMap(({ items }) => items.map(({ paint }) => paint));
  const isBlended =
    (round.blend !== undefined && round.blend !== 'normal') ||
    layers.some(({ items }) => items.some(({ laid }) => laid?.blend !== undefined));
  const isFaint =
    layers.some(({ copies }) => copies.some(({ opacity = 1 }) => opacity < 1)) ||
    paints.some((paint) => coloursOfPaint(paint).some((colour) => opacityOf(colour) < 1));
  const hasRuns = paints.some(({ fill, stroke }) => isGradient(fill) || isGradient(stroke?.colour));
  return [
    ...(isBlended ? ['a blend mode'] : []),
    ...(isFaint ? ['opacity'] : []),
    ...(hasRuns ? ['a gradient'] : []),
  ];
}

/** What a tool or an ink of its own cannot do: see through, blend, run from colour to colour. */
export const seeThrough = check({
  id: 'seeThrough',
  title: 'Opacity, blends and gradients',
  group: 'Colour',
  limits: [],
  find: (subject) =>
    subject.rounds.flatMap((round): ProofFinding[] => {
      const reasons = reasonsOf(subject, round);
      if (reasons.length === 0) return [];
      return [
        found('seeThrough', {
          severity: 'error',
          title: `${round.name} has ${reasons.join(' and ')}`,
          sentence:
            'This target knows full colours only. Made full, the round looks different: look before you take it.',
          where: [{ at: { x: 0, y: 0 }, size: 0, roundId: round.id }],
          mends: [{ label: 'Make it full colours', command: 'opaque', args: [round.id] }],
        }),
      ];
    }),
});
