"use client";
import { useLocale, useMessages, useTranslations } from "use-intl";
import type { Messages } from "@/contracts/messages";
import { sideTopicOf, type AnyView } from "@/core/room";
import { Button } from "@/ui";
import { Talk } from "../chat/talk";
import { chatWords } from "../chat/words";
import type { RoomLink } from "../room-link/use-room";

/** What is written in one side room: by its members, and by whoever of the team looks in. */
export function SideChat({
  room,
  number,
  me,
  zone,
  mayRemove = false,
}: {
  room: RoomLink<AnyView>;
  number: number;
  me: string;
  zone: string;
  /** whether this person may take a line away */
  mayRemove?: boolean;
}) {
  const t = useTranslations("chat");
  const own = useTranslations("sideRooms");
  const locale = useLocale();
  const words = chatWords((useMessages() as unknown as Messages).chat, (key, values) => t(key, values));
  const remove = (lineId: string) => (
    <Button size="small" onClick={() => void room.send({ type: "chat.take-away", lineId })}>
      {own("remove")}
    </Button>
  );
  return (
    <section aria-label={words.title} className="flex min-h-0 flex-1 flex-col">
      <Talk
        {...{ room, me, zone, words, locale }}
        topic={sideTopicOf(number)}
        to="side"
        keptAs={`line-side-${number}`}
        {...(mayRemove ? { acts: (line) => remove(line.id) } : {})}
      />
    </section>
  );
}
