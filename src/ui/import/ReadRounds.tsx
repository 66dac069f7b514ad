import type { Figure } from '@/core/figure';
import { pathData, printNumber } from '@/core/format';
import { AS_IT_IS, type MotifBy, type ToldReading } from '@/core/rebuild';
import { aboveZero } from '@/core/finding';
import { convertLength, type LengthUnit } from '@/core/number';
import { ChoiceRow, CountField, Fact, LengthField, Row } from '@/ui/common';
import { plural } from '@/ui/desk';
import type { Asked } from './useRebuilt';

/** Less than this of the lines says too little to be sure, and more than that nearly all. */
const UNSURE = 0.5;
const SURE = 0.9;

/** True where what was read is as good as all of the drawing. */
export const isSure = ({ share }: ToldReading): boolean => share >= SURE;

/** True where something was read at all. */
export const isAnything = ({ share }: ToldReading): boolean => share > 0;

const roundName = ({ fold, mirrored }: ToldReading['rounds'][number]): string =>
  fold === 1 ? 'reflected' : mirrored ? `×${fold} with axes` : `×${fold}`;

/** What goes round, each kind once: `×12, ×24 with axes`. */
function foldsOf({ rounds, central }: ToldReading): string {
  const names = [...rounds.map(roundName), ...central.map((fold) => `×${fold} in one`)];
  return [...new Set(names)].join(', ');
}

const WAYS = {
  missing: 'missing',
  paint: 'of another colour',
  moved: 'not in its place',
  form: 'of another form',
} as const;

/** What differs and how, with the most that it is off: `2 not in their place (up to 0.6 mm), 1 missing`. */
function differingOf({ differing }: ToldReading, unit: LengthUnit): string {
  const kinds = ['moved', 'form', 'paint', 'missing'] as const;
  return kinds
    .flatMap((kind) => {
      const own = differing.filter((each) => each.kind === kind);
      if (own.length === 0) return [];
      const most = Math.max(...own.map(({ by }) => by));
      const by = kind === 'moved' ? ` (up to ${printNumber(most, 2)} ${unit})` : '';
      return [`${own.length} ${WAYS[kind]}${by}`];
    })
    .join(', ');
}

/** Over the picture of a figure: copies that differ as they are, and dashed where the others would have them. */
export function DifferingMarks({ figure, told }: { readonly figure: Figure; readonly told: ToldReading }) {
  const { width, height, centre } = figure.page;
  const view = [-width / 2 - centre.x, -height / 2 - centre.y, width, height];
  const thin = Math.max(width, height) / 160;
  return (
    <svg
      viewBox={view.map((each) => printNumber(each, 4)).join(' ')}
      className="pointer-events-none absolute inset-0 size-full"
      role="img"
      aria-label={plural(told.differing.length, 'copy differs', 'copies differ')}
      fill="none"
    >
      {told.differing.map(({ now, wanted }, k) => (
        <g key={k} strokeWidth={thin}>
          <path d={pathData(wanted, 3)} stroke="#fffefb" strokeWidth={2.4 * thin} />
          <path d={pathData(wanted, 3)} stroke="#172a33" strokeDasharray={`${3 * thin} ${2 * thin}`} />
          <path d={pathData(now, 3)} stroke="#d9512c" />
        </g>
      ))}
    </svg>
  );
}

interface Props {
  readonly told: ToldReading;
  readonly unit: LengthUnit;
  readonly asked: Asked;
  readonly onAsk: (asked: Asked) => void;
}

/** What goes round, how much of all that is, and how near. */
function Facts({ told, unit }: Pick<Props, 'told' | 'unit'>) {
  if (!isAnything(told))
    return (
      <p className="text-[13px] leading-[18px] text-muted">
        Nothing in it goes round a centre, or is reflected in an axis, as near as is asked for.
      </p>
    );
  return (
    <>
      <Fact caption="Goes round">{foldsOf(told)}</Fact>
      <Fact caption="Of its lines">
        {printNumber(100 * told.share, 1)} %, to {printNumber(told.far, 4)} {unit}
      </Fact>
      {told.differing.length > 0 && <Fact caption="Differ">{differingOf(told, unit)}</Fact>}
      {told.alone > 0 && <Fact caption="Not turned">{plural(told.alone, 'shape', 'shapes')}</Fact>}
      {told.share < UNSURE && (
        <p role="alert" className="text-[13px] leading-[18px] text-coral-text">
          Less than half of it goes round: this may be chance.
        </p>
      )}
      {told.otherwise > 0 && (
        <p role="alert" className="text-[13px] leading-[18px] text-coral-text">
          {plural(told.otherwise, 'pair of shapes', 'pairs of shapes')} that may overlap will lie the other
          way round.
        </p>
      )}
    </>
  );
}

