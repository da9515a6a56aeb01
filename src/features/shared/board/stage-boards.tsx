"use client";
import { useState } from "react";
import { useTranslations } from "use-intl";
import type { Role } from "@/core/people";
import { boardSurface, drawsOnBoards, type StageView } from "@/core/room";
import { Select, Field } from "@/ui";
import { InkPad, type InkSeat } from "./ink-pad";

/** A board's name: its own, else its number. */
export function useBoardName() {
  const t = useTranslations("board");
  return (board: { readonly title: string; readonly number: number } | undefined): string =>
    board?.title || t("number", { number: board?.number ?? 1 });
}

/** Boards on the stage side: the one that the house sees, or another to make ready. */
export function StageBoards({
  view,
  seat,
  role,
}: {
  view: Pick<StageView, "board" | "boards">;
  seat: InkSeat;
  role: Role;
}) {
  const t = useTranslations("board");
  const nameOf = useBoardName();
  const [chosen, choose] = useState<string | null>(null);
  const { openId, reach, drawerIds } = view.board["it"] ?? { openId: null, reach: "team", drawerIds: [] };
  const ids = Object.keys(view.boards);
  const at = chosen !== null && ids.includes(chosen) ? chosen : (openId ?? ids[0]);
  if (at === undefined) return null;
  const mayDraw = drawsOnBoards({ reach, drawerIds }, { ticketId: seat.ticketId, role });
  return (
    <section aria-label={t("title")} className="flex flex-col gap-2 bg-sheet p-3">
      <div className="flex flex-wrap items-end gap-3">
        <h2 className="flex-1 font-semibold" dir="auto">
          {nameOf(view.boards[at])}
        </h2>
        <span className="text-label text-ink-2">{t(openId === at ? "isSeen" : "isNotSeen")}</span>
        {ids.length > 1 && (
          <Field label={t("which")}>
            {(own) => (
              <Select {...own} value={at} onChange={(event) => choose(event.target.value)}>
                {ids.map((id) => (
                  <option key={id} value={id}>
                    {nameOf(view.boards[id])}
                  </option>
                ))}
              </Select>
            )}
          </Field>
        )}
      </div>
      <InkPad {...seat} surface={boardSurface(at)} label={nameOf(view.boards[at])} mayDraw={mayDraw} isOfStage />
    </section>
  );
}
