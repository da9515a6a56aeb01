"use client";
import { useState, type ReactNode } from "react";
import { useTranslations } from "use-intl";
import { pageKey, type Surface } from "@/core/room";
import { Button } from "@/ui";
import { InkPad, InkSight, type InkSeat } from "./ink-pad";

/** A page of slides with what was drawn on it; whoever may draw takes the tools out when they need them. */
export function MarkedPage(props: {
  seat: InkSeat;
  shown: { readonly deckId: string; readonly page: number };
  mayMark: boolean;
  isOfStage: boolean;
  page: ReactNode;
}) {
  const t = useTranslations("board");
  const [isDrawing, setDrawing] = useState(false);
  const surface: Surface = { id: props.shown.deckId, page: props.shown.page };
  const label = t("onPage", { page: props.shown.page });
  return (
    <div className="flex min-w-0 flex-col gap-2">
      {props.mayMark && (
        <Button size="small" className="self-start" aria-pressed={isDrawing} onClick={() => setDrawing(!isDrawing)}>
          {t(isDrawing ? "putToolsAway" : "drawOnPage")}
        </Button>
      )}
      {isDrawing && props.mayMark ? (
        <InkPad
          {...props.seat}
          surface={surface}
          label={label}
          mayDraw
          isOfStage={props.isOfStage}
          under={props.page}
        />
      ) : (
        <div className="relative aspect-video w-full">
          {props.page}
          {pageKey(surface) in props.seat.markedPages && <InkSight seat={props.seat} surface={surface} label={label} />}
        </div>
      )}
    </div>
  );
}
