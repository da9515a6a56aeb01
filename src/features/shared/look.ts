import type { CSSProperties } from "react";
import { readableLook, tintedPaper } from "@/core/front-door";

/** An event's own colour in place of the house's, made readable; on tinted paper where it is so. */
export function lookStyle(colour: string, isTinted = false): CSSProperties {
  const page = isTinted ? tintedPaper(colour) : undefined;
  const look = readableLook(colour, page);
  return {
    "--action": look.text,
    "--event-ground": look.ground,
    "--event-on-ground": look.onGround,
    ...(page ? { "--ground": page, background: page } : {}),
  } as CSSProperties;
}
