'use client';

import { between } from '@/core/finding';
import { Radio, RadioGroup } from '@headlessui/react';
import { useEffect, useMemo, useRef, useState } from 'react';

import { evaluateWhole, type Figure, newFigure } from '@/core/figure';
import { allowed, madeFrom, onPage, type PageId, PAGES, START_POINTS, type StartPoint } from '@/core/stock';
import type { Scene } from '@/core/scene';
import { Button, CountField, LengthField, ShareField, Sheet, SmallScene } from '@/ui/common';

interface Props {
  readonly open: boolean;
  readonly onClose: () => void;
  readonly onMake: (figure: Figure) => void;
}

/** A new figure from a page and a construction whose numbers are open. */
export const StartSheet = ({ open, onClose, onMake }: Props) => (
  <Sheet title="New figure from" open={open} onClose={onClose} full>
    <StartForm onClose={onClose} onMake={onMake} />
  </Sheet>
);

const BLANK = 'blank';

const breath = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));

/** A figure worked out: the one before until the new one is there. */
function useScene(figure: Figure): Scene | null {
  const [scene, setScene] = useState<Scene | null>(null);
  useEffect(() => {
    let isGone = false;
    evaluateWhole(figure, { pause: breath, stopped: () => isGone }).then(
      (made) => {
        if (!isGone) setScene(made);
      },
      // Numbers that make nothing leave what was there.
      () => undefined,
    );
    return () => {
      isGone = true;
    };
  }, [figure]);
  return scene;
}

function Preview({ figure, id }: { readonly figure: Figure; readonly id: string }) {
  const scene = useScene(figure);
  return scene ? <SmallScene scene={scene} id={id} /> : <span className="block aspect-square" />;
}

/** A construction in the list, as it is at first. */
function PointCard({ point }: { readonly point: StartPoint }) {
  const figure = useMemo(() => madeFrom(point, {}, point.name), [point]);
  return (
    <>
      <Preview figure={figure} id={`start-${point.id}`} />
      <span className="block pt-1 text-center text-[12px]">{point.name}</span>
    </>
  );
}

const CARD_LOOK =
  'cursor-pointer rounded-ui border border-line bg-field p-1.5 hover:border-line-strong data-[checked]:border-kelp data-[checked]:bg-kelp-soft data-[checked]:font-semibold';

interface NumbersProps {
  readonly point: StartPoint;
  readonly numbers: Readonly<Record<string, number>>;
  readonly onChange: (key: string, value: number) => void;
}

const Numbers = ({ point, numbers, onChange }: NumbersProps) =>
  point.fields.map(({ key, label, least, most, as }) => {
    const value = numbers[key] ?? least;
    const shared = { label, caption: label, onChange: (next: number) => onChange(key, next) };
    if (as === 'length')
      return <LengthField key={key} {...shared} value={value} in="mm" refuse={between(label, least, most)} />;
    const Field = as === 'count' ? CountField : ShareField;
    return (
      <Field
        key={key}
        {...shared}
        value={value}
        least={least}
        most={most}
        {...(as === 'share' && { unit: '%', step: 5 })}
      />
    );
  });

function StartForm({ onClose, onMake }: Omit<Props, 'open'>) {
  const [chosen, setChosen] = useState<string>(START_POINTS[0]?.id ?? BLANK);
  const [own, setOwn] = useState<Readonly<Record<string, Readonly<Record<string, number>>>>>({});
  const [page, setPage] = useState<PageId>('square');
  const made = useRef(false);
  const point = START_POINTS.find(({ id }) => id === chosen) ?? null;
  const numbers = point ? allowed(point, own[point.id] ?? {}) : {};
  const key = JSON.stringify([chosen, numbers, page]);
  const figure = useMemo(() => {
    const plain = point ? madeFrom(point, numbers, point.name) : newFigure('Untitled figure', 'round-1');
    return onPage(plain, page);
    // The key says all that it is made of.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key]);
  const make = (): void => {
    if (made.current) return;
    made.current = true;
    onMake(figure);
  };
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_300px] gap-6 max-md:grid-cols-1">
      <RadioGroup
        value={chosen}
        onChange={setChosen}
        aria-label="What it begins with"
        className="grid max-h-[calc(100dvh-170px)] grid-cols-[repeat(auto-fill,minmax(112px,1fr))] gap-2 self-start overflow-y-auto"
      >
        <Radio value={BLANK} className={CARD_LOOK}>
          <span className="grid aspect-square place-items-center rounded-[6px] border border-dashed border-line-strong text-[12px] text-muted">
            blank page
          </span>
          <span className="block pt-1 text-center text-[12px]">Blank</span>
        </Radio>
        {START_POINTS.map((each) => (
          <Radio key={each.id} value={each.id} className={CARD_LOOK}>
            <PointCard point={each} />
          </Radio>
        ))}
      </RadioGroup>
      <div className="flex flex-col gap-3">
        <div className="overflow-hidden rounded-[10px] border border-line bg-sand p-2">
          <Preview figure={figure} id="start-now" />
        </div>
        <p className="text-[12px] leading-4 text-muted">
          {point ? point.about : 'An empty page with one round, to draw on.'}
        </p>
        {point && (
          <div className="flex flex-col gap-1.5">
            <Numbers
              point={point}
              numbers={numbers}
              onChange={(field, value) => setOwn({ ...own, [point.id]: { ...numbers, [field]: value } })}
            />
          </div>
        )}
        <label className="flex items-center gap-2">
          <span className="w-[84px] shrink-0 text-muted">Page</span>
          <select
            value={page}
            onChange={({ target }) => setPage(target.value as PageId)}
            className="h-[30px] min-w-0 flex-1 rounded-ui border border-line-strong bg-field px-2"
          >
            {PAGES.map(({ id, name, about }) => (
              <option key={id} value={id}>
                {name} · {about}
              </option>
            ))}
          </select>
        </label>
        <div className="flex justify-end gap-2 pt-1">
          <Button onClick={onClose}>Cancel</Button>
          <Button tone="main" onClick={make}>
            Make it
          </Button>
        </div>
      </div>
    </div>
  );
}
