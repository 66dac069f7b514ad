'use client';

import {
  type Bend,
  bendProblem,
  bentLength,
  fittingRadius,
  fittingUnits,
  MOST_SWELL,
  MOST_UNITS,
  MOST_WAVES,
  stretchOf,
  withInner,
  withOuter,
} from '@/core/bend';
import { type Round, type Shape, stripAround, type GroupId, type RoundId } from '@/core/figure';
import { bendShapes, fitStrip, makeCombinedPlain, setBend, straighten } from '@/core/figure/commands';
import { printNumber } from '@/core/format';
import { degreesOf, turn, type Turn, turnFromDegrees } from '@/core/number';
import { act, actAndSelect, newId, shownFigure } from '@/state';
import { Button, type DescribedField, DescribedFields, Fact, Section, Segmented } from '@/ui/common';
import { useEditor, useEditorState } from '@/ui/desk';

/** Parts of a turn that a strip is often bent to, as names and turns. */
const SPANS: readonly { readonly label: string; readonly turn: Turn }[] = [
  { label: 'All', turn: turn(1) },
  { label: '½', turn: turn(1, 2) },
  { label: '⅓', turn: turn(1, 3) },
  { label: '¼', turn: turn(1, 4) },
  { label: '⅕', turn: turn(1, 5) },
];

/** What is selected as a straight strip that is bent on a ring or a part of it; or the way to make one of it. */
export function BendPanel({ round, shapes }: { readonly round: Round; readonly shapes: readonly Shape[] }) {
  const editor = useEditor();
  const ids = new Set(shapes.map(({ id }) => id));
  const strip = stripAround(round, ids);
  const off = round.locked || shapes.length === 0 || shapes.some(({ locked }) => locked);
  if (!strip)
    return (
      <Section title="Bend" note="straight">
        <p className="text-[12px] leading-4 text-muted">
          Takes what is selected as a straight strip and bends it to one step of the round. It stays straight
          to edit, in a lane of the Bench.
        </p>
        <Button
          disabled={off}
          onClick={() =>
            actAndSelect(editor, 'Bend', round.id, (figure, work) => {
              const made = bendShapes(figure, round.id, ids, newId, work);
              return made.ok ? { ok: true, value: { figure: made.value.figure, ids: [...ids] } } : made;
            })
          }
        >
          Bend
        </Button>
      </Section>
    );
  return <BendFields round={round} groupId={strip.id} bend={strip.bend} ids={ids} off={off} />;
}

interface FieldsProps {
  readonly round: Round;
  readonly groupId: GroupId;
  readonly bend: Bend;
  readonly ids: ReadonlySet<string>;
  readonly off: boolean;
}

/** How large the ring is, and how much of it is covered. */
const SIZES: readonly DescribedField<Bend>[] = [
  {
    type: 'length',
    caption: 'Radius',
    label: 'Middle radius',
    step: 'Bend radius',
    read: ({ radius }) => radius,
    write: (radius) => ({ radius }),
  },
  {
    type: 'length',
    caption: 'Inner',
    label: 'Inner radius',
    step: 'Inner radius',
    read: ({ radius, height }) => radius - height / 2,
    write: (inner, bend) => withInner(bend, inner),
  },
  {
    type: 'length',
    caption: 'Outer',
    label: 'Outer radius',
    step: 'Outer radius',
    read: ({ radius, height }) => radius + height / 2,
    write: (outer, bend) => withOuter(bend, outer),
  },
  {
    type: 'length',
    caption: 'Height',
    label: 'Strip height',
    step: 'Strip height',
    read: ({ height }) => height,
    write: (height) => ({ height }),
  },
  { type: 'turn', caption: 'Span', read: ({ span }) => span, write: (span) => ({ span }) },
];

const UNITS: readonly DescribedField<Bend>[] = [
  {
    type: 'count',
    caption: 'Units',
    least: 1,
    most: MOST_UNITS,
    read: ({ units }) => units,
    write: (units) => ({ units }),
  },
];

/** Where the strip lies on the ring, and what is done to it along the way. */
const LOOKS: readonly DescribedField<Bend>[] = [
  {
    type: 'length',
    caption: 'Overlap',
    label: 'Overlap of the ends',
    read: ({ overlap }) => overlap,
    write: (overlap) => ({ overlap }),
  },
  {
    type: 'turn',
    caption: 'Middle at',
    label: 'Middle of the strip',
    step: 'Middle',
    read: ({ middle }) => middle,
    write: (middle) => ({ middle }),
  },
  {
    type: 'choice',
    caption: 'Upper side',
    label: 'Upper side of the strip',
    choices: [
      ['out', 'Outside'],
      ['in', 'Inside'],
    ],
    read: ({ up }) => up,
    write: (up) => ({ up: up === 'in' ? 'in' : 'out' }),
  },
  {
    type: 'choice',
    caption: 'Runs',
    label: 'Direction of the strip',
    step: 'Direction',
    choices: [
      ['plain', 'Clockwise'],
      ['mirrored', 'Mirrored'],
    ],
    read: ({ mirrored }) => (mirrored ? 'mirrored' : 'plain'),
    write: (runs) => ({ mirrored: runs === 'mirrored' }),
  },
  {
    type: 'share',
    caption: 'Swell',
    least: -MOST_SWELL,
    most: MOST_SWELL,
    read: ({ swell }) => swell,
    write: (swell) => ({ swell }),
  },
  {
    type: 'share',
    caption: 'Taper',
    least: -MOST_SWELL,
    most: 1,
    read: ({ taper }) => taper,
    write: (taper) => ({ taper }),
  },
  { type: 'length', caption: 'Wave', read: ({ wave }) => wave, write: (wave) => ({ wave }) },
  {
    type: 'count',
    caption: 'Waves',
    least: 1,
    most: MOST_WAVES,
    read: ({ waves }) => waves,
    write: (waves) => ({ waves }),
  },
  {
    type: 'turn',
    caption: 'Twist',
    read: ({ twist }) => turnFromDegrees(twist),
    write: (twist) => ({ twist: degreesOf(twist) }),
  },
];

