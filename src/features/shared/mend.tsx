"use client";
import type { Done } from "@/contracts";
import { toast } from "@/ui";
import { useRouter } from "next/navigation";
import type { MendableCheck } from "@/core/readiness";
import { ActButton } from "./act-button";
import { mendedWords } from "./readiness-words";

/** What one act mended, with what its words need. */
export interface Mended {
  readonly check: MendableCheck;
  readonly facts: Readonly<Record<string, string | number>>;
}

/** Mends one finding of one date. */
export type MendAct = (dateId: string, check: MendableCheck) => Promise<Done<Mended>>;

/** The one act that mends a finding, where there is one. */
export function Mend({ act, words }: { act: () => ReturnType<MendAct>; words: string }) {
  const router = useRouter();
  return (
    <ActButton
      act={act}
      words={words}
      onDone={({ value }) => {
        toast(mendedWords(value));
        router.refresh();
      }}
    />
  );
}
