"use client";
import { useEffect, useRef } from "react";

/** A picture as it comes, without its sound. @param isWhole nothing of it is cut: letters stand at its edges */
export function LivePicture(props: { stream: MediaStream; label?: string; isWhole?: boolean }) {
  const { stream, label } = props;
  const video = useRef<HTMLVideoElement>(null);
  useEffect(() => {
    const one = video.current;
    if (!one) return;
    one.srcObject = stream;
    void one.play().catch(() => {});
  }, [stream]);
  return (
    <video
      ref={video}
      muted
      playsInline
      aria-label={label}
      className={props.isWhole ? "size-full object-contain" : "size-full object-cover"}
    />
  );
}
