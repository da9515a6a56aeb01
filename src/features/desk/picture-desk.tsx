"use client";
import { useTranslations } from "use-intl";
import { programmeFeed } from "@/core/programme";
import type { DeskView } from "@/core/room";
import type { ComposerState } from "@/features/shared/composer/composer";
import type { RoomLink } from "@/features/shared/room-link/use-room";
import { Note } from "@/ui";

/** From so much on a loss is told of, in percent. */
const toldFromPercent = 3;

/** Who makes the picture, how it goes, and whose line loses something on the way. */
export function PictureDesk(props: {
  view: DeskView;
  health: RoomLink<DeskView>["health"];
  state: ComposerState | null;
  me: string;
}) {
  const { view, health, state, me } = props;
  const t = useTranslations("composing");
  const maker = view.programme[programmeFeed];
  const nameOf = (id: string) => view.stage[id]?.name ?? view.floor[id]?.name ?? "";
  const troubles = (health?.links ?? []).filter((one) => !one.isLive || one.lostPercent >= toldFromPercent);
  if (view.status["it"]?.phase !== "open") return null;
  return (
    <section aria-label={t("title")} className="text-label text-ink-2">
      <p>
        {maker ? (maker.holderId === me ? t("here") : t("by", { name: maker.holderName })) : t("nobody")}
        {maker && health && (
          <span className="mono">
            {" · "}
            {t("health", {
              frames: Math.round(health.framesPerSecond),
              kilobits: Math.round(health.kilobitsPerSecond),
            })}
            {health.waiting > 0 && ` · ${t("waiting", { count: health.waiting })}`}
          </span>
        )}
      </p>
      {state === "needs-act" && <Note tone="attention">{t("needsAct")}</Note>}
      {maker &&
        troubles.map((one) => (
          <p key={one.id} className="text-attention">
            {one.isLive
              ? t("lost", { name: nameOf(one.id), percent: one.lostPercent })
              : t("away", { name: nameOf(one.id) })}
          </p>
        ))}
    </section>
  );
}
