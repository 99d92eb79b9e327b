import { practice } from '../src/core/training/practice.ts';
const n = Number(process.argv[2] ?? 40);
const kinds = new Map<string, number>();
const t0 = performance.now();
let worst = 0;
for (let seed = 1; seed <= n; seed++) {
  const t = performance.now();
  const p = practice({ level: (1 + seed % 4) as 1, seed });
  worst = Math.max(worst, performance.now() - t);
  for (const f of p.faults) { kinds.set(f.kind, (kinds.get(f.kind) ?? 0) + 1);
    if ((kinds.get(f.kind) ?? 0) <= 2 && process.argv[3]) { console.log(f.kind, f.lines, '\n  ', f.lines.map(l => p.text.split('\n')[l - 1]).join(' | '), '\n   right:', f.right, '\n   says:', f.says, '\n   compare:', f.compare); }
  }
}
console.log((performance.now() - t0) / n, 'ms each', worst, [...kinds]);
