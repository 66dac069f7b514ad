/**
 * From pointer to picture: a node of a 60-node motif at fold 120 is dragged in the built application, and the time from each
 * move of the pointer to the end of the frame that shows it is taken in the page (the next animation frame, and the first
 * task after it). A page that only moves one dot is the reference, in the same browser and run.
 */
import type { Page } from '@playwright/test';

import { movedForm, pathForm } from '@/core/maker';
import { addShapes, setFold } from '@/core/figure/commands';
import { type Figure, newFigure, newRound, newShape, START_PAINT } from '@/core/figure';
import { turn } from '@/core/number';
import { inBrowser, percentile, wobble } from './browser';
import { keeping } from './kept';
import { markedRuns } from '@/ui/common/turned';

/** Nodes of a wavy ring, all of 60 or every so many of them. */
function wavyNodes(step = 1) {
  const nodes = Array.from({ length: 60 }, (_, k) => {
    const angle = (2 * Math.PI * k) / 60;
    const r = 12 + 2 * Math.sin(7 * angle);
    const p = { x: r * Math.cos(angle) * 0.6, y: -50 + r * Math.sin(angle) };
    const h = { x: -Math.sin(angle) * 0.4, y: Math.cos(angle) * 0.4 };
    return {
      ...p,
      kind: 'smooth' as const,
      out: { x: p.x + h.x, y: p.y + h.y },
      in: { x: p.x - h.x, y: p.y - h.y },
    };
  });
  return nodes.filter((_, k) => k % step === 0);
}

function wave(shapes: number): Figure {
  const more = Array.from({ length: shapes }, (_, k) =>
    newShape(
      `c${k}`,
      `Circle ${k}`,
      {
        kind: 'ellipse',
        at: { x: 0, y: -4 - k * 0.1 },
        rotation: { num: 0, den: 1 },
        params: { width: 1, height: 1 },
      },
      START_PAINT,
    ),
  );
  const wavy = newShape('w', 'Wave', pathForm(wavyNodes(), true), START_PAINT);
  return setFold(addShapes(newFigure('Drag', 'r'), 'r', [...more, wavy]), 'r', 120);
}

/** Rounds of a fold whose motif is the wave, thinned to some nodes, at growing distances. */
function rounds(count: number, fold: number, nodes: number): Figure {
  const thin = pathForm(wavyNodes(60 / nodes), true);
  return {
    ...newFigure('Rounds', 'r'),
    rounds: Array.from({ length: count }, (_, k) => ({
      ...newRound(`r${k}`, `Round ${k + 1}`, fold),
      shapes: [newShape('w', 'Wave', movedForm(thin, { x: 0, y: 3 * k }), START_PAINT)],
    })),
  };
}

/**
 * A page with nothing but the two pictures of a drag, drawn as the application draws them: copies as marks of paths, and the path alone, each with
 * data that is written anew at each move. What a browser takes for it is what the application cannot go below while it draws so.
 */
async function openBare(page: Page, nodes: number, fold: number): Promise<void> {
  const copies = Array.from({ length: fold }, (_, k) => ({ turn: turn(k, fold) }));
  const marked = markedRuns(copies).map(
    ({ d }) => `<path d="${d}" fill="none" style="marker-start: url(#m); marker-mid: url(#m)"/>`,
  );
  await page.setContent(
    `<body style="margin:0;display:flex"><svg width="490" height="748" viewBox="-20 -75 40 60"><path id="q" fill="#1f8a76"/></svg>` +
      `<svg width="390" height="748" viewBox="-90 -90 180 180" stroke-width="0.2"><defs>` +
      `<marker id="m" orient="auto" markerUnits="userSpaceOnUse" overflow="visible"><path id="p" fill="#1f8a76" stroke="#14303a"/></marker>` +
      `</defs>${marked.join('')}</svg></body>`,
  );
  await page.evaluate(`(() => {
    const paths = ['p', 'q'].map((id) => document.getElementById(id));
    const nodes = ${JSON.stringify(wavyNodes(60 / nodes))};
    const place = ({ x, y }) => x + ' ' + y;
    const write = (dx, dy) => {
      const moved = nodes.map((node, k) => {
        const by = (p) => ({ x: p.x + dx, y: p.y + dy });
        return k === 5 ? { ...by(node), out: by(node.out), in: by(node.in) } : node;
      });
      const data = moved.map((node, k) => {
        const next = moved[(k + 1) % moved.length];
        return 'C' + place(node.out) + ' ' + place(next.in) + ' ' + place(next);
      });
      for (const path of paths) path.setAttribute('d', 'M' + place(moved[0]) + data.join('') + 'Z');
    };
    write(0, 0);
    window.addEventListener('pointermove', ({ clientX, clientY }) => write((clientX - 245) / 12, (clientY - 374) / 12));
  })()`);
  await page.waitForTimeout(300);
}

const BARE = [
  [60, 120],
  [20, 720],
] as const;

const SCENES: readonly (readonly [string, Figure])[] = [
  ['a node of 60, fold 120', wave(0)],
  ['a node of 60, fold 120, beside 300 other shapes', wave(300)],
  ['a node of 60, fold 12, beside 300 other shapes', setFold(wave(300), 'r', 12)],
  ['a node of 20, fold 720', rounds(1, 720, 20)],
  ['a node of 20 in one of 12 rounds of fold 24', rounds(12, 24, 20)],
];

const kept = keeping('drag');
await inBrowser(async ({ page, open, times, reference }) => {
  const unit = await reference();
  console.log(`one dot that follows the pointer: ${unit.toFixed(1)} ms from pointer to picture`);
  for (const [name, figure] of SCENES) {
    await open(figure);
    await page.getByRole('button', { name: 'Select Wave' }).click();
    await page.keyboard.press('w');
    await page.waitForTimeout(300);
    const handle = await page.locator('[data-pane=bench] [data-handle=node-5]').boundingBox();
    if (!handle) throw new Error('The node is not on the screen.');
    const drags = (
      await times('pointermove', () =>
        wobble(page, handle.x + handle.width / 2, handle.y + handle.height / 2),
      )
    ).slice(3);
    const middle = percentile(drags, 0.5);
    console.log(
      `${name}: ${middle.toFixed(1)} ms in the middle, ${percentile(drags, 0.95).toFixed(1)} ms at 95 %, ` +
        `${(middle / unit).toFixed(2)} of the reference`,
    );
    kept.add(name, middle / unit);
    // Zooming about the pointer on Whole.
    const pane = await page.locator('[data-pane=whole]').boundingBox();
    if (!pane) throw new Error('Whole is not on the screen.');
    const zooms = await times('wheel', async () => {
      await page.mouse.move(pane.x + pane.width / 2, pane.y + pane.height / 2);
      for (let k = 0; k < 40; k += 1) await page.mouse.wheel(0, k < 20 ? -20 : 20);
    });
    console.log(
      `  zooming there: ${percentile(zooms, 0.5).toFixed(1)} ms in the middle, ${percentile(zooms, 0.95).toFixed(1)} ms at 95 %`,
    );
    kept.add(`${name}, zoomed`, percentile(zooms, 0.5) / unit);
  }
  for (const [nodes, fold] of BARE) {
    await openBare(page, nodes, fold);
    const bare = percentile((await times('pointermove', () => wobble(page, 245, 374))).slice(3), 0.5);
    const name = `a node of ${nodes}, fold ${fold}, on a bare page, as marks`;
    console.log(`${name}: ${bare.toFixed(1)} ms in the middle, ${(bare / unit).toFixed(2)} of the reference`);
    kept.add(name, bare / unit);
  }
});
await kept.write();
