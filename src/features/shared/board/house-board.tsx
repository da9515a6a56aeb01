"use client";
import type { HouseView } from "@/core/room";
import { useTranslations } from "use-intl";
import { boardSurface } from "@/core/room";
import { Fitted } from "./fitted";
import { InkPad, InkSight, type InkSeat } from "./ink-pad";

/** The board on the picture. */
export function HouseBoard({ open, seat }: { open: HouseView["openBoard"][string]; seat: InkSeat }) {
  const t = useTranslations("board");
  return (
    <div className="flex min-h-0 flex-1 flex-col">
      <Fitted>
        <div className="relative aspect-video bg-white">
          <InkSight seat={seat} surface={boardSurface(open.id)} label={open.title || t("title")} />
        </div>
      </Fitted>
    </div>
  );
}

/** The board to draw on, for whoever of the audience may: under the picture, as wide as it. */
export function DrawPlace({ open, seat }: { open: HouseView["openBoard"][string]; seat: InkSeat }) {
  const t = useTranslations("board");
  return (
    <section aria-label={t("youMayDraw")} className="mt-3 bg-sheet p-3">
      <h2 className="mb-2 font-semibold">{t("youMayDraw")}</h2>
      <InkPad
        {...seat}
        surface={boardSurface(open.id)}
        label={open.title || t("title")}
        isSeen
        mayDraw
        isOfStage={false}
      />
    </section>
  );
}
