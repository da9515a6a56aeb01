"use client";
import { Input, Button } from "@/ui";
import { useActionState } from "react";

/** For a code that was read out: the room it belongs to. */
export function RoomCode(props: {
  action: (before: string | null, data: FormData) => Promise<string | null>;
  words: { roomCode: string; roomCodeAct: string };
}) {
  const [wrong, submit, isPending] = useActionState(props.action, null);
  return (
    <form action={submit} className="mt-6 flex flex-wrap items-end gap-2">
      <label className="flex flex-col gap-1">
        <span className="text-label text-ink-2">{props.words.roomCode}</span>
        <Input name="code" autoComplete="off" spellCheck={false} className="mono min-h-9 w-40" />
      </label>
      <Button type="submit" disabled={isPending} className="min-h-9">
        {props.words.roomCodeAct}
      </Button>
      {wrong && (
        <p role="alert" className="text-wrong">
          {wrong}
        </p>
      )}
    </form>
  );
}
