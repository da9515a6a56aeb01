"use client";
import { phrase } from "@/contracts/say";
import { useSay } from "@/features/shared/say/say";
import { useState } from "react";
import type { CommandBody } from "@/contracts";
import { useLocale, useMessages, useTranslations } from "use-intl";
import type { Messages } from "@/contracts/messages";
import type { Switches } from "@/core/people";
import type { AnyView, ChatTarget } from "@/core/room";
import { Button, Confirm, Menu, Tabs } from "@/ui";
import type { RoomLink } from "../room-link/use-room";
import { ChatSwitch } from "./chat-switch";
import { Talk } from "./talk";
import { ChatComposer } from "./composer";
import { LineList } from "./line-list";
import { earlierOf, linesOf, type ShownLine } from "./rows";
import { chatWords, type ChatWords } from "./words";

/** Words of the chat at the desk, in its reader's language. */
function useTeamWords(): ChatWords {
  const counted = useTranslations("chat");
  const messages = useMessages() as unknown as Messages;
  return chatWords(messages.chat, (key, values) => counted(key, values));
}

const talks = [
  { topic: "chat:house", label: phrase("Everybody"), to: "all" },
  { topic: "chat:talkback", label: phrase("Backstage"), to: "talkback" },
  { topic: "chat:stage", label: phrase("To the stage"), to: "stage" },
  { topic: "chat:desk", label: phrase("To the team"), to: "desk" },
] as const satisfies readonly { topic: string; label: string; to: ChatTarget }[];

/** On stage: talkback first, what the house writes beside it. */
export function StageChat({ room, me, zone }: { room: RoomLink<AnyView>; me: string; zone: string }) {
  const t = useTranslations("stage");
  const counted = useTranslations("chat");
  const locale = useLocale();
  const own = chatWords((useMessages() as unknown as Messages).chat, (key, values) => counted(key, values));
  const [open, setOpen] = useState("chat:talkback");
  const order = [talks[1], talks[0], talks[2]];
  return (
    <section aria-label={t("chat")} className="flex h-96 flex-col bg-sheet p-3">
      <Tabs
        label={t("chat")}
        open={open}
        onOpen={setOpen}
        tabs={order.map(({ topic, to }) => ({
          id: topic,
          label: t(`talks.${to}`),
          content: <Talk {...{ room, me, zone, topic, to, locale }} words={own} keptAs={`line-team-${to}`} />,
        }))}
      />
    </section>
  );
}

function LineActs({
  line,
  send,
  writeTo,
}: {
  line: ShownLine;
  send: (command: CommandBody) => void;
  writeTo: (line: ShownLine) => void;
}) {
  const say = useSay();
  const isGuest = line.role === "attendee" || line.role === "test-guest";
  return (
    <span className="absolute end-0 top-0 flex gap-1 bg-sheet opacity-0 group-focus-within:opacity-100 group-hover:opacity-100">
      <Button size="small" onClick={() => send({ type: "chat.take-away", lineId: line.id })}>
        {say`Remove`}
      </Button>
      {isGuest && (
        <Menu
          trigger={
            <Button size="small" aria-label={say`More for the line of ${line.name}`}>
              {say`More`}
            </Button>
          }
          items={[
            {
              label: say`Make it a question`,
              isDisabled: line.isQuestion,
              onSelect: () => send({ type: "chat.make-question", lineId: line.id }),
            },
            { label: say`Write to ${line.name}`, onSelect: () => writeTo(line) },
            {
              label: say`Look at all lines of ${line.name} first`,
              onSelect: () => send({ type: "chat.hold-person", ticketId: line.authorId, isHeld: true }),
            },
            {
              label: say`Show ${line.name} out`,
              isDanger: true,
              onSelect: () => send({ type: "hour.show-out", ticketId: line.authorId }),
            },
          ]}
        />
      )}
    </span>
  );
}

function Notes({
  room,
  me,
  zone,
  withWhom,
}: {
  room: RoomLink<AnyView>;
  me: string;
  zone: string;
  withWhom: ShownLine | null;
}) {
  const say = useSay();
  const locale = useLocale();
  const teamWords = useTeamWords();
  const lines = linesOf(room.logs.get("chat:notes"));
  const last = lines.findLast((line) => line.withId !== null);
  const withId = withWhom?.authorId ?? last?.withId ?? null;
  const withName = withWhom?.name ?? last?.withName ?? "";
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-2">
      <LineList lines={lines} me={me} zone={zone} words={teamWords} earlier={earlierOf(room, "chat:notes")} />
      {withId && (
        <>
          <p className="text-label text-ink-2">{say`To ${withName} alone`}</p>
          <ChatComposer
            words={teamWords}
            locale={locale}
            keptAs={`line-to-${withId}`}
            targets={["note"]}
            refusal={null}
            say={(to, text) => room.send({ type: "chat.say", to, withId, text })}
          />
        </>
      )}
      {!withId && <p className="text-ink-2">{say`Open “More” at somebody’s line to write to them alone.`}</p>}
    </div>
  );
}

interface DeskChatView {
  readonly switches?: Readonly<Record<string, Switches>>;
  readonly chat?: Readonly<Record<string, { readonly clears: number }>>;
}

/** At the desk: every talk of the room, each line with its one act. */
export function DeskChat({
  room,
  me,
  zone,
  mayHandle,
  maySwitch,
}: {
  room: RoomLink<AnyView>;
  me: string;
  zone: string;
  mayHandle: boolean;
  maySwitch: boolean;
}) {
  const say = useSay();
  const teamWords = useTeamWords();
  const [open, setOpen] = useState<string>("chat:house");
  const [withWhom, setWithWhom] = useState<ShownLine | null>(null);
  const send = (command: CommandBody) => void room.send(command);
  const writeTo = (line: ShownLine) => {
    setWithWhom(line);
    setOpen("chat:notes");
  };
  const acts = (line: ShownLine) => (mayHandle ? <LineActs line={line} send={send} writeTo={writeTo} /> : null);
  const shown = room.logs.get("chat:house")?.rows.length ?? 0;
  const setting = (room.view as DeskChatView | null)?.switches?.["it"]?.chat;
  const seen = (room.view as DeskChatView | null)?.chat?.["it"]?.clears ?? 0;
  return (
    <section aria-label={say`Chat`} className="flex min-h-0 flex-1 flex-col">
      {setting && maySwitch && <ChatSwitch now={setting} send={send} />}
      <Tabs
        label={say`Chat`}
        open={open}
        onOpen={setOpen}
        tabs={[
          ...talks.map(({ topic, label, to }) => ({
            id: topic,
            label: say.of(label),
            content: <Talk {...{ room, me, zone, topic, to, acts }} words={teamWords} keptAs={`line-team-${to}`} />,
          })),
          {
            id: "chat:notes",
            label: say`One person`,
            content: <Notes room={room} me={me} zone={zone} withWhom={withWhom} />,
          },
        ]}
      />
      {mayHandle && open === "chat:house" && shown > 0 && (
        <Confirm
          trigger={
            <Button weight="plain" size="small" className="self-start">
              {say`Clear the chat`}
            </Button>
          }
          title={say`Clear the chat`}
          act={say`Clear it for everybody`}
          onConfirm={() => send({ type: "chat.clear", seen })}
        >
          <p>{say`The lines go off every screen at once. The record keeps them.`}</p>
        </Confirm>
      )}
    </section>
  );
}
