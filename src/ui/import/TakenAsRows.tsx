import type { Drawing } from '@/core/format/drawing';
import { ChoiceRow, ProgressBar } from '@/ui/common';
import { ReadRounds } from './ReadRounds';
import type { TakenAsState } from './useTakenAs';

interface Props {
  readonly drawing: Drawing;
  readonly state: TakenAsState;
}

/** Whether a drawing comes as it is drawn or as rounds, and what of its symmetry was read. */
export function TakenAsRows({ drawing, state }: Props) {
  const { as, setAs, rebuilt, share, sentence, asked, setAsked } = state;
  return (
    <div className="flex flex-col gap-2">
      <ChoiceRow
        label="Comes as"
        value={as}
        choices={[
          { value: 'drawn', label: 'It is drawn' },
          { value: 'rounds', label: 'Rounds read of it' },
        ]}
        onChange={setAs}
      />
      {share !== null && <ProgressBar label="Reading its symmetry" share={share} />}
      {as === 'rounds' && sentence !== null && (
        <p role="alert" className="text-coral-text">
          {sentence}
        </p>
      )}
      {as === 'rounds' && rebuilt && (
        <ReadRounds told={rebuilt.told} unit={drawing.unit} asked={asked} onAsk={setAsked} />
      )}
    </div>
  );
}
