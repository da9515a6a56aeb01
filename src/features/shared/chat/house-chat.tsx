"use client";
import { useState } from "react";
import { useLocale, useMessages, useTranslations } from "use-intl";
import type { OwnLine } from "@/contracts";
import type { ChatReach } from "@/core/people";
import type { AnyView, ChatTarget, PersonalPart } from "@/core/room";
import type { Messages } from "@/contracts/messages";
import { Button } from "@/ui";
import type { RoomLink } from "../room-link/use-room";
import { ChatComposer } from "./composer";
import { LineList } from "./line-list";
import { earlierOf, linesOf, withOwn, type ShownLine } from "./rows";
import { chatWords } from "./words";

const sizesPx = [14, 16, 18, 22] as const;
const targetsOf: Readonly<Record<ChatReach, readonly ChatTarget[]>> = {
  nobody: [],
  desk: ["desk"],
  stage: ["stage", "desk"],
  all: ["all", "stage", "desk"],
};

/** The chat of the house, as an attendee has it: the lines, what is theirs alone, and where they write. */
export function HouseChat({
  room,
  me,
  zone,
  reach,
  mayAsk,
}: {
  room: RoomLink<AnyView>;
  me: PersonalPart;
  zone: string;
  reach: ChatReach;
  mayAsk: boolean;
}) {
  const t = useTranslations("chat");
  const locale = useLocale();
  const words = chatWords((useMessages() as unknown as Messages).chat, t as never);
  const [size, setSize] = useState(1);
  const own = (me.own["chat"] as { lines: readonly OwnLine[] } | undefined)?.lines ?? [];
  const lines = withOwn(linesOf(room.logs.get("chat:house")), own, me);
  const entry = (room.view as { chat?: Record<string, { entryNote: string | null }> } | null)?.chat?.["it"]?.entryNote;
  const hasNote = own.some((line) => line.state === "note");
  const targets: readonly ChatTarget[] = [...targetsOf[reach], ...(hasNote ? (["note"] as const) : [])];
  const acts = (line: ShownLine) =>
    line.authorId === me.ticketId && mayAsk && !line.isQuestion && line.to === "all" && !line.isHeld ? (
      <Button
        weight="plain"
        size="small"
        onClick={() => void room.send({ type: "chat.make-question", lineId: line.id })}
      >
        {words.makeQuestion}
      </Button>
    ) : null;
  return (
    <section
      aria-label={words.title}
      className="flex h-[26rem] max-h-[70vh] min-h-64 flex-col gap-2 bg-sheet p-4 lg:h-[calc(100dvh-17rem)] lg:max-h-none"
    >
      <div className="flex items-center gap-1" role="group" aria-label={words.size}>
        {entry && (
          <p dir="auto" className="flex-1 border-s-2 border-action ps-2 text-ink-2">
            {entry}
          </p>
        )}
        <span className="ms-auto flex">
          <Button
            size="small"
            weight="plain"
            aria-label={words.smaller}
            disabled={size === 0}
            onClick={() => setSize(size - 1)}
          >
            <bdi>A−</bdi>
          </Button>
          <Button
            size="small"
            weight="plain"
            aria-label={words.larger}
            disabled={size === sizesPx.length - 1}
            onClick={() => setSize(size + 1)}
          >
            <bdi>A+</bdi>
          </Button>
        </span>
      </div>
      <LineList
        lines={lines}
        me={me.ticketId}
        zone={zone}
        words={words}
        sizePx={sizesPx[size]!}
        acts={acts}
        earlier={earlierOf(room, "chat:house")}
      />
      {targets.length > 0 ? (
        <ChatComposer
          words={words}
          locale={locale}
          keptAs={`line-${me.ticketId}`}
          targets={targets}
          refusal={null}
          say={(to, text) => room.send({ type: "chat.say", to, withId: to === "note" ? me.ticketId : null, text })}
        />
      ) : (
        <p className="border-t border-rule pt-2 text-ink-2">{words.closed}</p>
      )}
    </section>
  );
}
