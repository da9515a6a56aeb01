"use client";
import { useRouter } from "next/navigation";
import { useTransition } from "react";
import { toast } from "sonner";
import { Button } from "@/ui";

/** Mends one finding of one date. */
export type MendAct = (dateId: string, check: string) => Promise<{ ok: true; value: string } | { ok: false; words: string }>;

/** The one act that mends a finding, where there is one. */
export function Mend({ act, words }: { act: () => ReturnType<MendAct>; words: string }) {
  const router = useRouter();
  const [isPending, run] = useTransition();
  return (
    <Button
      disabled={isPending}
      onClick={() =>
        run(async () => {
          const done = await act();
          if (done.ok) {
            toast(done.value);
            router.refresh();
          } else toast.error(done.words);
        })
      }
    >
      {words}
    </Button>
  );
}
