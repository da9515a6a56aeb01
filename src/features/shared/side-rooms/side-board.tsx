"use client";
import { useTranslations } from "use-intl";
import { sideAsksTopicOf, sideSurface, sideTopicOf, type SidesItem } from "@/core/room";
import { linesOf } from "../chat/rows";
import { InkPad, type InkSeat } from "../board/ink-pad";

/** What a side room draws on: whoever is in it, or looks in on it, draws. */
export function SideBoard(props: {
  side: Pick<SidesItem, "opensAt">;
  seat: InkSeat;
  number: number;
  name: string;
  isOfStage: boolean;
}) {
  const t = useTranslations("sideRooms");
  const surface = sideSurface(props.side, props.number);
  if (!surface) return null;
  // whoever writes here is known by name to the others
  const names = new Map(
    [sideTopicOf(props.number), sideAsksTopicOf(props.number)]
      .flatMap((topic) => linesOf(props.seat.link.logs.get(topic)))
      .map((line) => [line.authorId, line.name]),
  );
  const nameOf = (id: string) => props.seat.nameOf(id) || (names.get(id) ?? "");
  const label = t("boardOf", { name: props.name });
  return (
    <section aria-label={label}>
      <InkPad
        {...props.seat}
        nameOf={nameOf}
        surface={surface}
        label={label}
        mayDraw
        isOfStage={props.isOfStage}
        spreadMs={0}
      />
    </section>
  );
}
