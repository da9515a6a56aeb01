"use client";
import { useEffect, useRef } from "react";
import { useVolume } from "../watch/use-volume";

type Level = () => number;

function Voice({ stream, sinkId, levelDb }: { stream: MediaStream; sinkId: string | null; levelDb?: Level }) {
  const audio = useRef<HTMLAudioElement>(null);
  useEffect(() => {
    const one = audio.current;
    if (!one) return;
    one.srcObject = stream;
    void one.play().catch(() => {});
  }, [stream]);
  useEffect(() => {
    if (sinkId && audio.current && "setSinkId" in audio.current) void audio.current.setSinkId(sinkId).catch(() => {});
  }, [sinkId]);
  useVolume(audio, levelDb);
  return <audio ref={audio} autoPlay />;
}

/** What the others on stage say, on the chosen loudspeaker; never one's own. */
export function PeopleSound(props: {
  streams: ReadonlyMap<string, MediaStream>;
  isHeard: (id: string) => boolean;
  sinkId: string | null;
  /** how far they are lowered, 0 or less */
  levelDb?: Level;
}) {
  const { levelDb } = props;
  const heard = [...props.streams].filter(([id]) => props.isHeard(id));
  return (
    <>
      {heard.map(([id, stream]) => (
        <Voice key={id} stream={stream} sinkId={props.sinkId} {...(levelDb ? { levelDb } : {})} />
      ))}
    </>
  );
}
