"use client";
import type { Done } from "@/contracts";
import { useState, useTransition } from "react";
import type { Messages } from "@/contracts/messages";
import { Button, Note } from "@/ui";

type Act = () => Promise<Done<unknown>>;

/** Before the foyer of an event that wants the address proven: asks for the one-time link, or uses it. */
export function AddressProof({
  title,
  address,
  words,
  ask,
  confirm,
}: {
  title: string;
  address: string;
  words: Messages["foyer"];
  ask: Act;
  confirm: Act | null;
}) {
  const [isSent, setSent] = useState(false);
  const [wrong, setWrong] = useState<string | null>(null);
  const [isPending, run] = useTransition();
  const act = (what: Act, then: () => void) =>
    run(async () => {
      const done = await what();
      if (done.ok) then();
      else setWrong(done.words);
    });
  return (
    <main className="mx-auto max-w-xl px-4 py-16">
      <h1 className="text-title font-semibold">
        <bdi>{title}</bdi>
      </h1>
      <p className="mt-3 text-lead">{confirm ? words.proofReady : words.proof.replace("{address}", address)}</p>
      {isSent && <Note>{words.proofSent}</Note>}
      {wrong && <Note tone="wrong">{wrong}</Note>}
      <Button
        weight="act"
        disabled={isPending}
        className="mt-5 min-h-11 px-6"
        onClick={() => (confirm ? act(confirm, () => {}) : act(ask, () => setSent(true)))}
      >
        {confirm ? words.proofUse : words.proofAsk}
      </Button>
    </main>
  );
}
