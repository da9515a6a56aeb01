"use client";
import { useState } from "react";
import { useTranslations } from "use-intl";
import type { HouseView, PersonalPart } from "@/core/room";
import { Button, Input } from "@/ui";
import type { RoomLink } from "../room-link/use-room";

type Send = RoomLink<HouseView>["send"];
type Asked = HouseView["questions"][string];

function Comments({ id, question, send }: { id: string; question: Asked; send: Send }) {
  const t = useTranslations("house");
  const [text, setText] = useState("");
  const say = async () => {
    const receipt = await send({ type: "questions.comment", questionId: id, text: text.trim() });
    if (receipt.ok) setText("");
  };
  return (
    <details className="mt-1">
      <summary className="cursor-pointer text-label text-ink-2">
        {t("comments", { count: question.comments.length })}
      </summary>
      <ul className="my-1">
        {question.comments.map((comment) => (
          <li key={comment.id} className="border-s-2 border-rule ps-2" dir="auto">
            {comment.name && <span className="text-ink-2">{comment.name}: </span>}
            {comment.text}
          </li>
        ))}
      </ul>
      <form
        className="flex gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (text.trim() !== "") void say();
        }}
      >
        <Input
          aria-label={t("commentHint")}
          placeholder={t("commentHint")}
          dir="auto"
          maxLength={500}
          value={text}
          onChange={(e) => setText(e.target.value)}
        />
        <Button type="submit">{t("comment")}</Button>
      </form>
    </details>
  );
}

function OthersQuestion(props: { id: string; question: Asked; view: HouseView; isMine: boolean; send: Send }) {
  const t = useTranslations("house");
  const { id, question, view, isMine } = props;
  const event = view.event["it"]!;
  return (
    <li className="flex gap-3 border-b border-rule py-2">
      <div className="min-w-0 flex-1 break-words" dir="auto">
        {question.text}
        {question.askerName && <p className="text-label text-ink-2">{question.askerName}</p>}
        {question.isAnswered && (
          <p className="text-label text-ink-2">{question.answer ? t("answered") : t("answeredAloud")}</p>
        )}
        {question.answer && <p className="mt-1 border-s-2 border-action ps-2">{question.answer}</p>}
        {event.questionCommentsOn && <Comments id={id} question={question} send={props.send} />}
      </div>
      {!question.isAnswered && event.questionVotesOn && (
        <Button
          aria-pressed={isMine}
          aria-label={`${t("vote")}: ${question.text}`}
          onClick={() => props.send({ type: "questions.vote", questionId: id, isFor: !isMine })}
          weight={isMine ? "act" : "quiet"}
          className="self-start"
        >
          <span className="mono">{view.votes[id]?.count ?? 0}</span>
        </Button>
      )}
    </li>
  );
}

function OwnQuestions({ me, tellsNotTaken }: { me: PersonalPart | null; tellsNotTaken: boolean }) {
  const t = useTranslations("house");
  const asked = me?.own.questions?.asked ?? [];
  if (asked.length === 0) return null;
  return (
    <>
      <h2 className="text-base font-semibold">{t("yours")}</h2>
      <ul className="mb-3">
        {asked.map((question) => (
          <li key={question.id} className="border-b border-rule py-2" dir="auto">
            {question.text}{" "}
            <span className="text-label text-ink-2">
              · {t(`states.${question.state === "not-taken" && !tellsNotTaken ? "new" : question.state}`)}
            </span>
            {question.answer && <p className="mt-1 border-s-2 border-action ps-2">{question.answer}</p>}
          </li>
        ))}
      </ul>
    </>
  );
}

/** One's own questions and what became of them, then those of others that may be seen. */
export function Questions({ view, me, send }: { view: HouseView; me: PersonalPart | null; send: Send }) {
  const t = useTranslations("house");
  const own = new Set(me?.own.questions?.asked.map((one) => one.id));
  const others = Object.entries(view.questions)
    .filter(([id]) => !own.has(id))
    .sort(([a, x], [b, y]) => (view.votes[b]?.count ?? 0) - (view.votes[a]?.count ?? 0) || x.askedAt - y.askedAt);
  return (
    <section className="bg-sheet p-4">
      <OwnQuestions me={me} tellsNotTaken={view.event["it"]?.tellsNotTaken ?? true} />
      <h2 className="text-base font-semibold">{t("others")}</h2>
      {others.length === 0 && <p className="text-ink-2">{t("none")}</p>}
      <ul>
        {others.slice(0, 60).map(([id, question]) => (
          <OthersQuestion
            key={id}
            id={id}
            question={question}
            view={view}
            isMine={me?.own.questions?.votes.includes(id) ?? false}
            send={send}
          />
        ))}
      </ul>
    </section>
  );
}
