"use client";
import { useEffect, useState } from "react";
import { planInput, type PlanInput } from "@/contracts";

/** Keeps what is typed in this browser until it is saved, and offers it again after a break. */
export function useDraft(key: string, values: () => PlanInput, isDirty: boolean, restore: (draft: PlanInput) => void) {
  const [hasDraft, setHasDraft] = useState(false);
  useEffect(() => {
    // the draft lives in this browser alone: it can only be looked for once the page runs
    // eslint-disable-next-line react-hooks/set-state-in-effect
    setHasDraft(localStorage.getItem(key) !== null);
  }, [key]);
  useEffect(() => {
    if (!isDirty) return;
    const timer = setInterval(() => localStorage.setItem(key, JSON.stringify(values())), 1000);
    return () => clearInterval(timer);
  }, [key, isDirty, values]);
  return {
    hasDraft,
    take() {
      // half a thought is no valid plan yet: it is brought back as it was typed
      const kept = JSON.parse(localStorage.getItem(key) ?? "null") as PlanInput | null;
      const parsed = planInput.safeParse(kept);
      if (parsed.success) restore(parsed.data);
      else if (kept && typeof kept === "object") restore({ ...values(), ...kept });
      setHasDraft(false);
    },
    forget() {
      localStorage.removeItem(key);
      setHasDraft(false);
    },
  };
}
