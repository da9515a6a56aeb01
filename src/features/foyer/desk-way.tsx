"use client";
import { useState, useTransition } from "react";
import type { Done } from "@/contracts";
import type { Messages } from "@/contracts/messages";
import { Button, Note, buttonClass } from "@/ui";

/** The way to their desk for whoever holds a duty and came by their link. */
export function DeskWay({
  line,
  words,
  href,
  ask,
}: {
  line: string;
  words: Messages["deskWay"];
  /** null: they have no sign-in yet */
  href: string | null;
  ask: () => Promise<Done<void>>;
}) {
  const [said, setSaid] = useState<{ isWrong: boolean; text: string } | null>(null);
  const [isPending, run] = useTransition();
  return (
    <div className="flex flex-wrap items-center gap-3 border-b border-rule bg-sheet px-4 py-2">
      <p className="flex-1">{line}</p>
      {said && <Note tone={said.isWrong ? "wrong" : "plain"}>{said.text}</Note>}
      {href ? (
        <a className={buttonClass("act")} href={href}>
          {words.open}
        </a>
      ) : (
        <Button
          weight="act"
          disabled={isPending || said?.isWrong === false}
          onClick={() =>
            run(async () => {
              const done = await ask();
              setSaid({ isWrong: !done.ok, text: done.ok ? words.asked : done.words });
            })
          }
        >
          {words.ask}
        </Button>
      )}
    </div>
  );
}
