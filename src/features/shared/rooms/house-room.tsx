"use client";
import { HouseChat } from "../chat/house-chat";
import { useState, type ReactNode } from "react";
import { useTranslations } from "use-intl";
import type { Messages } from "@/contracts/messages";
import { refusalWords } from "@/contracts/messages/refusal";
import type { FoyerView, HouseView, PersonalPart } from "@/core/room";
import { Button, Note, Tabs } from "@/ui";
import { PollBars } from "../poll-bars";
import { spanText } from "../times";
import { useNow } from "../use-now";
import { useRoom, type RoomLink } from "../room-link/use-room";

/** What stands over the picture when the connection or the records are away. */
export function LinkNote({ state }: { state: RoomLink<never>["state"] }) {
  const t = useTranslations("house");
  if (state === "lost") return <Note tone="attention">{t("lost")}</Note>;
  if (state === "unwell") return <Note tone="attention">{t("unwell")}</Note>;
  return null;
}

function Programme({ view, before }: { view: HouseView; before: ReactNode }) {
  const t = useTranslations("house");
  const status = view.status["it"];
  const cast = Object.entries(view.cast);
  return (
    <section
      data-theme="desk"
      aria-label="Programme"
      className="flex aspect-video w-full flex-col justify-between self-start bg-ground p-5"
    >
      {!status?.isCurtainUp ? (
        <div className="m-auto text-center">{before}</div>
      ) : (
        <>
          <p className="text-lead text-ink-2">{view.cue["it"]?.segmentTitle ?? view.event["it"]?.title}</p>
          <ul className="m-auto flex flex-wrap justify-center gap-3">
            {cast.length === 0 && <li className="text-ink-2">{t("nobody")}</li>}
            {cast.map(([id, person]) => (
              <li key={id} className="min-w-40 border-s-2 border-action bg-sheet px-4 py-3">
                <p className="text-lead font-medium">{person.name}</p>
                <p className="text-label text-ink-2">{t("onStage")}</p>
              </li>
            ))}
          </ul>
          <OnStageQuestion view={view} />
        </>
      )}
    </section>
  );
}

function OnStageQuestion({ view }: { view: HouseView }) {
  const t = useTranslations("house");
  const question = Object.values(view.questions).find((one) => one.isOnStage);
  if (!question) return <span />;
  return (
    <p className="border-s-2 border-attention ps-3 text-lead" dir="auto">
      <span className="block text-label text-attention">{t("nowOnStage")}</span>
      {question.text}
    </p>
  );
}

function PollPlace({
  view,
  me,
  send,
}: {
  view: HouseView;
  me: PersonalPart | null;
  send: RoomLink<HouseView>["send"];
}) {
  const t = useTranslations("house");
  return Object.entries(view.polls).map(([id, poll]) => {
    const mine = me?.own.polls?.ballots[id];
    const tally = view.tallies[id];
    const voters = Object.values(tally?.votes ?? {}).reduce((sum, one) => sum + one, 0);
    return (
      <section key={id} className="border-t-4 border-action bg-sheet p-4" aria-live="polite">
        <p className="text-label text-ink-2">{poll.state === "open" ? t("poll") : t("results")}</p>
        <h2 className="text-lead font-semibold">{poll.question}</h2>
        {poll.state === "open" && (
          <div role="radiogroup" aria-label={poll.question} className="mt-2 flex flex-col gap-1.5">
            {poll.options.map((option) => (
              <button
                key={option.id}
                type="button"
                role="radio"
                aria-checked={mine === option.id}
                onClick={() => send({ type: "polls.vote", pollId: id, optionId: option.id })}
                className="min-h-10 border border-rule px-3 text-start aria-checked:border-action aria-checked:bg-raised aria-checked:font-semibold"
              >
                {option.label}
              </button>
            ))}
            <p className="text-label text-ink-2">
              {mine ? t("pollVoted") : ""} {t("pollChange")}
            </p>
          </div>
        )}
        {tally && poll.isRevealed && (
          <div className="mt-2">
            <PollBars
              options={poll.options}
              votes={tally.votes}
              mine={mine}
              words={{ rounded: t("rounded"), voters: t("voters", { count: voters }) }}
            />
          </div>
        )}
      </section>
    );
  });
}

