"use client";
import { useTranslations } from "use-intl";
import type { StageView } from "@/core/room";
import type { LiveClock } from "@/core/run-sheet";
import { cityOf, clockTime } from "@/core/time";
import { classes } from "@/ui";
import { spanText } from "../times";

/** What one reads from a step back: the hour, what is left of the segment, how many are there. */
export function StageClocks({
  now,
  zone,
  clock,
  view,
}: {
  now: number;
  zone: string;
  clock: LiveClock | null;
  view: StageView;
}) {
  const t = useTranslations("stage");
  return (
    <div className="flex flex-wrap gap-8">
      <p>
        <span className="block text-label text-ink-2">{t("timeIn", { city: cityOf(zone) })}</span>
        <output className="text-clock leading-none">{clockTime(now, zone)}</output>
      </p>
      <p>
        <span className="block text-label text-ink-2">
          {t(clock && clock.currentOverMinutes > 0 ? "over" : "left")}
        </span>
        <output
          className={classes("text-clock leading-none", clock && clock.currentOverMinutes > 0 && "text-attention")}
        >
          {clock ? spanText(clock.currentOverMinutes * 60_000) : "––:––"}
        </output>
      </p>
      <p>
        <span className="block text-label text-ink-2">{t("audience")}</span>
        <output className="text-clock leading-none">{view.figures["house"]?.count ?? 0}</output>
      </p>
    </div>
  );
}

/** What is on, and what comes. */
export function Heading({ now, next }: { now: string | undefined; next: string | undefined }) {
  const t = useTranslations("stage");
  return (
    <div>
      <p className="text-head font-semibold">{now ?? t("before")}</p>
      <p className="text-ink-2">{t("next", { title: next ?? t("theEnd") })}</p>
    </div>
  );
}

/** Whether the audience sees one, else where one waits. */
export function WhereOneIs({ place, isSeen }: { place: "backstage" | "standby" | "stage"; isSeen: boolean }) {
  const t = useTranslations("stage");
  return (
    <p
      className={classes(
        "border-s-4 px-3 py-2 text-head font-semibold",
        isSeen ? "border-on-air text-on-air" : "border-rule",
      )}
      aria-live="polite"
    >
      {isSeen ? t("isSeen") : place === "stage" ? t("curtainDown") : t(`places.${place}`)}
    </p>
  );
}
