"use client";
import type { Done } from "@/contracts";
import { useState, useTransition } from "react";
import { Button, Note, Select, Textarea, toast } from "@/ui";

/** Puts a post about the event on a board. */
export function PostOnBoard({
  boards,
  text,
  post,
}: {
  boards: readonly { id: string; name: string }[];
  text: string;
  post: (input: { boardId: string; text: string }) => Promise<Done<void>>;
}) {
  const [words, setWords] = useState(text);
  const [boardId, setBoard] = useState(boards[0]?.id ?? "");
  const [wrong, setWrong] = useState<string | null>(null);
  const [isPending, run] = useTransition();
  if (boards.length === 0) return null;
  return (
    <details className="mt-6 max-w-3xl border-t border-rule pt-3">
      <summary className="cursor-pointer text-head font-semibold">Post on a board</summary>
      {wrong && <Note tone="wrong">{wrong}</Note>}
      <Textarea
        aria-label="Words of the post"
        rows={4}
        className="mt-2"
        value={words}
        onChange={(event) => setWords(event.target.value)}
        dir="auto"
      />
      <div className="mt-2 flex gap-2">
        <Select aria-label="Board" className="w-60!" value={boardId} onChange={(event) => setBoard(event.target.value)}>
          {boards.map((board) => (
            <option key={board.id} value={board.id}>
              {board.name}
            </option>
          ))}
        </Select>
        <Button
          disabled={isPending || words.trim() === ""}
          onClick={() =>
            run(async () => {
              const done = await post({ boardId, text: words });
              setWrong(done.ok ? null : done.words);
              if (done.ok) toast("It stands on the board.");
            })
          }
        >
          Post it
        </Button>
      </div>
    </details>
  );
}
