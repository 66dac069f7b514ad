'use client';

import {
  bendProblem,
  bentLength,
  fittingRadius,
  fittingUnits,
  MOST_SWELL,
  MOST_TWIST,
  MOST_UNITS,
  MOST_WAVES,
  stretchOf,
  withInner,
  withOuter,
  type Bend,
} from '@/core/bend/bend';
import { stripAround } from '@/core/figure/bent';
import { bendShapes, fitStrip, makeCombinedPlain, setBend, straighten } from '@/core/figure/commands';
import type { Round, Shape } from '@/core/figure/model';
import { printNumber } from '@/core/format/pathData';
import { degreesOf, turn, turnFromDegrees, type Turn } from '@/core/number/turn';
import { act, actAndSelect, shownFigure } from '@/state/editor';
import { newId } from '@/state/ids';
import { Button } from '../common/Button';
import { Segmented } from '../common/Choices';
import { CountField, LengthField, ShareField, TurnField } from '../common/NumberField';
import { Fact, Row, Section } from '../common/Panel';
import { useEditor, useEditorState } from '../editor/EditorContext';

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
  readonly groupId: string;
  readonly bend: Bend;
  readonly ids: ReadonlySet<string>;
  readonly off: boolean;
}

function BendFields({ round, groupId, bend, ids, off }: FieldsProps) {
  const editor = useEditor();
  const { unit } = useEditorState((state) => shownFigure(state).page);
  const set = (label: string, part: Partial<Bend>, key: string | null = null): void =>
    act(editor, label, (figure) => setBend(figure, round.id, groupId, part), key && `bend ${key}`);
  const refuse = (part: Partial<Bend>) => bendProblem({ ...bend, ...part });
  const { radius, height, span, units } = bend;
  const step = turn(1, round.rule.fold);
  return (
    <Section title="Bend" note="live">
      <Segmented
        label="How it is bent"
        value={bend.how}
        disabled={off}
        choices={[
          { value: 'wrap', label: 'Wrap' },
          { value: 'bow', label: 'Bow' },
        ]}
        onChange={(how) =>
          set(how === 'wrap' ? 'Wrap' : 'Bow', {
            how,
            // Half a turn and more cannot be bowed: it takes the most that can.
            ...(how === 'bow' && refuse({ how }) && { span: turn(1, 3) }),
          })
        }
      />
      <p className="text-[12px] leading-4 text-muted">
        {bend.how === 'wrap'
          ? 'What runs across points to the centre.'
          : 'Only the height follows the arc; what is upright stays upright.'}
      </p>
      <LengthField
        label="Middle radius"
        caption="Radius"
        value={radius}
        in={unit}
        disabled={off}
        refuse={(value) => refuse({ radius: value })}
        onChange={(value) => set('Bend radius', { radius: value }, 'radius')}
      />
      <LengthField
        label="Inner radius"
        caption="Inner"
        value={radius - height / 2}
        in={unit}
        disabled={off}
        refuse={(inner) => refuse(withInner(bend, inner))}
        onChange={(inner) => set('Inner radius', withInner(bend, inner), 'inner')}
      />
      <LengthField
        label="Outer radius"
        caption="Outer"
        value={radius + height / 2}
        in={unit}
        disabled={off}
        refuse={(outer) => refuse(withOuter(bend, outer))}
        onChange={(outer) => set('Outer radius', withOuter(bend, outer), 'outer')}
      />
      <LengthField
        label="Strip height"
        caption="Height"
        value={height}
        in={unit}
        disabled={off}
        refuse={(value) => refuse({ height: value })}
        onChange={(value) => set('Strip height', { height: value }, 'height')}
      />
      <TurnField
        label="Span"
        caption="Span"
        value={span}
        disabled={off}
        refuse={(value) => refuse({ span: value })}
        onChange={(value) => set('Span', { span: value }, 'span')}
      />
      <div className="flex gap-1" role="group" aria-label="Spans">
        <SpanButton
          label={`1/${round.rule.fold}`}
          title="One step: its copies meet"
          value={step}
          bend={bend}
          set={set}
        />
        {SPANS.map(({ label, turn: value }) => (
          <SpanButton key={label} label={label} title={`Span ${label}`} value={value} bend={bend} set={set} />
        ))}
      </div>
      <CountField
        label="Units"
        caption="Units"
        value={units}
        least={1}
        most={MOST_UNITS}
        disabled={off}
        onChange={(value) => set('Units', { units: value }, 'units')}
      />
      <Fact caption="Each unit">
        {printNumber(bentLength(bend) / units, 3)} {unit}, {printNumber(100 * stretchOf(bend), 2)} % long
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
      <LengthField
        label="Overlap of the ends"
        caption="Overlap"
        value={bend.overlap}
        in={unit}
        disabled={off}
        refuse={(value) => refuse({ overlap: value })}
        onChange={(value) => set('Overlap', { overlap: value }, 'overlap')}
      />
      <TurnField
        label="Middle of the strip"
        caption="Middle at"
        value={bend.middle}
        disabled={off}
        onChange={(middle) => set('Middle', { middle }, 'middle')}
      />
      <Row caption="Upper side">
        <Segmented
          label="Upper side of the strip"
          value={bend.up}
          disabled={off}
          choices={[
            { value: 'out', label: 'Outside' },
            { value: 'in', label: 'Inside' },
          ]}
          onChange={(up) => set('Upper side', { up })}
        />
      </Row>
      <Row caption="Runs">
        <Segmented
          label="Direction of the strip"
          value={bend.mirrored ? 'mirrored' : 'plain'}
          disabled={off}
          choices={[
            { value: 'plain', label: 'Clockwise' },
            { value: 'mirrored', label: 'Mirrored' },
          ]}
          onChange={(value) => set('Direction', { mirrored: value === 'mirrored' })}
        />
      </Row>
      <ShareField
        label="Swell"
        caption="Swell"
        value={bend.swell}
        least={-MOST_SWELL}
        most={MOST_SWELL}
        disabled={off}
        onChange={(swell) => set('Swell', { swell }, 'swell')}
      />
      <ShareField
        label="Taper"
        caption="Taper"
        value={bend.taper}
        least={-MOST_SWELL}
        most={1}
        disabled={off}
        onChange={(taper) => set('Taper', { taper }, 'taper')}
      />
      <LengthField
        label="Wave"
        caption="Wave"
        value={bend.wave}
        in={unit}
        disabled={off}
        refuse={(wave) => refuse({ wave })}
        onChange={(wave) => set('Wave', { wave }, 'wave')}
      />
      <CountField
        label="Waves"
        caption="Waves"
        value={bend.waves}
        least={1}
        most={MOST_WAVES}
        disabled={off}
        onChange={(waves) => set('Waves', { waves }, 'waves')}
      />
      <TurnField
        label="Twist"
        caption="Twist"
        value={turnFromDegrees(bend.twist)}
        disabled={off}
        refuse={(value) =>
          Math.abs(degreesOf(value)) > MOST_TWIST ? `A twist is ${MOST_TWIST}° at most.` : null
        }
        onChange={(value) => set('Twist', { twist: degreesOf(value) }, 'twist')}
      />
      <div className="grid grid-cols-2 gap-1.5">
        <Button
          disabled={off}
          title="Takes the box of what is drawn now as the strip’s unit"
          onClick={() =>
            act(editor, 'Fit strip', (figure, work) => fitStrip(figure, round.id, groupId, work))
          }
        >
          Fit strip
        </Button>
        <Button
          disabled={off}
          title="Lets it be straight again, as a group"
          onClick={() => act(editor, 'Straighten', (figure) => straighten(figure, round.id, groupId))}
        >
          Straighten
        </Button>
      </div>
      <Button
        disabled={off}
        title="What it is bent to, as plain paths"
        onClick={() =>
          actAndSelect(editor, 'Make plain', round.id, (figure, work) =>
            makeCombinedPlain(figure, round.id, ids, work),
          )
        }
      >
        Make plain
      </Button>
    </Section>
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
