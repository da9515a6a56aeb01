"use client";
import type { Dispatch, RefObject, SetStateAction } from "react";
import { useEffect, useRef, useState } from "react";
import { Button, FileInput, Note } from "@/ui";

export interface CropProps {
  readonly eventId: string;
  readonly label: string;
  /** width over height of the frame */
  readonly aspect: number;
  /** pixels of the finished picture's width */
  readonly width: number;
  readonly pictureId: string | null;
  readonly onChange: (pictureId: string | null) => void;
}

const frameWidth = 300;

function CropCanvas({
  canvas,
  frame,
  setMiddle,
  zoom,
}: {
  canvas: RefObject<HTMLCanvasElement | null>;
  frame: { width: number; height: number };
  setMiddle: Dispatch<SetStateAction<{ x: number; y: number }>>;
  zoom: number;
}) {
  const grip = useRef<{ x: number; y: number } | null>(null);
  return (
    <canvas
      ref={canvas}
      style={{ width: frame.width, height: frame.height }}
      className="cursor-move touch-none border border-rule"
      role="img"
      aria-label="The picture in its frame: drag it to its place"
      onPointerDown={(event) => {
        grip.current = { x: event.clientX, y: event.clientY };
        event.currentTarget.setPointerCapture(event.pointerId);
      }}
      onPointerMove={(event) => {
        if (!grip.current) return;
        const [dx, dy] = [event.clientX - grip.current.x, event.clientY - grip.current.y];
        grip.current = { x: event.clientX, y: event.clientY };
        setMiddle((old) => ({
          x: Math.min(1, Math.max(0, old.x - dx / (frame.width * zoom))),
          y: Math.min(1, Math.max(0, old.y - dy / (frame.height * zoom))),
        }));
      }}
      onPointerUp={() => (grip.current = null)}
    />
  );
}

/** A picture chosen, moved and drawn larger in its frame here, and sent as what the frame shows. */
export function CropPicture(props: CropProps) {
  const [source, setSource] = useState<ImageBitmap | null>(null);
  const [zoom, setZoom] = useState(1);
  const [middle, setMiddle] = useState({ x: 0.5, y: 0.5 });
  const [wrong, setWrong] = useState<string | null>(null);
  const [isSending, setSending] = useState(false);
  const canvas = useRef<HTMLCanvasElement>(null);
  const frame = { width: frameWidth, height: Math.round(frameWidth / props.aspect) };

  const draw = (target: HTMLCanvasElement, width: number) => {
    if (!source) return;
    target.width = width;
    target.height = Math.round(width / props.aspect);
    const cover = Math.max(target.width / source.width, target.height / source.height) * zoom;
    const [w, h] = [source.width * cover, source.height * cover];
    const at = (whole: number, size: number, share: number) =>
      Math.min(0, Math.max(whole - size, whole / 2 - size * share));
    target.getContext("2d")?.drawImage(source, at(target.width, w, middle.x), at(target.height, h, middle.y), w, h);
  };
  useEffect(() => {
    if (canvas.current) draw(canvas.current, frame.width);
  });

  const choose = async (file: File | undefined) => {
    setWrong(null);
    if (!file) return;
    const bitmap = await createImageBitmap(file).catch(() => null);
    if (!bitmap) return setWrong("This is no picture that the browser can read. Choose JPEG, PNG or WebP.");
    setZoom(1);
    setMiddle({ x: 0.5, y: 0.5 });
    setSource(bitmap);
  };
  const send = async () => {
    const finished = document.createElement("canvas");
    draw(finished, props.width);
    setSending(true);
    const blob = await new Promise<Blob | null>((done) => finished.toBlob(done, "image/png"));
    const response =
      blob && (await fetch(`/upload/picture/${props.eventId}`, { method: "POST", body: blob }).catch(() => null));
    const answer =
      response && ((await response.json()) as { ok: true; picture: { id: string } } | { ok: false; words: string });
    setSending(false);
    if (!answer?.ok) return setWrong(answer?.words ?? "The picture did not reach the server. Try again.");
    setSource(null);
    props.onChange(answer.picture.id);
  };
  return (
    <div>
      <p className="text-label font-medium text-ink-2">{props.label}</p>
      {wrong && <Note tone="wrong">{wrong}</Note>}
      {source ? (
        <div className="mt-1 flex flex-col gap-2">
          <CropCanvas canvas={canvas} frame={frame} setMiddle={setMiddle} zoom={zoom} />
          <label className="flex items-center gap-2 text-label text-ink-2">
            Larger{" "}
            <input
              type="range"
              min={1}
              max={4}
              step={0.05}
              value={zoom}
              onChange={(event) => setZoom(Number(event.target.value))}
            />
          </label>
          <div className="flex gap-2">
            <Button weight="act" disabled={isSending} onClick={() => void send()}>
              Use this picture
            </Button>
            <Button onClick={() => setSource(null)}>Leave it</Button>
          </div>
        </div>
      ) : (
        <div className="mt-1 flex flex-wrap items-center gap-3">
          {}
          {props.pictureId && (
            <img src={`/pictures/${props.pictureId}`} alt="" className="h-12 w-auto border border-rule" />
          )}
          <FileInput
            aria-label={props.label}
            accept="image/jpeg,image/png,image/webp"
            className="w-52"
            onChange={(event) => void choose(event.target.files?.[0])}
          />
          {props.pictureId && <Button onClick={() => props.onChange(null)}>Remove</Button>}
        </div>
      )}
    </div>
  );
}
