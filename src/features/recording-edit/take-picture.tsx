"use client";
import { useState, type RefObject } from "react";
import { Button, FieldError, toast } from "@/ui";

const widest = 1280;

/** What a player shows just now, as a picture; null where nothing came yet. */
function pictureOf(video: HTMLVideoElement): Promise<Blob | null> {
  const { videoWidth, videoHeight } = video;
  if (videoWidth === 0) return Promise.resolve(null);
  const scale = Math.min(1, widest / videoWidth);
  const canvas = document.createElement("canvas");
  [canvas.width, canvas.height] = [Math.round(videoWidth * scale), Math.round(videoHeight * scale)];
  canvas.getContext("2d")!.drawImage(video, 0, 0, canvas.width, canvas.height);
  return new Promise((done) => canvas.toBlob(done, "image/png"));
}

/** The picture that stands for the recording before it plays: taken from where the player stands. */
export function TakePicture(props: { video: RefObject<HTMLVideoElement | null>; url: string; hasPicture: boolean }) {
  const [taken, setTaken] = useState(0);
  const [wrong, setWrong] = useState<string | null>(null);
  const [isSending, setSending] = useState(false);
  const take = async () => {
    setSending(true);
    const body = props.video.current && (await pictureOf(props.video.current));
    const response = body && (await fetch(props.url, { method: "PUT", body }).catch(() => null));
    const answer = (await response?.json().catch(() => null)) as { ok: boolean; words?: string } | null;
    setSending(false);
    if (!answer?.ok)
      return setWrong(answer?.words ?? "The picture was not taken. Let it play for a moment, then try again.");
    setWrong(null);
    setTaken(Date.now());
    toast("Taken.");
  };
  const isThere = props.hasPicture || taken > 0;
  return (
    <div className="mt-3 flex items-center gap-3">
      {isThere && (
        <img
          src={`${props.url}?taken=${taken}`}
          alt="The picture before it plays"
          className="aspect-video w-32 bg-ink object-contain"
        />
      )}
      <div>
        <Button disabled={isSending} onClick={() => void take()}>
          Take the title picture from here
        </Button>
        <p className="text-label text-ink-2">It stands for the recording before it plays, and in lists.</p>
        {wrong && <FieldError>{wrong}</FieldError>}
      </div>
    </div>
  );
}
