/** Beyond that a screen that plays along goes where the others are; within it it runs a little faster or slower. */
const jumpBeyondSeconds = 1.5;
const fineWithinSeconds = 0.2;
const nudge = 0.06;

export type Along = { readonly kind: "jump"; readonly to: number } | { readonly kind: "rate"; readonly rate: number };

/** How a screen stays with a recording that many watch at once. @param at where it is @param wanted where all are, in seconds */
export function alongWith(at: number, wanted: number): Along {
  const behind = wanted - at;
  if (Math.abs(behind) > jumpBeyondSeconds) return { kind: "jump", to: wanted };
  return { kind: "rate", rate: Math.abs(behind) <= fineWithinSeconds ? 1 : 1 + Math.sign(behind) * nudge };
}
