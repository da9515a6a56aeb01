"use client";
import { useLocale, useMessages, useTranslations } from "use-intl";
import type { Messages } from "@/contracts/messages";
import { sideTopicOf, type AnyView } from "@/core/room";
import { ChatComposer } from "../chat/composer";
import { LineList } from "../chat/line-list";
import { earlierOf, linesOf } from "../chat/rows";
import { chatWords } from "../chat/words";
import type { RoomLink } from "../room-link/use-room";

/** What is written in one side room: by its members, and by whoever of the team looks in. */
export function SideChat({
  room,
  number,
  me,
  zone,
}: {
  room: RoomLink<AnyView>;
  number: number;
  me: string;
  zone: string;
}) {
  const t = useTranslations("chat");
  const locale = useLocale();
  const words = chatWords((useMessages() as unknown as Messages).chat, (key, values) => t(key, values));
  const topic = sideTopicOf(number);
  return (
    <section aria-label={words.title} className="flex h-96 flex-col gap-2 bg-sheet p-3">
      <LineList
        lines={linesOf(room.logs.get(topic))}
        me={me}
        zone={zone}
        words={words}
        earlier={earlierOf(room, topic)}
      />
      <ChatComposer
        words={words}
        locale={locale}
        keptAs={`line-side-${number}`}
        targets={["side"]}
        refusal={null}
        say={(_, text) => room.send({ type: "chat.say", to: "side", withId: null, text })}
      />
    </section>
  );
}