type Motif = 'median' | 'nearest' | 'one';

const motifOf = (by: MotifBy): Motif => (typeof by === 'number' ? 'one' : by);

/** What the motif is taken from. */
function MotifRows({ told, asked, onAsk }: Pick<Props, 'told' | 'asked' | 'onAsk'>) {
  const { choices } = asked;
  const most = Math.max(1, ...told.rounds.map(({ fold }) => fold));
  const set = (motif: MotifBy): void => onAsk({ ...asked, choices: { ...choices, motif } });
  return (
    <>
      <ChoiceRow
        label="Motif is"
        value={motifOf(choices.motif)}
        choices={[
          { value: 'median', label: 'Median of copies' },
          { value: 'nearest', label: 'The copy nearest it' },
          { value: 'one', label: 'One copy' },
        ]}
        onChange={(value) => set(value === 'one' ? 0 : value)}
      />
      {typeof choices.motif === 'number' && (
        <Row caption="Copy">
          <CountField
            label="Which copy"
            value={choices.motif + 1}
            least={1}
            most={most}
            onChange={(value) => set(value - 1)}
          />
        </Row>
      )}
    </>
  );
}

/** What becomes of copies that differ. */
function DifferingRows({ told, asked, onAsk }: Pick<Props, 'told' | 'asked' | 'onAsk'>) {
  const { choices } = asked;
  const kinds = new Set(told.differing.map(({ kind }) => kind));
  const isMissing = kinds.delete('missing');
  return (
    <>
      {kinds.size > 0 && (
        <ChoiceRow
          label="Differing"
          value={choices.differing}
          choices={[
            { value: 'stay', label: 'Stay as they are' },
            { value: 'follow', label: 'Follow the others' },
          ]}
          onChange={(differing) => onAsk({ ...asked, choices: { ...choices, differing } })}
        />
      )}
      {isMissing && (
        <ChoiceRow
          label="Missing"
          value={choices.missing}
          choices={[
            { value: 'stay', label: 'Stay away' },
            { value: 'follow', label: 'Are put in' },
          ]}
          onChange={(missing) => onAsk({ ...asked, choices: { ...choices, missing } })}
        />
      )}
    </>
  );
}

/** Centres that are offered beside the likeliest one. */
const MOST_CENTRES = 4;

/** About which of several centres it is read, and how near is near. */
function HowRows({ told, unit, asked, onAsk }: Props) {
  const set = (more: Asked['options']): void => onAsk({ ...asked, options: { ...asked.options, ...more } });
  return (
    <>
      {told.others.length > 0 && (
        <ChoiceRow
          label="Centre"
          value="this"
          choices={[
            { value: 'this', label: 'This one' },
            ...told.others
              .slice(0, MOST_CENTRES)
              .map(({ fold, count }, k) => ({ value: String(k), label: `×${fold} of ${count}` })),
          ]}
          onChange={(value) => {
            const other = told.others[Number(value)];
            if (other) set({ centre: other.at });
          }}
        />
      )}
      <Row caption="As near as">
        <LengthField
          label="How near copies have to be"
          value={told.within}
          in={unit}
          step={told.within / 4}
          refuse={aboveZero('How near copies have to be')}
          onChange={(value) => set({ within: convertLength(value, unit, 'px') })}
        />
      </Row>
    </>
  );
}

/** What was read of a drawing's symmetry, and what becomes of it. */
export function ReadRounds(props: Props) {
  const { told } = props;
  return (
    <div className="flex flex-col gap-2">
      <div className="flex flex-col">
        <Facts {...props} />
      </div>
      {isAnything(told) && (
        <>
          <DifferingRows {...props} />
          <MotifRows {...props} />
        </>
      )}
      <HowRows {...props} />
    </div>
  );
}

/** What is asked first: as near as the drawing's size has it, and nothing is changed. */
export const FIRST_ASKED: Asked = { options: {}, choices: AS_IT_IS };
