"use client";
import { useEffect, useState } from "react";
import { Note, TextButton } from "@/ui";

export interface Draft {
  readonly hasDraft: boolean;
  take(): void;
  forget(): void;
}

const pauseMs = 1000;

/**
 * Keeps what is typed in this browser until it is saved, and offers it again after a break.
 * @param restore gets what was kept as it was typed: half a thought need not be valid yet
 */
export function useDraft<T extends object>(
  key: string,
  values: () => T,
  isDirty: boolean,
  restore: (kept: T) => void,
): Draft {
  const [hasDraft, setHasDraft] = useState(false);
  useEffect(() => {
    // the draft lives in this browser alone: it can only be looked for once the page runs
    // eslint-disable-next-line react-hooks/set-state-in-effect
    setHasDraft(localStorage.getItem(key) !== null);
  }, [key]);
  useEffect(() => {
    if (!isDirty) return;
    const keep = () => localStorage.setItem(key, JSON.stringify(values()));
    const timer = setInterval(keep, pauseMs);
    window.addEventListener("pagehide", keep);
    return () => {
      clearInterval(timer);
      window.removeEventListener("pagehide", keep);
    };
  }, [key, isDirty, values]);
  return {
    hasDraft,
    take() {
      const kept: unknown = JSON.parse(localStorage.getItem(key) ?? "null");
      if (kept && typeof kept === "object") restore(kept as T);
      setHasDraft(false);
    },
    forget() {
      localStorage.removeItem(key);
      setHasDraft(false);
    },
  };
}

/** Offers what was typed and not saved. */
export function DraftNote({ draft }: { draft: Draft }) {
  if (!draft.hasDraft) return null;
  return (
    <Note tone="attention">
      Something typed here earlier was not saved.{" "}
      <TextButton className="underline" onClick={draft.take}>
        Bring it back
      </TextButton>{" "}
      or{" "}
      <TextButton className="underline" onClick={draft.forget}>
        let it go
      </TextButton>
      .
    </Note>
  );
}
