import type { CurveStep } from "./house-curve";

/** A curve is drawn of so many parts; each part keeps its highest point and its last. */
const drawnParts = 1200;

/**
 * A house curve as it can be drawn: a screen has some thousand columns, a curve of ten thousand people a hundred
 * thousand steps. No peak is lost, and every part ends at its exact count; figures are computed from the whole curve.
 */
export function drawnSteps(steps: readonly CurveStep[]): readonly CurveStep[] {
  if (steps.length <= 2 * drawnParts) return steps;
  const from = steps[0]!.at;
  const partMs = Math.max(1, (steps.at(-1)!.at - from) / drawnParts);
  const partOf = (step: CurveStep) => Math.min(drawnParts - 1, Math.floor((step.at - from) / partMs));
  const out: CurveStep[] = [];
  for (let i = 0; i < steps.length;) {
    const part = partOf(steps[i]!);
    let highest = steps[i]!;
    let last = steps[i]!;
    for (; i < steps.length && partOf(steps[i]!) === part; i += 1) {
      last = steps[i]!;
      if (last.count > highest.count) highest = last;
    }
    out.push(highest);
    if (last !== highest) out.push(last);
  }
  return out;
}
