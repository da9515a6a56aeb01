import type { ReactNode } from "react";
import { classes } from "./classes";

/** A short message in the flow of the page: attention, wrong, or plain. */
export function Note({ tone = "plain", children }: { tone?: "plain" | "attention" | "wrong"; children: ReactNode }) {
  const look = {
    plain: "border-rule bg-sheet text-ink-2",
    attention: "border-attention bg-attention-ground text-attention",
    wrong: "border-wrong bg-sheet text-wrong",
  }[tone];
  return (
    <p role={tone === "wrong" ? "alert" : "status"} className={classes("border-s-2 px-3 py-2 text-base", look)}>
      {children}
    </p>
  );
}
