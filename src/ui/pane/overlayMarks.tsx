import { type Point, polarOf, subtract } from '@/core/curve';
import { printNumber } from '@/core/format';
import { shownFigure } from '@/state';
import { useEditorState } from '@/ui/desk';
import type { End, GradientRun, GripBox } from '@/ui/tools';
import type { Project } from './NodeMarks';

const lineData = (a: Point, b: Point): string => `M${a.x} ${a.y}L${b.x} ${b.y}`;

interface HandlesProps {
  readonly own: GripBox | null;
  readonly name: string;
  readonly project: Project;
}

/** A box with the handles that scale and turn what is in it. */
export function BoxHandles({ own, name, project }: HandlesProps) {
  if (!own) return null;
  const corners = own.corners.map(project);
  const d = `M${corners.map(({ x, y }) => `${x} ${y}`).join('L')}Z`;
  const stalk = project(own.stalk);
  const knob = own.grips.find(({ side }) => side === null);
  const at = knob && project(knob.at);
  return (
    <g data-testid={name}>
      <path d={d} fill="none" stroke="var(--coral)" strokeDasharray="3 3" />
      {at && <path d={lineData(stalk, at)} stroke="var(--coral)" strokeDasharray="3 3" />}
      {own.grips.map(({ name: grip, at: place, side }) => {
        const { x, y } = project(place);
        const look = { fill: 'var(--field)', stroke: 'var(--coral)', strokeWidth: 1.5 };
        return side ? (
          <rect
            key={grip}
            data-handle={`box ${grip}`}
            x={x - 4}
            y={y - 4}
            width={8}
            height={8}
            rx={1.5}
            {...look}
          />
        ) : (
          <circle key={grip} data-handle="box turn" cx={x} cy={y} r={4.5} {...look} />
        );
      })}
    </g>
  );
}

/** Where keys alone draw. */
export function CrossHair({ at }: { readonly at: Point }) {
  const d = `M${at.x - 16} ${at.y}h12m8 0h12M${at.x} ${at.y - 16}v12m0 8v12`;
  return (
    <g data-testid="cross-hair" fill="none">
      <path d={d} stroke="var(--field)" strokeWidth={4} />
      <path d={d} stroke="var(--ink)" strokeWidth={1.6} />
    </g>
  );
}

/** Points that were clicked, each with the place that it goes to. */
export function PickedMarks({
  marks,
  project,
}: {
  readonly marks: readonly Point[];
  readonly project: Project;
}) {
  const at = marks.map(project);
  return (
    <g data-testid="picked" stroke="var(--coral)" strokeWidth={1.6} fill="none">
      {at.map(({ x, y }, k) =>
        k % 2 === 0 ? (
          <path key={k} d={`M${x - 6} ${y - 6}l12 12m0 -12l-12 12`} />
        ) : (
          <circle key={k} cx={x} cy={y} r={6} />
        ),
      )}
      {at.map((from, k) => {
        const to = k % 2 === 0 ? at[k + 1] : undefined;
        return to && <path key={k} d={lineData(from, to)} strokeDasharray="3 3" />;
      })}
    </g>
  );
}

/** The point that a transform is about. */
export function Pivot({ at }: { readonly at: Point }) {
  return (
    <g data-testid="pivot" stroke="var(--coral)" strokeWidth={1.6} fill="none">
      <circle cx={at.x} cy={at.y} r={6} />
      <path d={`M${at.x - 10} ${at.y}h20M${at.x} ${at.y - 10}v20`} />
    </g>
  );
}

const END_NAMES: Record<End, string> = {
  from: 'gradient start',
  to: 'gradient end',
  across: 'gradient across',
};

/** Where a gradient begins and ends, to be dragged. */
export function GradientLine({ run, project }: { readonly run: GradientRun; readonly project: Project }) {
  const { stops } = run.gradient;
  const ends = [...run.ends].map(([end, place]) => ({ end, at: project(place) }));
  const [start] = ends;
  if (!start) return null;
  // The start last, so that it lies over both lines.
  return (
    <g data-testid="gradient-line">
      {ends.slice(1).map(({ end, at }) => (
        <g key={end} strokeDasharray={end === 'across' ? '4 4' : undefined}>
          <path d={lineData(start.at, at)} stroke="var(--field)" strokeWidth={4} />
          <path d={lineData(start.at, at)} stroke="var(--ink)" strokeWidth={1.6} />
        </g>
      ))}
      {[...ends].reverse().map(({ end, at }) => (
        <g key={end}>
          <circle cx={at.x} cy={at.y} r={8} fill="var(--field)" stroke="var(--ink)" strokeWidth={1.6} />
          <circle
            data-handle={END_NAMES[end]}
            cx={at.x}
            cy={at.y}
            r={5.5}
            fill={(end === 'from' ? stops[0] : stops.at(-1))?.colour}
          />
        </g>
      ))}
    </g>
  );
}

/** The line that was measured, and its length and angle beside its middle. */
export function Measured({
  from,
  to,
  project,
}: {
  readonly from: Point;
  readonly to: Point;
  readonly project: Project;
}) {
  const unit = useEditorState((state) => shownFigure(state).page.unit);
  const [a, b] = [project(from), project(to)];
  const { r, degrees } = polarOf(subtract(to, from));
  const apart = Math.abs(polarOf(to).degrees - polarOf(from).degrees);
  const words = `${printNumber(r, 3)} ${unit} at ${printNumber(degrees, 2)}°`;
  const more = `${printNumber(Math.min(apart, 360 - apart), 3)}° about the centre`;
  return (
    <g data-testid="measured">
      <line x1={a.x} y1={a.y} x2={b.x} y2={b.y} stroke="var(--ink)" strokeWidth={1.4} />
      {[a, b].map((end, k) => (
        <circle
          key={k}
          cx={end.x}
          cy={end.y}
          r={3}
          fill="var(--field)"
          stroke="var(--ink)"
          strokeWidth={1.4}
        />
      ))}
      <text
        className="fill-ink font-mono text-[12px]"
        textAnchor="middle"
        stroke="var(--field)"
        strokeWidth={4}
        paintOrder="stroke"
      >
        <tspan x={(a.x + b.x) / 2} y={(a.y + b.y) / 2 - 20}>
          {words}
        </tspan>
        <tspan x={(a.x + b.x) / 2} dy={15}>
          {more}
        </tspan>
      </text>
    </g>
  );
}
