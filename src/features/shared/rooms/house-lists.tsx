"use client";
import { HouseChat } from "../chat/house-chat";
import { useState } from "react";
import { useTranslations } from "use-intl";

import type { FoyerView, HouseView, PersonalPart } from "@/core/room";
import { Button, Tabs, Textarea } from "@/ui";

import { type RoomLink } from "../room-link/use-room";

type AskState = "idle" | "waiting" | "sent";

/** Asks. What was typed stays until the desk has it; "at the desk" is said when it is, not before. */
export function AskPlace({ send }: { send: RoomLink<HouseView>["send"] }) {
  const t = useTranslations("house");
  const [text, setText] = useState("");
  const [state, setState] = useState<AskState>("idle");
  const ask = async () => {
    setState("waiting");
    const receipt = await send({ type: "questions.ask", text: text.trim(), segmentId: null });
    if (receipt.ok) setText("");
    setState(receipt.ok ? "sent" : "idle");
  };
  return (
    <form
      className="bg-sheet p-4"
      onSubmit={(event) => {
        event.preventDefault();
        if (text.trim() !== "" && state !== "waiting") void ask();
      }}
    >
      <label htmlFor="ask" className="text-base font-semibold">
        {t("ask")}
      </label>
      <Textarea
        id="ask"
        rows={2}
        maxLength={1000}
        dir="auto"
        value={text}
        readOnly={state === "waiting"}
        onChange={(e) => setText(e.target.value)}
        placeholder={t("askHint")}
        className="mt-1"
      />
      <div className="flex items-center gap-3">
        <Button type="submit" weight="act" disabled={state === "waiting"}>
          {t("send")}
        </Button>
        <span role="status" className="text-label text-ink-2">
          {state === "idle" ? "" : t(state === "waiting" ? "sending" : "sent")}
        </span>
      </div>
    </form>
  );
}

export function Questions({
  view,
  me,
  send,
}: {
  view: HouseView;
  me: PersonalPart | null;
  send: RoomLink<HouseView>["send"];
}) {
  const t = useTranslations("house");
  const own = new Set(me?.own.questions?.asked.map((one) => one.id));
  const others = Object.entries(view.questions)
    .filter(([id]) => !own.has(id))
    .sort(([a, x], [b, y]) => (view.votes[b]?.count ?? 0) - (view.votes[a]?.count ?? 0) || x.askedAt - y.askedAt);
  return (
    <section className="bg-sheet p-4">
      {me?.own.questions && me.own.questions.asked.length > 0 && (
        <>
          <h2 className="text-base font-semibold">{t("yours")}</h2>
          <ul className="mb-3">
            {me.own.questions.asked.map((question) => (
              <li key={question.id} className="border-b border-rule py-2" dir="auto">
                {question.text} <span className="text-label text-ink-2">· {t(`states.${question.state}`)}</span>
                {question.answer && <p className="mt-1 border-s-2 border-action ps-2">{question.answer}</p>}
              </li>
            ))}
          </ul>
        </>
      )}
      <h2 className="text-base font-semibold">{t("others")}</h2>
      {others.length === 0 && <p className="text-ink-2">{t("none")}</p>}
      <ul>
        {others.slice(0, 60).map(([id, question]) => {
          const isMine = me?.own.questions?.votes.includes(id) ?? false;
          return (
            <li key={id} className="flex gap-3 border-b border-rule py-2">
              <div className="flex-1 break-words" dir="auto">
                {question.text}
                {question.isAnswered && (
                  <p className="text-label text-ink-2">{question.answer ? t("answered") : t("answeredAloud")}</p>
                )}
                {question.answer && <p className="mt-1 border-s-2 border-action ps-2">{question.answer}</p>}
              </div>
              {!question.isAnswered && (
                <Button
                  aria-pressed={isMine}
                  aria-label={`${t("vote")}: ${question.text}`}
                  onClick={() => send({ type: "questions.vote", questionId: id, isFor: !isMine })}
                  weight={isMine ? "act" : "quiet"}
                >
                  <span className="mono">{view.votes[id]?.count ?? 0}</span>
                </Button>
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}

/** What somebody opens themselves, under what is asked of them: the chat, the questions. */
export function Lists({ room, house }: { room: RoomLink<HouseView | FoyerView>; house: HouseView }) {
  const t = useTranslations("chat.tabs");
  const [open, setOpen] = useState<string | null>(null);
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
  const tabs = [...questions, ...chat];
  if (tabs.length === 0) return null;
  const choose = (id: string) => {
    setOpen(id);
    setSeenLines(lineCount);
  };
  const chosen = tabs.find((tab) => tab.id === open) ?? tabs[0]!;
  return <Tabs label={tabs.map((tab) => tab.label).join(", ")} tabs={tabs} open={chosen.id} onOpen={choose} />;
}
