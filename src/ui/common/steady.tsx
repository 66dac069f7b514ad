import equal from 'fast-deep-equal';
import { type ComponentType, memo, useLayoutEffect, useMemo, useRef } from 'react';

type Functions = Record<string, (...given: unknown[]) => unknown>;

/**
 * A component that is drawn again only where a property changed that is no function: of functions the latest is called. So a field whose number
 * stays is left alone when the panel about it is drawn anew. It must call its functions when something is done, never to draw itself, and all
 * properties have to be data or functions.
 *
 * @example
 * const Field = steady(function Field({ shown, onChange }: { shown: string; onChange: (text: string) => void }) { … });
 * <Field shown="12" onChange={(text) => take(text)} />; // drawn once, as often as it is asked for
 */
export function steady<P extends object>(Drawn: ComponentType<P>): ComponentType<P> {
  const Kept = memo(Drawn, equal);
  return function Steady(props: P) {
    const latest = useRef(props);
    useLayoutEffect(() => {
      latest.current = props;
    });
    const names = Object.keys(props)
      .filter((name) => typeof Reflect.get(props, name) === 'function')
      .join();
    const functions = useMemo(
      (): Functions =>
        Object.fromEntries(
          (names === '' ? [] : names.split(',')).map((name) => [
            name,
            (...given) => (Reflect.get(latest.current, name) as Functions[string])(...given),
          ]),
        ),
      [names],
    );
    return <Kept {...props} {...functions} />;
  };
}
