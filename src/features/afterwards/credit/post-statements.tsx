"use client";
import { useRouter } from "next/navigation";
import { useEffect, useState, useTransition } from "react";
import type { Done, StatementPost } from "@/contracts";
import { Button, Note } from "@/ui";

const lookAgainMs = 2000;

/** How far a posting came, in words. */
function postWords({ state, sent, total }: StatementPost): string {
  const count = total === null ? "" : `${sent} of ${total} statements`;
  switch (state) {
    case "on-its-way":
      return `On its way${count && `: ${count}`}.`;
    case "posted":
      return `The record store took ${total === 1 ? "1 statement" : `${total} statements`}.`;
    case "waits":
      return `The record store does not answer${count && ` after ${count}`}; it is tried again.`;
    case "refused":
      return "The record store refused: its address, user name or password has to be looked at.";
    case "given-up":
      return `Given up${count && ` after ${count}`}: the record store did not answer.`;
  }
}

/** Posts a date's statements to the organisation's record store, and says how that goes. */
export function PostStatements({ post, ask }: { post: StatementPost | null; ask: () => Promise<Done<void>> }) {
  const router = useRouter();
  const [wrong, setWrong] = useState<string | null>(null);
  const [isPending, run] = useTransition();
  const isUnderWay = post?.state === "on-its-way";
  useEffect(() => {
    if (!isUnderWay) return;
    const timer = setInterval(() => router.refresh(), lookAgainMs);
    return () => clearInterval(timer);
  }, [isUnderWay, router]);
  return (
    <div className="my-3 flex flex-wrap items-center gap-3">
      <Button
        disabled={isPending || isUnderWay}
        onClick={() =>
          run(async () => {
            const done = await ask();
            setWrong(done.ok ? null : done.words);
          })
        }
      >
        {post === null ? "Post to the record store" : "Post again"}
      </Button>
      {post && (
        <span
          role="status"
          className={post.state === "refused" || post.state === "given-up" ? "text-wrong" : "text-ink-2"}
        >
          {postWords(post)}
        </span>
      )}
      {wrong && <Note tone="wrong">{wrong}</Note>}
    </div>
  );
}
