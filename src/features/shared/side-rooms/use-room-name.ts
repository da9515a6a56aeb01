"use client";
import { useTranslations } from "use-intl";
import type { SideRoomItem } from "@/core/room";

/** What a side room is called; one without a name of its own by its number, in the reader's language. */
export function useRoomName(sideRooms: Readonly<Record<string, SideRoomItem>>): (room: number) => string {
  const t = useTranslations("sideRooms");
  return (room) => {
    const name = sideRooms[room]?.name;
    return name && name !== String(room) ? name : t("number", { room });
  };
}
