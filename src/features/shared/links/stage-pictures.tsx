"use client";
import { useTranslations } from "use-intl";
import { LivePicture } from "./live-picture";
import type { DeskView } from "@/core/room";

/** Somebody's picture as it comes from their own camera. */
function LiveTile({ stream, name }: { stream: MediaStream; name: string }) {
  return (
    <figure className="relative aspect-video min-w-0 flex-1 bg-black">
      <LivePicture stream={stream} label={name} />
      <figcaption className="absolute inset-x-0 bottom-0 truncate bg-black/60 px-2 text-label text-white" dir="auto">
        {name}
      </figcaption>
    </figure>
  );
}

/** The others whose cameras are open, as they come. */
export function StagePictures(props: {
  view: Pick<DeskView, "stage" | "floor">;
  streams: ReadonlyMap<string, MediaStream>;
  me: string;
}) {
  const { view, streams, me } = props;
  const t = useTranslations("watch");
  const seen = [...streams].filter(
    ([id, stream]) => id !== me && stream.getVideoTracks().length > 0 && view.stage[id]?.isCameraOpen,
  );
  if (seen.length === 0) return null;
  return (
    <section aria-label={t("others")} className="grid grid-cols-2 gap-1">
      {seen.map(([id, stream]) => (
        <LiveTile key={id} stream={stream} name={view.stage[id]?.name ?? ""} />
      ))}
    </section>
  );
}
