import type { CSSProperties } from "react";
import { readableLook } from "@/core/front-door";

/** An event's own colour in place of the house's, made readable. */
export function lookStyle(colour: string): CSSProperties {
  const look = readableLook(colour);
  return { "--action": look.text, "--event-ground": look.ground, "--event-on-ground": look.onGround } as CSSProperties;
}
