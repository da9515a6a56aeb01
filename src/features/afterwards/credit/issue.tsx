"use client";
import type { Done } from "@/contracts";
import { useState, useTransition } from "react";
import { Button, Confirm, Note, toast } from "@/ui";

/** Issues what was earned and has no certificate yet; asked once more, for it is kept with a trail. */
export function IssueCredit({ due, issue }: { due: number; issue: () => Promise<Done<number>> }) {
  const [wrong, setWrong] = useState<string | null>(null);
  const [isPending, run] = useTransition();
  const words = due === 1 ? "Issue 1 certificate" : `Issue ${due} certificates`;
  return (
    <>
      <Confirm
        trigger={
          <Button weight="act" disabled={due === 0 || isPending}>
            {due === 0 ? "Nothing to issue" : words}
          </Button>
        }
        title={`${words}?`}
        act={words}
        weight="act"
        onConfirm={() =>
          run(async () => {
            const done = await issue();
            setWrong(done.ok ? null : done.words);
            if (done.ok) toast(done.value === 1 ? "1 certificate issued." : `${done.value} certificates issued.`);
          })
        }
      >
        <p>Each stands on its holder’s ticket from then on, with a number. One can be corrected or withdrawn later.</p>
      </Confirm>
      {wrong && <Note tone="wrong">{wrong}</Note>}
    </>
  );
}
