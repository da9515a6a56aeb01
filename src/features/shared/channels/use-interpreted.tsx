"use client";
import type { ReactNode } from "react";
import { useLocale, useTranslations } from "use-intl";
import { aimSeconds, soundFeed } from "@/core/programme";
import type { HouseView } from "@/core/room";
import { languageName } from "../languages";
import { ChannelSound } from "./channel-sound";
import { useFloorLevel } from "./use-floor-level";

/** What a listener of a channel hears: the interpreter's voice, and the floor as far under it as the desk has set. */
export function useInterpreted(
  view: Pick<HouseView, "channels" | "programme">,
  listensTo: string | null,
  at: { readonly occurrenceId: string; readonly ticketId: string },
): { readonly sound: ReactNode; readonly levelDb: () => number } {
  const t = useTranslations("channels");
  const locale = useLocale();
  const channel = listensTo === null ? undefined : view.channels[listensTo];
  const isOpen = channel !== undefined && channel.speaker !== null;
  // what is heard is as far behind as the player keeps; what is told of it is not
  const levelDb = useFloorLevel(isOpen, channel?.floorBelowDb ?? 0, aimSeconds * 1000);
  const isSent = listensTo !== null && view.programme[soundFeed(listensTo)] !== undefined;
  const sound = isSent && (
    <ChannelSound
      url={`/live/${at.occurrenceId}/sound/${listensTo}?as=${at.ticketId}`}
      label={t("interpreted", { language: languageName(listensTo, locale) })}
    />
  );
  return { sound, levelDb };
}