function AskPlace({ send }: { send: RoomLink<HouseView>["send"] }) {
  const t = useTranslations("house");
  const [text, setText] = useState("");
  const [isSent, setSent] = useState(false);
  return (
    <form
      className="bg-sheet p-4"
      onSubmit={(event) => {
        event.preventDefault();
        if (text.trim() === "") return;
        send({ type: "questions.ask", text: text.trim(), segmentId: null });
        setText("");
        setSent(true);
      }}
    >
      <label htmlFor="ask" className="text-base font-semibold">
        {t("ask")}
      </label>
      <textarea
        id="ask"
        rows={2}
        maxLength={1000}
        dir="auto"
        value={text}
        onChange={(e) => setText(e.target.value)}
        placeholder={t("askHint")}
        className="mt-1 w-full rounded-control border border-rule bg-sheet p-2"
      />
      <div className="flex items-center gap-3">
        <Button type="submit" weight="act">
          {t("send")}
        </Button>
        {isSent && (
          <span role="status" className="text-label text-ink-2">
            {t("sent")}
          </span>
        )}
      </div>
    </form>
  );
}

function Questions({
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

function InFoyer({
  me,
  startAt,
  ahead,
  words,
}: {
  me: PersonalPart | null;
  startAt: number;
  ahead: number;
  words: Messages;
}) {
  const now = useNow(startAt, ahead);
  const waits = { seat: words.foyer.seatWait, "held-doors": words.foyer.heldWait, doors: words.foyer.doorsClosed }[
    me?.waitsFor ?? "doors"
  ];
  return (
    <section className="mx-auto max-w-xl py-16 text-center" aria-live="polite">
      <h1 className="text-title font-semibold">{words.foyer.you}</h1>
      <p className="mt-2 text-lead text-ink-2">{waits}</p>
      {now < startAt && <output className="mt-6 block text-clock">{spanText(startAt - now)}</output>}
    </section>
  );
}

/** What somebody opens themselves, under what is asked of them: the chat, the questions. */
function Lists({ room, house }: { room: RoomLink<HouseView | FoyerView>; house: HouseView }) {
  const t = useTranslations("chat.tabs");
  const [open, setOpen] = useState<string | null>(null);
  const event = house.event["it"];
  const { me } = room;
  const hasChat =
    event !== undefined && (event.chatTo !== "nobody" || (room.logs.get("chat:house")?.rows.length ?? 0) > 0);
  const tabs = [
    ...(hasChat && me
      ? [
          {
            id: "chat",
            label: t("chat"),
            content: (
              <HouseChat room={room} me={me} zone={event.zone} reach={event.chatTo} mayAsk={event.questionsOn} />
            ),
          },
        ]
      : []),
    ...(event?.questionsOn
      ? [{ id: "questions", label: t("questions"), content: <Questions view={house} me={me} send={room.send} /> }]
      : []),
  ];
  if (tabs.length === 0) return null;
  const chosen = tabs.find((tab) => tab.id === open) ?? tabs[0]!;
  return <Tabs label={tabs.map((tab) => tab.label).join(", ")} tabs={tabs} open={chosen.id} onOpen={setOpen} />;
}

/** The attendee's room: the programme first, beside it one place that changes with what is asked. */
export function HouseRoom(props: { occurrenceId: string; ticketId: string; startAt: number; words: Messages }) {
  const room = useRoom<HouseView | FoyerView>(props.occurrenceId, props.ticketId, (failure) =>
    refusalWords(failure, props.words.errors),
  );
  const t = useTranslations("house");
  const phase = room.view?.status["it"]?.phase;
  const house = room.screen === "house" && room.view && "cast" in room.view ? room.view : null;
  const event = room.view?.event["it"];
  if (room.state === "withdrawn" || room.state === "shown-out")
    return <main className="p-16 text-center text-lead">{t("withdrawn")}</main>;
  if (phase === "ended") {
    return (
      <main className="mx-auto max-w-xl px-4 py-24 text-center">
        <h1 className="text-title font-semibold">{event?.title}</h1>
        <p className="mt-2 text-lead">{t("ended")}</p>
      </main>
    );
  }
  return (
    <main className="mx-auto max-w-7xl px-4 py-4">
      <LinkNote state={room.state} />
      {room.refusal && <Note tone="wrong">{room.refusal}</Note>}
      {!house ? (
        <InFoyer me={room.me} startAt={props.startAt} ahead={room.clockAheadMs} words={props.words} />
      ) : (
        <>
          <h1 className="mb-2 text-lead font-semibold break-words" dir="auto">
            {event?.title}
          </h1>
          <div className="grid gap-4 lg:grid-cols-[minmax(0,1fr)_24rem]">
            <Programme view={house} before={<p className="text-head text-ink-2">{t("curtainDown")}</p>} />
            <div className="flex flex-col gap-3">
              <PollPlace view={house} me={room.me} send={room.send} />
              {event?.questionsOn && <AskPlace send={room.send} />}
              <Lists room={room} house={house} />
            </div>
          </div>
        </>
      )}
    </main>
  );
}
