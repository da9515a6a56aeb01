"use client";
import { useTranslations } from "use-intl";
import type { StageView } from "@/core/room";
import { clockTime } from "@/core/time";
import { Rail } from "../rail";
import type { OrderedSegment } from "../segments";

/** The whole hour, and where it stands. */
export function SheetRail(props: {
  view: StageView;
  zone: string;
  now: number;
  segments: readonly OrderedSegment[];
  index: number;
}) {
  const t = useTranslations("stage");
  const { startAt, endAt } = props.view.event["it"]!;
  return (
    <Rail
      label={t("rail", { from: clockTime(startAt, props.zone), to: clockTime(endAt, props.zone) })}
      from={startAt}
      to={endAt}
      zone={props.zone}
      now={props.now}
      size="large"
      blocks={props.segments.map((one, i) => ({
        id: one.id,
        title: one.title,
        startAt: one.plannedStartAt,
        endAt: one.plannedEndAt,
        isNow: i === props.index,
        isPast: i < props.index,
      }))}
    />
  );
}
