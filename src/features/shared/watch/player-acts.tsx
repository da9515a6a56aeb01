"use client";
import { Gauge, Maximize, PictureInPicture2, Volume2, VolumeX } from "lucide-react";
import type { RefObject } from "react";
import { useTranslations } from "use-intl";
import type { Variant } from "@/core/programme";
import { IconButton, Menu } from "@/ui";
import { wishes, type Wish } from "./use-variant";

/** What can be done with the picture: its sound, its size on the screen, and how much of the line it may take. */
export function PlayerActs(props: {
  video: RefObject<HTMLVideoElement | null>;
  sound: { isMuted: boolean; set: (isOn: boolean) => void } | null;
  hasPicture: boolean;
  /** what there is beside the whole picture; nothing: there is nothing to choose */
  lighter: readonly Variant[];
  wish: Wish;
  onWish: (wish: Wish) => void;
}) {
  const t = useTranslations("watch");
  const { video, sound, lighter } = props;
  const offered = wishes.filter((one) => one === "by-line" || one === "full" || lighter.includes(one));
  return (
    <div className="absolute end-2 top-2 flex gap-1 opacity-0 group-focus-within:opacity-100 group-hover:opacity-100 has-data-[state=open]:opacity-100 max-sm:opacity-80">
      {lighter.length > 0 && (
        <Menu
          trigger={<IconButton label={t("size")} icon={<Gauge size={18} aria-hidden />} />}
          items={offered.map((one) => ({
            label: t(`sizes.${one}`),
            isChosen: one === props.wish,
            onSelect: () => props.onWish(one),
          }))}
        />
      )}
      {sound && (
        <IconButton
          label={t(sound.isMuted ? "soundOn" : "soundOff")}
          icon={sound.isMuted ? <VolumeX size={18} aria-hidden /> : <Volume2 size={18} aria-hidden />}
          onClick={() => sound.set(sound.isMuted)}
        />
      )}
      {props.hasPicture && typeof document !== "undefined" && document.pictureInPictureEnabled && (
        <IconButton
          label={t("small")}
          icon={<PictureInPicture2 size={18} aria-hidden />}
          onClick={() => void video.current?.requestPictureInPicture().catch(() => {})}
        />
      )}
      {props.hasPicture && (
        <IconButton
          label={t("whole")}
          icon={<Maximize size={18} aria-hidden />}
          onClick={() => void video.current?.requestFullscreen().catch(() => {})}
        />
      )}
    </div>
  );
}