function BendFields({ round, groupId, bend, ids, off }: FieldsProps) {
  const editor = useEditor();
  const { unit } = useEditorState((state) => shownFigure(state).page);
  const set = (label: string, part: Partial<Bend>, key: string | null = null): void =>
    act(editor, label, (figure) => setBend(figure, round.id, groupId, part), key && `bend ${key}`);
  const refuse = (part: Partial<Bend>) => bendProblem({ ...bend, ...part });
  const fields = { of: bend, unit, disabled: off, refuse, onChange: set };
  return (
    <Section title="Bend" note="live">
      <WayOfBending bend={bend} off={off} set={set} />
      <DescribedFields fields={SIZES} {...fields} />
      <div className="flex gap-1" role="group" aria-label="Spans">
        <SpanButton
          label={`1/${round.rule.fold}`}
          title="One step: its copies meet"
          value={turn(1, round.rule.fold)}
          bend={bend}
          set={set}
        />
        {SPANS.map(({ label, turn: value }) => (
          <SpanButton key={label} label={label} title={`Span ${label}`} value={value} bend={bend} set={set} />
        ))}
      </div>
      <DescribedFields fields={UNITS} {...fields} />
      <Fact caption="Each unit">
        {printNumber(bentLength(bend) / bend.units, 3)} {unit}, {printNumber(100 * stretchOf(bend), 2)} % long
      </Fact>
      <div className="grid grid-cols-2 gap-1.5">
        <Button
          disabled={off}
          title="As many units as come nearest to their own proportions"
          onClick={() => set('Fit count', { units: fittingUnits(bend) })}
        >
          Fit count
        </Button>
        <Button
          disabled={off || refuse({ radius: fittingRadius(bend) }) !== null}
          title="The radius at which units keep their own proportions"
          onClick={() => set('Fit radius', { radius: fittingRadius(bend) })}
        >
          Fit radius
        </Button>
      </div>
      <DescribedFields fields={LOOKS} {...fields} />
      <StripButtons roundId={round.id} groupId={groupId} ids={ids} off={off} />
    </Section>
  );
}

interface WayProps {
  readonly bend: Bend;
  readonly off: boolean;
  readonly set: (label: string, part: Partial<Bend>) => void;
}

/** Whether all of the strip follows the ring, or its height alone. */
function WayOfBending({ bend, off, set }: WayProps) {
  /** Half a turn and more cannot be bowed: it takes the most that can. */
  const bowed = (): Partial<Bend> => ({
    how: 'bow',
    ...(bendProblem({ ...bend, how: 'bow' }) && { span: turn(1, 3) }),
  });
  return (
    <>
      <Segmented
        label="How it is bent"
        value={bend.how}
        disabled={off}
        choices={[
          { value: 'wrap', label: 'Wrap' },
          { value: 'bow', label: 'Bow' },
        ]}
        onChange={(how) => (how === 'wrap' ? set('Wrap', { how }) : set('Bow', bowed()))}
      />
      <p className="text-[12px] leading-4 text-muted">
        {bend.how === 'wrap'
          ? 'What runs across points to the centre.'
          : 'Only the height follows the arc; what is upright stays upright.'}
      </p>
    </>
  );
}

interface StripProps {
  readonly roundId: RoundId;
  readonly groupId: GroupId;
  readonly ids: ReadonlySet<string>;
  readonly off: boolean;
}

/** What becomes of a strip as a whole. */
function StripButtons({ roundId, groupId, ids, off }: StripProps) {
  const editor = useEditor();
  return (
    <>
      <div className="grid grid-cols-2 gap-1.5">
        <Button
          disabled={off}
          title="Takes the box of what is drawn now as the strip’s unit"
          onClick={() => act(editor, 'Fit strip', (figure, work) => fitStrip(figure, roundId, groupId, work))}
        >
          Fit strip
        </Button>
        <Button
          disabled={off}
          title="Lets it be straight again, as a group"
          onClick={() => act(editor, 'Straighten', (figure) => straighten(figure, roundId, groupId))}
        >
          Straighten
        </Button>
      </div>
      <Button
        disabled={off}
        title="What it is bent to, as plain paths"
        onClick={() =>
          actAndSelect(editor, 'Make plain', roundId, (figure, work) =>
            makeCombinedPlain(figure, roundId, ids, work),
          )
        }
      >
        Make plain
      </Button>
    </>
  );
}

interface SpanProps {
  readonly label: string;
  readonly title: string;
  readonly value: Turn;
  readonly bend: Bend;
  readonly set: (label: string, part: Partial<Bend>) => void;
}

/** A part of a turn by one click, exactly. */
function SpanButton({ label, title, value, bend, set }: SpanProps) {
  const isOn = bend.span.num === value.num && bend.span.den === value.den;
  return (
    <button
      type="button"
      title={title}
      aria-label={title}
      aria-pressed={isOn}
      disabled={bendProblem({ ...bend, span: value }) !== null}
      className={`h-[26px] min-w-0 flex-1 rounded-ui border px-1 text-[12px] disabled:opacity-45 ${isOn ? 'border-kelp bg-kelp-soft' : 'border-line-strong bg-field hover:border-kelp'}`}
      onClick={() => set('Span', { span: value })}
    >
      {label}
    </button>
  );
}
