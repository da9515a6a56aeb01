"use client";
import type { ReactNode } from "react";
import type { AnyView, ChatTarget } from "@/core/room";
import type { RoomLink } from "../room-link/use-room";
import { ChatComposer } from "./composer";
import { LineList } from "./line-list";
import { earlierOf, linesOf, type ShownLine } from "./rows";
import type { ChatWords } from "./words";

/** One feed of lines and where one writes to it. */
export function Talk(props: {
  room: RoomLink<AnyView>;
  me: string;
  zone: string;
  topic: string;
  to: ChatTarget;
  words: ChatWords;
  locale?: string;
  /** under which name a half-written line is kept */
  keptAs: string;
  acts?: (line: ShownLine) => ReactNode;
}) {
  const { room, topic, to, words } = props;
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-2">
      <LineList
        lines={linesOf(room.logs.get(topic))}
        me={props.me}
        zone={props.zone}
        words={words}
        earlier={earlierOf(room, topic)}
        {...(props.acts ? { acts: props.acts } : {})}
      />
      <ChatComposer
        words={words}
        locale={props.locale ?? "en"}
        keptAs={props.keptAs}
        targets={[to]}
        refusal={null}
        say={(target, text) => room.send({ type: "chat.say", to: target, withId: null, text })}
      />
    </div>
  );
}
