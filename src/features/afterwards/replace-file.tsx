"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { Button, Confirm, FileInput, Note } from "@/ui";
import { UploadProgress } from "./upload-progress";
import { useFileUpload } from "./use-file-upload";

/** Another file in place of the recording's own. */
export function ReplaceFile({ recordingId, hasEdits }: { recordingId: string; hasEdits: boolean }) {
  const router = useRouter();
  const [wrong, setWrong] = useState<string | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const [chosen, setChosen] = useState<File | null>(null);
  const { progress, upload } = useFileUpload<{ isSameClock: boolean }>(`/upload/replacing/${recordingId}`, {
    refused: (words) => {
      setWrong(words);
      setSaid(null);
    },
    done: ({ isSameClock }) => {
      setSaid(
        isSameClock || !hasEdits
          ? "The file was replaced. Whoever opens the recording now gets the new one."
          : "The file was replaced. It has another length: cuts and chapters of the one before were dropped.",
      );
      router.refresh();
    },
  });
  return (
    <section className="mt-6 border-t border-rule pt-4" aria-labelledby="replace-title">
      <h2 id="replace-title" className="text-head font-semibold">
        Replace the file
      </h2>
      <p className="mt-1 max-w-prose text-ink-2">
        Another WebM or MP4 takes this one’s place: address, publication and figures stay. A file of the same length
        keeps cuts, chapters and slides as well; of another length they are dropped.
      </p>
      <label className="mt-2 block w-fit">
        <span className="mr-3 text-label text-ink-2">New file</span>
        <FileInput
          accept="video/webm,video/mp4,.webm,.mp4"
          disabled={progress !== null}
          onChange={(event) => setChosen(event.target.files?.[0] ?? null)}
        />
      </label>
      {chosen && !progress && (
        <Confirm
          trigger={<Button className="mt-2">Replace it</Button>}
          title="Replace the file"
          act="Replace it"
          onConfirm={() => {
            upload(chosen);
            setChosen(null);
          }}
        >
          <p dir="auto">{chosen.name} takes the place of the file that is there now, which cannot be brought back.</p>
        </Confirm>
      )}
      {progress && <UploadProgress {...progress} />}
      {said && <p role="status">{said}</p>}
      {wrong && <Note tone="wrong">{wrong}</Note>}
    </section>
  );
}
