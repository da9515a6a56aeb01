"use client";
import { useEffect, useRef } from "react";
import { useMeter, type SoundLevel } from "./sound-level";
import type { Devices } from "./use-devices";

function Meter({ sound, label }: { sound: SoundLevel; label: string }) {
  return <meter min={0} max={1} value={useMeter(sound)} className="h-2 flex-1" aria-label={label} />;
}

/** One's own picture and level. A generated picture says so. */
export function OwnPicture({ devices, words }: { devices: Devices; words: { testPicture: string; level: string } }) {
  const video = useRef<HTMLVideoElement>(null);
  useEffect(() => {
    if (video.current) video.current.srcObject = devices.stream;
  }, [devices.stream]);
  return (
    <figure className="border border-rule bg-raised">
      <video
        ref={video}
        autoPlay
        muted
        playsInline
        className="aspect-video w-full object-cover"
        aria-label={words.level}
      />
      <figcaption className="flex items-center gap-2 px-2 py-1 text-label text-ink-2">
        {devices.isGenerated ? (
          words.testPicture
        ) : (
          <>
            {words.level}
            <Meter sound={devices.sound} label={words.level} />
          </>
        )}
      </figcaption>
    </figure>
  );
}
