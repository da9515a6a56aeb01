"use client";
import type { Done } from "@/contracts";
import { toast } from "@/ui";
import { useRouter } from "next/navigation";
import { ActButton } from "./act-button";

/** Mends one finding of one date. */
export type MendAct = (dateId: string, check: string) => Promise<Done<string>>;

/** The one act that mends a finding, where there is one. */
export function Mend({ act, words }: { act: () => ReturnType<MendAct>; words: string }) {
  const router = useRouter();
  return (
    <ActButton
      act={act}
      words={words}
      onDone={({ value }) => {
        toast(value);
        router.refresh();
      }}
    />
  );
}
