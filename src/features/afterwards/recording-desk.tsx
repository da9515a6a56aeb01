"use client";
import type { Done } from "@/contracts";
import { useRouter } from "next/navigation";
import { useState, useTransition } from "react";
import { DayAndHour } from "@/features/shared/times";
import { Button, Checkbox, FileInput, Input, Note } from "@/ui";

interface RecordingLine {
  readonly id: string;
  readonly slug: string;
  readonly mediaType: "video/webm" | "video/mp4";
  readonly sizeBytes: number;
  readonly publishedFrom: number | null;
}

/** The length of a video file, as this browser reads it. */
const durationOf = (file: File): Promise<number | null> =>
  new Promise((done) => {
    const video = document.createElement("video");
    video.preload = "metadata";
    video.onloadedmetadata = () => done(Number.isFinite(video.duration) ? video.duration : null);
    video.onerror = () => done(null);
    video.src = URL.createObjectURL(file);
  });

/** Uploads a recording with progress, then publishes it from a chosen moment on. */
export function RecordingDesk(props: {
  uploadUrl: string;
  /** of the date: its hour stands beside the reader's own */
  zone: string;
  recordings: readonly RecordingLine[];
  publish: (id: string, from: number | null, tellPeople: boolean) => Promise<Done<unknown>>;
  setDuration: (id: string, seconds: number) => Promise<Done<unknown>>;
}) {
  const router = useRouter();
  const [progress, setProgress] = useState<{ sent: number; total: number } | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const [from, setFrom] = useState("");
  const [tells, setTells] = useState(false);
  const [, run] = useTransition();
  const upload = (file: File) => {
    setWrong(null);
    const request = new XMLHttpRequest();
    request.open("PUT", props.uploadUrl);
    request.upload.onprogress = (event) => setProgress({ sent: event.loaded, total: event.total });
    request.onerror = () => {
      setProgress(null);
      setWrong("The upload broke off. Nothing was kept; start it again.");
    };
    request.onload = () => {
      setProgress(null);
      const answer = JSON.parse(request.responseText) as { ok: boolean; words?: string; recordingId?: string };
      if (!answer.ok) return setWrong(answer.words ?? "The upload was refused.");
      run(async () => {
        const seconds = await durationOf(file);
        if (seconds !== null && answer.recordingId) await props.setDuration(answer.recordingId, seconds);
        router.refresh();
      });
    };
    request.send(file);
  };
  const publish = (id: string, at: number | null) =>
    run(async () => {
      const done = await props.publish(id, at, tells && at !== null);
      if (!done.ok) setWrong(done.words);
    });
  const megabytes = (bytes: number) => (bytes / 1e6).toFixed(1);
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
      {progress && (
        <p role="status">
          <progress value={progress.sent} max={progress.total} className="w-64" />{" "}
          <span className="mono">
            {megabytes(progress.sent)} of {megabytes(progress.total)} MB
          </span>
        </p>
      )}
      <ul>
        {props.recordings.map((one) => (
          <li key={one.id} className="flex flex-wrap items-center gap-3 border-t border-rule py-2">
            <span className="mono">
              {one.mediaType === "video/mp4" ? "MP4" : "WebM"} · {megabytes(one.sizeBytes)} MB
            </span>
            {one.publishedFrom === null ? (
              <>
                <Input
                  type="datetime-local"
                  aria-label="Published from"
                  value={from}
                  onChange={(e) => setFrom(e.target.value)}
                  className="w-auto"
                />
                <Button
                  weight="act"
                  onClick={() => publish(one.id, from ? new Date(from).getTime() : Date.now() - 1000)}
                >
                  {from ? "Publish from then on" : "Publish now"}
                </Button>
                <label className="flex items-center gap-2">
                  <Checkbox checked={tells} onChange={(event) => setTells(event.target.checked)} /> tell everybody
                  registered by mail, once it can be watched
                </label>
              </>
            ) : (
              <>
                <a href={`/on-demand/${one.slug}`}>/on-demand/{one.slug}</a>
                <span className="text-ink-2">
                  from <DayAndHour at={one.publishedFrom} zone={props.zone} />
                </span>
                <Button onClick={() => publish(one.id, null)}>Unpublish</Button>
              </>
            )}
          </li>
        ))}
      </ul>
    </div>
  );
}
