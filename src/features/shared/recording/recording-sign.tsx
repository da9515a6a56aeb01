"use client";
import { useTranslations } from "use-intl";
import type { OwnParts, RecordingSignItem, StageView } from "@/core/room";
import { Button } from "@/ui";
import type { RoomLink } from "../room-link/use-room";

/** On every screen while the hour is kept: a word, and a mark that is no colour alone. */
export function RecordingSign({ sign }: { sign: RecordingSignItem | undefined }) {
  const t = useTranslations("recording");
  return (
    <p role="status" className="min-h-0">
      {sign?.isOn && (
        <span className="inline-flex items-center gap-2 border-s-4 border-on-air px-2 text-on-air">
          <span aria-hidden className="inline-block size-2.5 bg-on-air" />
          {t("isOn")}
        </span>
      )}
      {sign?.isPaused && <span className="px-2 text-ink-2">{t("isPaused")}</span>}
    </p>
  );
}

/** Asks somebody on the stage side, before anything of theirs is kept. */
export function RecordingAsk(props: {
  ask: StageView["recordingAsk"][string] | undefined;
  own: OwnParts["recording"];
  send: RoomLink<never>["send"];
}) {
  const t = useTranslations("recording");
  if (!props.ask?.isAsked || props.own?.hasAgreed) return null;
  return (
    <section aria-live="assertive" className="mb-3 border-t-4 border-attention bg-sheet p-4">
      <h2 className="text-lead font-semibold">{t("ask")}</h2>
      <p className="text-ink-2" dir="auto">
        {props.ask.words || t("words")}
      </p>
      <Button weight="act" className="mt-2" onClick={() => void props.send({ type: "recording.agree" })}>
        {t("agree")}
      </Button>
    </section>
  );
}
