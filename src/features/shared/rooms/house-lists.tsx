"use client";
import { HouseChat } from "../chat/house-chat";
import { useState } from "react";
import { useLocale, useTranslations } from "use-intl";

import type { FoyerView, HouseView } from "@/core/room";
import { Tabs } from "@/ui";

import { FilesToTake } from "../hand-outs/files-to-take";
import { useKept } from "../use-kept";
import { Questions } from "./house-questions";
import { type RoomLink } from "../room-link/use-room";

/** What somebody opens themselves, under what is asked of them: the chat, the questions. */
export function Lists({ room, house }: { room: RoomLink<HouseView | FoyerView>; house: HouseView }) {
  const t = useTranslations("chat.tabs");
  const words = useTranslations("files");
  const locale = useLocale();
  // which list is open outlives a moment in the foyer
  const [open, setOpen] = useKept<string | null>("house-list", null);
  const [seenLines, setSeenLines] = useState(0);
  const event = house.event["it"];
  const { me } = room;
  const hasChat =
    event !== undefined && (event.chatTo !== "nobody" || (room.logs.get("chat:house")?.rows.length ?? 0) > 0);
  const lineCount = room.logs.get("chat:house")?.rows.length ?? 0;
  const questions = event?.questionsOn
    ? [{ id: "questions", label: t("questions"), content: <Questions view={house} me={me} send={room.send} /> }]
    : [];
  const chat =
    hasChat && me
      ? [
          {
            id: "chat",
            label: t("chat"),
            // what came while another list was open is counted, not shown
            ...(open === "chat" || questions.length === 0 ? {} : { count: Math.max(0, lineCount - seenLines) }),
            content: (
              <HouseChat room={room} me={me} zone={event.zone} reach={event.chatTo} mayAsk={event.questionsOn} />
            ),
          },
        ]
      : [];
  const files = Object.entries(house.files)
    .sort(([, a], [, b]) => a.position - b.position)
    .map(([id, file]) => ({ id, ...file }));
  const toTake =
    files.length > 0
      ? [
          {
            id: "files",
            label: words("title"),
            count: files.length,
            content: <FilesToTake files={files} title={words("forYou")} locale={locale} />,
          },
        ]
      : [];
  const tabs = [...questions, ...chat, ...toTake];
  if (tabs.length === 0) return null;
  const choose = (id: string) => {
    setOpen(id);
    setSeenLines(lineCount);
  };
  const chosen = tabs.find((tab) => tab.id === open) ?? tabs[0]!;
  return <Tabs label={tabs.map((tab) => tab.label).join(", ")} tabs={tabs} open={chosen.id} onOpen={choose} />;
}
