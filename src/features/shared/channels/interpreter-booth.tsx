"use client";
import { useLocale, useTranslations } from "use-intl";
import { handOverSeconds, type ChannelItem, type StageView } from "@/core/room";
import { Button, classes, Field, Note, Select } from "@/ui";
import { languageName } from "../languages";
import type { RoomLink } from "../room-link/use-room";
import { useNow } from "../use-now";
import { useTakingOver } from "./use-taking-over";

type Send = RoomLink<never>["send"];
const secondsTo = (at: number, now: number): number => Math.max(0, Math.ceil((at - now) / 1000));

/** What is agreed, asked or waited for between two interpreters of one channel. */
function HandOver({
  language,
  channel,
  me,
  now,
  send,
}: {
  language: string;
  channel: ChannelItem;
  me: string;
  now: number;
  send: Send;
}) {
  const t = useTranslations("channels");
  const { handOver, speakerId } = channel;
  if (!handOver) return null;
  const seconds = secondsTo(handOver.takesAt, now);
  const isMine = handOver.toId === me;
  const agrees = speakerId === me && !handOver.isAgreed;
  const words = isMine
    ? handOver.isAgreed
      ? t("youTake", { seconds })
      : t("waitsFor", { name: channel.speaker ?? "" })
    : t("takes", { name: handOver.to, seconds });
  return (
    <div role="alert" className="mt-2 border-s-4 border-attention ps-3">
      <p className="text-lead">{words}</p>
      {(isMine || speakerId === me) && (
        <div className="mt-2 flex flex-wrap gap-2">
          {agrees && (
            <Button weight="act" onClick={() => void send({ type: "channels.agree", language })}>
              {t("agree")}
            </Button>
          )}
          <Button onClick={() => void send({ type: "channels.call-off", language })}>{t("callOff")}</Button>
        </div>
      )}
    </div>
  );
}

/** One channel of one's own: who speaks on it, and the act that is possible now. */
function ChannelRow(props: { language: string; channel: ChannelItem; me: string; now: number; send: Send }) {
  const { language, channel, me, send } = props;
  const t = useTranslations("channels");
  const locale = useLocale();
  const isMine = channel.speakerId === me;
  const isOthers = channel.speakerId !== null && !isMine;
  const act = isMine
    ? { words: t("close"), command: { type: "channels.close-microphone" } as const }
    : isOthers
      ? {
          words: t("takeOver", { seconds: handOverSeconds }),
          command: { type: "channels.take-over", language, inSeconds: handOverSeconds } as const,
        }
      : { words: t("open"), command: { type: "channels.open-microphone", language } as const };
  return (
    <li className={classes("border-s-4 ps-3", isMine ? "border-on-air" : "border-rule")}>
      <div className="flex flex-wrap items-baseline justify-between gap-x-4">
        <p>
          <span className="block text-lead font-semibold">{languageName(language, locale)}</span>
          <span className={isMine ? "text-on-air" : "text-ink-2"}>
            {isMine ? t("youSpeak") : channel.speaker ? t("interprets", { name: channel.speaker }) : t("silent")}
          </span>{" "}
          <span className="text-ink-2">{t("listeners", { count: channel.listeners })}</span>
        </p>
        {!channel.handOver && (
          <Button
            weight={isMine ? "on-air" : isOthers ? "quiet" : "act"}
            className="min-h-11"
            onClick={() => void send(act.command)}
          >
            {act.words}
          </Button>
        )}
      </div>
      <HandOver {...props} />
    </li>
  );
}

/** An interpreter's own place: floor or relay to work from, channels open or closed, hand-over. */
export function InterpreterBooth({
  view,
  me,
  ahead,
  send,
}: {
  view: Pick<StageView, "channels" | "interpreters">;
  me: string;
  ahead: number;
  send: Send;
}) {
  const t = useTranslations("channels");
  const locale = useLocale();
  const now = useNow(0, ahead);
  useTakingOver(view.channels, me, now, send);
  const own = view.interpreters[me];
  const inOrder = Object.entries(view.channels).sort(([, a], [, b]) => a.position - b.position);
  const spoken = inOrder.filter(([language]) => own?.pair.includes(language));
  const relays = inOrder.filter(([, channel]) => channel.speakerId !== me);
  return (
    <section className="bg-sheet p-4">
      <h2 className="text-label text-ink-2">{t("title")}</h2>
      {spoken.length === 0 && <Note tone="attention">{t("noPair")}</Note>}
      <ul className="mt-2 flex flex-col gap-4">
        {spoken.map(([language, channel]) => (
          <ChannelRow key={language} {...{ language, channel, me, now, send }} />
        ))}
      </ul>
      <Field label={t("workFrom")} className="mt-4">
        {(ids) => (
          <Select
            {...ids}
            value={own?.relay ?? ""}
            onChange={({ target }) => void send({ type: "channels.work-from", language: target.value || null })}
          >
            <option value="">{t("floor")}</option>
            {relays.map(([language, { speaker }]) => (
              <option key={language} value={language}>
                {t("relay", { language: languageName(language, locale), name: speaker ?? t("noName") })}
              </option>
            ))}
          </Select>
        )}
      </Field>
    </section>
  );
}
