"use client";
import { useState, useTransition } from "react";
import type { Done } from "@/contracts";
import type { Messages } from "@/contracts/messages";
import { Button, Note } from "@/ui";

/** Asks for everything that is kept of whoever holds the ticket; it goes to their own address, never to this page. */
export function OwnFile({
  words,
  address,
  ask,
}: {
  words: Messages["ownData"];
  address: string;
  ask: () => Promise<Done<unknown>>;
}) {
  const [isAsking, setAsking] = useState(false);
  const [said, setSaid] = useState<{ isWrong: boolean; text: string } | null>(null);
  const [isPending, run] = useTransition();
  const send = () =>
    run(async () => {
      const done = await ask();
      setSaid({ isWrong: !done.ok, text: done.ok ? words.sent.replace("{address}", address) : done.words });
    });
  return (
    <div className="mt-8 border-t border-rule pt-3">
      <Button weight="plain" aria-expanded={isAsking} onClick={() => setAsking(!isAsking)}>
        {words.ask}
      </Button>
      {isAsking && (
        <div className="mt-2 border-s-4 border-rule ps-3">
          <p className="text-ink-2">{words.asks.replace("{address}", address)}</p>
          <Button className="mt-2" disabled={isPending || said?.isWrong === false} onClick={send}>
            {words.send}
          </Button>
          {said && (
            <div className="mt-2">
              <Note tone={said.isWrong ? "wrong" : "plain"}>{said.text}</Note>
            </div>
          )}
        </div>
      )}
    </div>
  );
}
