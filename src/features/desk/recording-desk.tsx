"use client";
import { isSpaceShort, type KeptSpace } from "@/core/room";
import { useTranslations } from "use-intl";
import { RecordingSign } from "@/features/shared/recording/recording-sign";
import { dayMs } from "@/core/time";
import { spanText } from "@/features/shared/times";
import { Button, Confirm, Note } from "@/ui";
import type { DeskScene } from "./scene";

/** How much longer it can be kept; said louder while there is time to make room, and when there is none. */
function Space({ space, toEndMs }: { space: KeptSpace; toEndMs: number }) {
  const t = useTranslations("recording");
  if (space.isFull)
    return (
      <div className="basis-full">
        <Note tone="wrong">{t("full")}</Note>
      </div>
    );
  return (
    <span className={isSpaceShort(space, toEndMs) ? "text-label text-attention" : "text-label text-ink-2"}>
      {space.recordableMs > dayMs ? t("ample") : t("space", { time: spanText(space.recordableMs) })}
    </span>
  );
}

/** The hour kept: asked for, begun with the curtain or by hand, paused, ended (rule 25). */
export function RecordingDesk({ scene, me }: { scene: DeskScene; me: string }) {
  const { view, send, may, now } = scene;
  const t = useTranslations("recording");
  const it = view.recording["it"];
  const phase = view.status["it"]?.phase;
  if (!it || (phase !== "open" && phase !== "backstage")) return null;
  const { way, isPaused, openedAt, keptMs, missing, isAsked } = it;
  const lengthMs = keptMs + (openedAt === null ? 0 : Math.max(0, now - openedAt));
  const mayBegin = may("recording.begin") && missing.length === 0;
  return (
    <section aria-label={t("title")} className="flex flex-wrap items-center gap-2">
      <div className="flex items-center">
        <RecordingSign sign={view.recordingSign["it"]} />
        <span className="text-ink-2">
          {way === null && lengthMs === 0
            ? t("off")
            : way !== null && openedAt === null && !isPaused
              ? t("armed")
              : t("length", { time: spanText(lengthMs) })}
        </span>
      </div>
      {it.space && <Space space={it.space} toEndMs={(view.event["it"]?.endAt ?? now) - now} />}
      {way === null ? (
        <>
          {missing.some(({ id }) => id === me) && (isAsked || missing.length === 1) && (
            <Button onClick={() => send({ type: "recording.agree" })}>{t("agree")}</Button>
          )}
          {missing.length > 0 && (
            <>
              <span className="text-label text-attention">
                {t("missing", { names: missing.map(({ name }) => name).join(", ") })}
              </span>
              {!isAsked && may("recording.ask") && (
                <Button onClick={() => send({ type: "recording.ask" })}>{t("askAll")}</Button>
              )}
            </>
          )}
          <Button disabled={!mayBegin} onClick={() => send({ type: "recording.begin", way: "curtain" })}>
            {t("withCurtain")}
          </Button>
          <Button weight="plain" disabled={!mayBegin} onClick={() => send({ type: "recording.begin", way: "hand" })}>
            {t("byHand")}
          </Button>
        </>
      ) : (
        may("recording.stop") && (
          <>
            <Button onClick={() => send({ type: isPaused ? "recording.resume" : "recording.pause" })}>
              {t(isPaused ? "resume" : "pause")}
            </Button>
            <Confirm
              trigger={<Button weight="plain">{t("stop")}</Button>}
              title={t("stopAsk")}
              act={t("stop")}
              onConfirm={() => send({ type: "recording.stop" })}
            >
              {t("stopWords")}
            </Confirm>
          </>
        )
      )}
    </section>
  );
}
