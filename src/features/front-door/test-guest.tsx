"use client";
import type { Done } from "@/contracts";
import { useState, useTransition } from "react";
import { Button, Note } from "@/ui";

/** A ticket for trying the way in as a guest would. */
export function TestGuest({ make }: { make: () => Promise<Done<string>> }) {
  const [link, setLink] = useState<string | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const [isPending, run] = useTransition();
  return (
    <section id="test-guest" className="mt-6">
      <h2 className="text-head font-semibold">Test guest</h2>
      <p className="mb-2 text-ink-2">Takes every step a guest takes and counts in no figure.</p>
      {wrong && <Note tone="wrong">{wrong}</Note>}
      {link ? (
        <p>
          <a href={link} target="_blank" rel="noreferrer" className="mono break-all">
            {link}
          </a>
        </p>
      ) : (
        <Button
          disabled={isPending}
          onClick={() =>
            run(async () => {
              const done = await make();
              if (done.ok) setLink(done.value);
              else setWrong(done.words);
            })
          }
        >
          Make a test ticket
        </Button>
      )}
    </section>
  );
}
