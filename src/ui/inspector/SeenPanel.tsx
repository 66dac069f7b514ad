'use client';

import { ScanSearch } from 'lucide-react';

import type { TraceOptions } from '@/core/curve';
import { type FoldSeen, SURE_SHARE } from '@/core/picture';
import { type SeenPicture, shownFigure } from '@/state';
import { Button, Fact, Row, Segmented } from '@/ui/common';
import {
  chooseSeen,
  layAverage,
  laySeen,
  readUnderlay,
  seenHere,
  traceAverage,
  useEditor,
  useEditorState,
} from '@/ui/desk';
import { useWatched } from './useWatched';

interface Props {
  readonly disabled: boolean;
  readonly trace: TraceOptions;
}

/** The symmetry of the picture that lies there: read, and what can be made of it. */
export function SeenPanel({ disabled, trace }: Props) {
  const editor = useEditor();
  const seen = useEditorState((state) => seenHere(shownFigure(state), state.seen));
  const { work, run } = useWatched();
  const busy = work && (
    <Button disabled={!work.stop} onClick={() => work.stop?.()}>
      {seen?.read ? 'Averaging' : 'Reading'}, {Math.round(100 * work.share)} % · stop
    </Button>
  );
  if (!seen)
    return (
      busy ?? (
        <Button
          title="Where the centre of what it shows is, how often that repeats, and whether it is mirrored"
          onClick={() => run((watch) => readUnderlay(editor, watch))}
        >
          <ScanSearch size={16} strokeWidth={1.7} aria-hidden /> Read its symmetry
        </Button>
      )
    );
  if (!seen.read)
    return (
      <p className="text-[12px] leading-4 text-muted" role="status">
        Nothing in the picture repeats round a point.
      </p>
    );
  return (
    <>
      <SeenFolds seen={seen} folds={seen.read.folds} />
      {busy ?? (
        <>
          <Button disabled={disabled} onClick={() => laySeen(editor)}>
            Lay it in the wedge
          </Button>
          <Button
            disabled={disabled}
            title="The mean of all copies: noise, damage and a slanting view fall away"
            onClick={() => run((watch) => layAverage(editor, watch))}
          >
            Lay the average of its copies
          </Button>
          <Button
            disabled={disabled}
            title="One wedge of the average, by the threshold below, turned and united"
            onClick={() => run((watch) => traceAverage(editor, trace, watch))}
          >
            Trace the average
          </Button>
        </>
      )}
    </>
  );
}

const percent = (share: number): string => `${Math.round(100 * Math.max(0, share))} %`;

/** The folds that were seen, of which one is chosen, with its mirror. */
function SeenFolds({ seen, folds }: { readonly seen: SeenPicture; readonly folds: readonly FoldSeen[] }) {
  const editor = useEditor();
  const { fold, mirror } = seen.chosen;
  const chosen = folds.find((each) => each.fold === fold);
  return (
    <>
      <Row caption="Repeats">
        <Segmented
          label="Repeats so many times"
          value={String(fold)}
          choices={folds.map((each) => ({ value: String(each.fold), label: `×${each.fold}` }))}
          onChange={(value) => {
            const other = folds.find((each) => String(each.fold) === value);
            if (other) chooseSeen(editor, other);
          }}
        />
      </Row>
      <Row caption="Mirror">
        <Segmented
          label="Each copy is mirrored"
          value={mirror ? 'yes' : 'no'}
          choices={[
            { value: 'no', label: 'None' },
            { value: 'yes', label: 'Mirrored' },
          ]}
          onChange={(value) => chooseSeen(editor, { fold, mirror: value === 'yes' })}
        />
      </Row>
      {chosen && (
        <>
          <Fact caption="Copies alike">
            {percent(chosen.share)}, {chosen.share >= SURE_SHARE ? 'sure' : 'likely'}
          </Fact>
          <Fact caption="Sides alike">{percent(chosen.mirrorShare)}</Fact>
        </>
      )}
    </>
  );
}
