import { arrange, FULL_TOLERANCE } from '/work/main/src/core/arrangement/arrange';
import { arcFromBulge, line } from '/work/main/src/core/curve/segment';
function run(req: any) { const g = arrange({ tolerance: FULL_TOLERANCE, ...req }); for (;;) { const r = g.next(); if (r.done) return r.value; } }
const circle = (x: number, y: number, r: number) => ({ closed: true, segments: [arcFromBulge({ x, y: y - r }, { x, y: y + r }, 1), arcFromBulge({ x, y: y + r }, { x, y: y - r }, 1)] });
const want = '1 4 11 24 50 80 154 220 375 444 781 952 1456 1696 2500 2466 4029 4500 6175 6820 9086 9024 12926 13988 17875 19180 24129 21480'.split(' ').map(Number);
const ngon = (n: number, mirror: boolean, turn = 0) => {
  const p = (k: number) => ({ x: 100 * Math.sin(2 * Math.PI * k / n + turn), y: -100 * Math.cos(2 * Math.PI * k / n + turn) });
  const paths = [];
  for (let k = 1; k <= (mirror ? Math.floor(n / 2) : n - 1); k++) paths.push({ path: { closed: false, segments: [line(p(0), p(k))] }, rule: 'line', member: 0 });
  return run({ fold: n, mirror, paths, members: 1 });
};
for (const mirror of [false, true]) for (let n = 3; n <= 30; n++) {
  try { const a = ngon(n, mirror); if (a.cellCount !== want[n - 3]) console.log('ngon', n, mirror, a.cellCount, want[n - 3]); } catch (e) { console.log('ngon', n, mirror, String(e)); }
}
for (const [n, w] of [[42, 97734], [60, 443460]] as const) for (const mirror of [false, true]) { const t = performance.now(); const a = ngon(n, mirror); console.log(n, mirror, a.cellCount, w, a.kindCount, a.subdivision.vertices.count, (performance.now() - t).toFixed(0) + 'ms'); }
for (const mirror of [false, true]) for (const n of [1, 2, 3, 4, 5, 6, 7, 8, 12, 15, 60, 61, 360, 720]) {
  try {
    const t = performance.now();
    const a = run({ fold: n, mirror, paths: [{ path: circle(0, -50, 50), rule: 'nonzero', member: 0 }], members: 1 });
    const w = n === 1 ? 1 : n % 2 ? n * (n + 1) / 2 : n * n / 2;
    let sum = 0; for (const k of a.cellKinds()) sum += k.area * k.size * k.depths[0];
    const copies = (mirror ? 2 * n : n);
    console.log('circles', n, mirror, a.cellCount, w, a.cellCount === w ? '' : 'BAD', a.kindCount, (sum / (copies * Math.PI * 2500) - 1).toExponential(1), (performance.now() - t).toFixed(1) + 'ms');
  } catch (e) { console.log('circles', n, mirror, e); }
}
