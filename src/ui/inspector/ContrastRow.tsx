import { contrastOf, contrastWords } from '@/core/paint';
import type { Colour } from '@/core/scene';

interface Props {
  readonly of: Colour | null;
  readonly on: Colour | null;
  readonly words: string;
}

/** The contrast of two colours by WCAG 2.2, and what it is enough for. */
export function ContrastRow({ of, on, words }: Props) {
  if (!of || !on) return null;
  const ratio = contrastOf(of, on);
  return (
    <div className="text-[12px] leading-4" title="By WCAG 2.2, section 1.4">
      <div className="flex justify-between gap-2">
        <span className="text-muted">{words}</span>
        <span className="font-mono">{(Math.floor(100 * ratio) / 100).toFixed(2)} : 1</span>
      </div>
      <span className="text-muted">{contrastWords(ratio)}</span>
    </div>
  );
}
