"use client";
import { useTranslations } from "use-intl";
import type { StageView } from "@/core/room";
import { LivePicture } from "../links/live-picture";
import { screensOnPicture } from "../picture/cast";

/** Screens that others share, as they come; one's own is before one already. */
export function SharedScreens(props: {
  screens: StageView["screens"];
  streams: ReadonlyMap<string, MediaStream>;
  me: string;
}) {
  const t = useTranslations("screens");
  const others = screensOnPicture(props.screens).filter((id) => id !== props.me);
  return others.map((id) => {
    const label = t("of", { name: props.screens[id]!.name });
    const stream = props.streams.get(id);
    return (
      <figure key={id} className="bg-sheet">
        <div className="grid aspect-video place-items-center bg-black text-ink-2">
          {stream ? <LivePicture stream={stream} label={label} isWhole /> : t("coming")}
        </div>
        <figcaption className="truncate px-2 py-1 text-label" dir="auto">
          {label}
        </figcaption>
      </figure>
    );
  });
}
