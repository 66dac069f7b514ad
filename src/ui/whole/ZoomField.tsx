import { convertLength, type LengthUnit } from '@/core/number';
import { type View, wholeView, zoomed } from '@/state';
import { ShareField } from '@/ui/common';
import { useEditor } from '@/ui/desk';

/** How large a length is shown against what it is: 100 where the page on a screen of 96 pixels an inch is as large as on paper. */
const percentOf = ({ scale }: View, unit: LengthUnit): number => (scale / convertLength(1, unit, 'px')) * 100;

/** How near the whole is seen, as a number that can be typed. */
export function ZoomField({ view, unit }: { readonly view: View; readonly unit: LengthUnit }) {
  const editor = useEditor();
  const percent = percentOf(view, unit);
  const set = (next: number): void =>
    editor.setState((state) => {
      const middle = { x: state.sizes.whole.width / 2, y: state.sizes.whole.height / 2 };
      return {
        views: { ...state.views, whole: zoomed(wholeView(state), next / percent, middle) },
      };
    });
  return (
    <span
      title="Zoom: 100 % is true size, at 96 pixels an inch"
      className="pointer-events-auto inline-block w-[78px]"
    >
      <ShareField
        label="Zoom"
        unit="%"
        value={Number(percent.toPrecision(3))}
        least={0.1}
        most={100_000}
        step={10}
        onChange={set}
      />
    </span>
  );
}
