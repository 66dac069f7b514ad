import type { ShapeId } from '@/core/figure';
import { activeRound, type Editor, type PaneId, workOf } from '@/state';
import { distance, type Point, touchingRadii } from '@/core/curve';
import type { Form } from '@/core/maker';
import { snapCurvesOf } from './snapCurves';

interface Touch {
  readonly radius: number;
  readonly what: string;
}

/** Radii at which a circle about a point would just touch what is drawn, from within or from without. */
function touchesOf(editor: Editor, centre: Point, except: string): Touch[] {
  const work = workOf(editor.getState());
  const round = activeRound({ ...editor.getState(), live: null });
  if (!round) return [];
  return snapCurvesOf(round, work)
    .filter(({ shapeIds }) => !shapeIds.includes(except))
    .flatMap(({ curve: { segment, name } }) =>
      touchingRadii(segment, centre).map((radius) => ({ radius, what: `touching ${name}` })),
    );
}

/**
 * A circle whose rim is dragged close to touching another curve, made to touch it exactly; says so in the readout. Other
 * forms come back as they are.
 */
export function touchingForm(
  editor: Editor,
  pane: PaneId,
  form: Form,
  shapeId: ShapeId,
  tolerance: number,
): Form {
  const { snapOn } = editor.getState();
  if (form.kind !== 'ellipse' || form.params.width !== form.params.height || !snapOn.has('touch'))
    return form;
  const [best] = touchesOf(editor, form.at, shapeId)
    .map((touch) => ({ ...touch, off: Math.abs(touch.radius - form.params.width / 2) }))
    .filter(({ off, radius }) => off <= tolerance && radius > 0)
    .sort((a, b) => a.off - b.off);
  if (!best) return form;
  const known = editor.getState().pointer?.snapped.point ?? form.at;
  const away = distance(known, form.at) || 1;
  const point = {
    x: form.at.x + ((known.x - form.at.x) * best.radius) / away,
    y: form.at.y + ((known.y - form.at.y) * best.radius) / away,
  };
  editor.setState({
    pointer: { pane, snapped: { point, caught: ['touch'], ring: null, what: best.what }, which: 0, of: 1 },
  });
  return { ...form, params: { width: 2 * best.radius, height: 2 * best.radius } };
}
