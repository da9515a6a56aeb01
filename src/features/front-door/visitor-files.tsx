"use client";
import type { Done } from "@/contracts";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { Button, FileInput, Note, toast } from "@/ui";

interface VisitorFile {
  readonly id: string;
  readonly name: string;
  readonly sizeBytes: number;
}

/** Files that visitors may take along; kept at once, beside the rest of the editor. */
export function VisitorFiles({
  eventId,
  files,
  remove,
  warnsOfGuests,
}: {
  eventId: string;
  files: readonly VisitorFile[];
  remove: (id: string) => Promise<Done<unknown>>;
  warnsOfGuests: boolean;
}) {
  const router = useRouter();
  const [wrong, setWrong] = useState<string | null>(null);
  const [isSending, setSending] = useState(false);
  const send = async (file: File | undefined) => {
    if (!file) return;
    setSending(true);
    setWrong(null);
    const response = await fetch(`/upload/file/${eventId}?name=${encodeURIComponent(file.name)}`, {
      method: "POST",
      body: file,
    }).catch(() => null);
    const answer = response && ((await response.json()) as { ok: true } | { ok: false; words: string });
    setSending(false);
    if (!answer?.ok) return setWrong(answer?.words ?? "The file did not reach the server. Try again.");
    toast("The file is on the page.");
    router.refresh();
  };
  return (
    <div>
      {warnsOfGuests && (
        <Note tone="attention">
          Guests from outside the organisation can come: whatever stands here leaves the house.
        </Note>
      )}
      {wrong && <Note tone="wrong">{wrong}</Note>}
      <ul>
        {files.map((file) => (
          <li key={file.id} className="flex items-center gap-3 border-t border-rule py-1.5">
            <span className="min-w-0 flex-1 truncate" dir="auto">
              {file.name}
            </span>
            <span className="mono text-ink-2">{Math.max(1, Math.round(file.sizeBytes / 1000))} kB</span>
            <Button
              onClick={() =>
                void remove(file.id).then((done) => {
                  if (!done.ok) setWrong(done.words);
                  router.refresh();
                })
              }
            >
              Remove
            </Button>
          </li>
        ))}
      </ul>
      <FileInput
        aria-label="File for visitors"
        disabled={isSending}
        className="mt-2"
        onChange={(event) => void send(event.target.files?.[0])}
      />
    </div>
  );
}
