"use client";
import { useRouter } from "next/navigation";
import { useTransition } from "react";
import type { Done } from "@/contracts";
import { useFileUpload } from "./use-file-upload";

/** The length of a video file, as this browser reads it. */
const durationOf = (file: File): Promise<number | null> =>
  new Promise((done) => {
    const video = document.createElement("video");
    video.preload = "metadata";
    video.onloadedmetadata = () => done(Number.isFinite(video.duration) ? video.duration : null);
    video.onerror = () => done(null);
    video.src = URL.createObjectURL(file);
  });

/** Sends a file of a recording; its length is read by this browser. */
export function useRecordingUpload(
  {
    uploadUrl,
    setDuration,
  }: { uploadUrl: string; setDuration: (id: string, seconds: number) => Promise<Done<unknown>> },
  setWrong: (words: string | null) => void,
) {
  const router = useRouter();
  const [, run] = useTransition();
  return useFileUpload<{ recordingId: string }>(uploadUrl, {
    refused: setWrong,
    done: ({ recordingId }, file) =>
      run(async () => {
        const seconds = await durationOf(file);
        if (seconds !== null) await setDuration(recordingId, seconds);
        router.refresh();
      }),
  });
}
