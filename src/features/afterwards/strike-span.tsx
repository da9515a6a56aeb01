"use client";
import { useTransition } from "react";
import { toast } from "sonner";
import { Button } from "@/ui";

/** Strikes an accidental rise of the curtain out of every figure, or puts it back. */
export function StrikeSpan({ isStruck, strike }: { isStruck: boolean; strike: (isStruck: boolean) => Promise<{ ok: true } | { ok: false; words: string }> }) {
  const [isPending, run] = useTransition();
  return (
    <Button
      disabled={isPending}
      onClick={() =>
        run(async () => {
          const done = await strike(!isStruck);
          if (!done.ok) toast.error(done.words);
        })
      }
    >
      {isStruck ? "Count it again" : "It was an accident: strike it out"}
    </Button>
  );
}
