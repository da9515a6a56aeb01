"use client";
import type { HookOutcome } from "@/contracts";
import { hookWords } from "./hook-words";
import type { Done } from "@/contracts";
import { useRouter } from "next/navigation";
import { useState, useTransition } from "react";
import { Button, Confirm, Field, Input, Note } from "@/ui";

export interface BoardItem {
  readonly id: string;
  readonly name: string;
  readonly slug: string;
  readonly hookUrl: string | null;
  readonly lastHook: HookOutcome | null;
}

/** The boards of the house: pages of groups, each with its feed and, where wanted, a web hook. */
export function BoardList({
  boards,
  mayEdit,
  make,
  remove,
}: {
  boards: readonly BoardItem[];
  mayEdit: boolean;
  make: (input: { name: string; hookUrl: string }) => Promise<Done<{ slug: string; secret: string | null }>>;
  remove: (id: string) => Promise<Done<void>>;
}) {
  const router = useRouter();
  const [name, setName] = useState("");
  const [hookUrl, setHookUrl] = useState("");
  const [secret, setSecret] = useState<string | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const [isPending, run] = useTransition();
  return (
    <section aria-label="Boards">
      <h2 className="text-head font-semibold">Boards</h2>
      <p className="text-ink-2">
        Pages for groups: a course, a team. What is posted stands there, in a feed, and goes out by the web hook.
      </p>
      {wrong && <Note tone="wrong">{wrong}</Note>}
      {secret && (
        <Note tone="attention">
          The secret with which calls are signed, shown this once: <code className="mono break-all">{secret}</code>
        </Note>
      )}
      <ul className="mt-1">
        {boards.map((board) => (
          <li key={board.id} className="flex items-center gap-3 border-t border-rule py-1.5">
            <a href={`/board/${board.slug}`} className="min-w-0 flex-1 truncate">
              {board.name}
            </a>
            {board.hookUrl && <span className="text-label text-ink-2">{hookWords(board.lastHook)}</span>}
            {mayEdit && (
              <Confirm
                trigger={<Button weight="plain">Remove</Button>}
                title={`Take “${board.name}” off`}
                act="Remove"
                onConfirm={() =>
                  run(async () => {
                    const done = await remove(board.id);
                    setWrong(done.ok ? null : done.words);
                    router.refresh();
                  })
                }
              >
                <p>Its page and its feed are gone for everybody who follows them.</p>
              </Confirm>
            )}
          </li>
        ))}
      </ul>
      {mayEdit && (
        <form
          className="mt-2 grid grid-cols-[1fr_1fr_auto] items-end gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            run(async () => {
              const done = await make({ name, hookUrl });
              setWrong(done.ok ? null : done.words);
              if (!done.ok) return;
              setSecret(done.value.secret);
              setName("");
              setHookUrl("");
              router.refresh();
            });
          }}
        >
          <Field label="New board">
            {(ids) => <Input {...ids} value={name} onChange={(event) => setName(event.target.value)} />}
          </Field>
          <Field label="Web hook, if any">
            {(ids) => (
              <Input
                {...ids}
                placeholder="https://"
                value={hookUrl}
                onChange={(event) => setHookUrl(event.target.value)}
              />
            )}
          </Field>
          <Button type="submit" disabled={isPending || name.trim() === ""}>
            Make it
          </Button>
        </form>
      )}
    </section>
  );
}
