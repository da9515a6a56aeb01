"use client";
import type { HouseView } from "@/core/room";
import { useTranslations } from "use-intl";
import { boardSurface } from "@/core/room";
import { InkPad, type InkSeat } from "./ink-pad";

/** The board to draw on, for whoever of the audience may: under the picture, as wide as it. */
export function DrawPlace({ open, seat }: { open: HouseView["openBoard"][string]; seat: InkSeat }) {
  const t = useTranslations("board");
  return (
    <section aria-label={t("youMayDraw")} className="mt-3 bg-sheet p-3">
      <h2 className="mb-2 font-semibold">{t("youMayDraw")}</h2>
      <InkPad {...seat} surface={boardSurface(open.id)} label={open.title || t("title")} mayDraw isOfStage={false} />
    </section>
  );
}
