"use client";
import type { Done, PublicationInput } from "@/contracts";
import type { RecordingAudience } from "@/core/watching";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useEffect, useState, useTransition } from "react";
import { DayAndHour, spanText } from "@/features/shared/times";
import { Button, Confirm, FileInput, Note, TextButton } from "@/ui";
import { Publishing } from "./publishing";
import { megabytes, UploadProgress } from "./upload-progress";
import { useRecordingUpload } from "./use-recording-upload";

const lookAgainMs = 3000;

export interface RecordingLine {
  readonly id: string;
  readonly slug: string;
  readonly mediaType: "video/webm" | "video/mp4";
  readonly sizeBytes: number;
  readonly publishedFrom: number | null;
  readonly publishedUntil: number | null;
  readonly audience: RecordingAudience;
  readonly state: "waiting" | "joining" | "ready" | "failed";
  readonly durationSeconds: number | null;
}

/** What the room recorded is put together into one file first; the page looks again by itself. */
function Joining({ state, again }: { state: "waiting" | "joining" | "failed"; again: () => void }) {
  const router = useRouter();
  useEffect(() => {
    if (state === "failed") return;
    const timer = setInterval(() => router.refresh(), lookAgainMs);
    return () => clearInterval(timer);
  }, [state, router]);
  return state === "failed" ? (
    <Note tone="wrong">
      What was recorded could not be put together. Its pieces are kept; whoever runs this house finds the reason in the
      log.{" "}
      <TextButton className="text-action" onClick={again}>
        Try again
      </TextButton>
    </Note>
  ) : (
    <p role="status">The recording of the hour is being put together.</p>
  );
}

/** Into the bin, from where it comes back for a week. */
function DeleteRecording({ isPublished, remove }: { isPublished: boolean; remove: () => void }) {
  return (
    <Confirm
      trigger={<Button weight="plain">Delete</Button>}
      title="Delete the recording"
      act="Delete it"
      onConfirm={remove}
    >
      <p>
        {isPublished && "Nobody can watch it from now on. "}It can be restored from the list of recordings for a week;
        then its file is gone.
      </p>
    </Confirm>
  );
}

const forWhom = {
  everyone: "for everyone",
  link: "for whoever has its address",
  registrants: "for people who registered",
} as const;

/** Uploads a recording with progress, then publishes it from a chosen moment on. */
export function RecordingDesk(props: {
  uploadUrl: string;
  /** of the date: its hour stands beside the reader's own */
  zone: string;
  now: number;
  recordings: readonly RecordingLine[];
  publish: (id: string, input: PublicationInput) => Promise<Done<unknown>>;
  takeOff: (id: string) => Promise<Done<unknown>>;
  remove: (id: string) => Promise<Done<unknown>>;
  joinAgain: (id: string) => Promise<Done<unknown>>;
  setDuration: (id: string, seconds: number) => Promise<Done<unknown>>;
}) {
  const [wrong, setWrong] = useState<string | null>(null);
  const { progress, upload } = useRecordingUpload(props, setWrong);
  const [, run] = useTransition();
  const during = (act: () => Promise<Done<unknown>>) =>
    run(async () => {
      const done = await act();
      setWrong(done.ok ? null : done.words);
    });
  return (
    <div className="flex flex-col gap-2">
      {wrong && <Note tone="wrong">{wrong}</Note>}
      <label className="text-label text-ink-2">
        WebM or MP4
        <FileInput
          accept="video/webm,video/mp4,.webm,.mp4"
          className="ml-3 text-base text-ink"
          onChange={(event) => event.target.files?.[0] && upload(event.target.files[0])}
        />
      </label>
      {progress && <UploadProgress {...progress} />}
      <ul>
        {props.recordings.map((one) => (
          <li key={one.id} className="flex flex-wrap items-center gap-3 border-t border-rule py-2">
            {one.state === "ready" && (
              <span className="mono">
                {one.mediaType === "video/mp4" ? "MP4" : "WebM"} · {megabytes(one.sizeBytes)} MB
                {one.durationSeconds !== null && ` · ${spanText(one.durationSeconds * 1000)}`}
              </span>
            )}
            {one.state === "ready" && (
              <Link href={`/recordings/${one.id}`} prefetch={false}>
                Edit
              </Link>
            )}
            {one.state !== "ready" ? (
              <Joining state={one.state} again={() => during(() => props.joinAgain(one.id))} />
            ) : one.publishedFrom === null ? (
              <Publishing clock={props} publish={(input) => props.publish(one.id, input)} />
            ) : (
              <>
                <a href={`/on-demand/${one.slug}`}>/on-demand/{one.slug}</a>
                <span className="text-ink-2">
                  {forWhom[one.audience]}, from <DayAndHour at={one.publishedFrom} zone={props.zone} />
                  {one.publishedUntil !== null && (
                    <>
                      {" "}
                      until <DayAndHour at={one.publishedUntil} zone={props.zone} />
                    </>
                  )}
                </span>
                <Button onClick={() => during(() => props.takeOff(one.id))}>Unpublish</Button>
              </>
            )}
            {(one.state === "ready" || one.state === "failed") && (
              <DeleteRecording
                isPublished={one.publishedFrom !== null}
                remove={() => during(() => props.remove(one.id))}
              />
            )}
          </li>
        ))}
      </ul>
    </div>
  );
}
