"use client";
import { useState, type ReactNode } from "react";
import { useTranslations } from "use-intl";
import { inkWidths, type AnyView, type Mark, type StageView, type Surface } from "@/core/room";
import { classes } from "@/ui";
import type { RoomLink } from "../room-link/use-room";
import { Drawing } from "./drawing";
import type { Hand } from "./hand";
import { InkList } from "./ink-list";
import { InkPicture } from "./ink-picture";
import { InkTools } from "./ink-tools";
import { useInk, useMayUndo } from "./use-ink";
import { useSurface } from "./use-surface";

/** Of the room's link, what drawing needs. */
export type InkLink = Pick<RoomLink<AnyView>, "logs" | "state" | "send" | "whisper" | "traces">;

/** Who looks at a surface, and what they may do on it. */
export interface InkSeat {
  readonly link: InkLink;
  readonly occurrenceId: string;
  /** the address of the stream names them; null for the desk */
  readonly as: string | null;
  readonly ticketId: string;
  readonly nameOf: (ticketId: string) => string;
  /** pages that something was drawn on; a page that is not among them is not asked for */
  readonly markedPages: StageView["markedPages"];
  /** so long a screen may wait before it reads: a house spreads what it would ask all at once */
  readonly spreadMs?: number;
}

export interface PadProps extends InkSeat {
  surface: Surface;
  label: string;
  mayDraw: boolean;
  /** of the stage side: points, clears, wipes out what others drew */
  isOfStage: boolean;
  /** what is drawn over: a page, or nothing for a board */
  under?: ReactNode;
  /** keeps the tools away until they are asked for */
  className?: string;
}

function Tools({ props, ink, hand, setHand, store }: ToolsProps) {
  const may = useMayUndo(store, props.ticketId);
  return (
    <InkTools
      hand={hand}
      onHand={setHand}
      mayPoint={props.isOfStage}
      may={may}
      onUndo={() => void ink.act({ do: "undo" })}
      onRedo={() => void ink.act({ do: "redo" })}
      onClear={props.isOfStage ? () => void ink.act({ do: "clear" }) : null}
    />
  );
}
interface ToolsProps {
  props: PadProps;
  ink: ReturnType<typeof useInk>;
  hand: Hand;
  setHand: (hand: Hand) => void;
  store: ReturnType<typeof useSurface>;
}

/** A surface that is looked at and, where one may, drawn on: a board, or what lies over a page of slides. */
export function InkPad(props: PadProps) {
  const t = useTranslations("board");
  const { link, surface, mayDraw } = props;
  const store = useSurface(props, surface);
  const ink = useInk(link, store);
  const [hand, setHand] = useState<Hand>({ hold: "pen", colour: "blue", width: inkWidths[1] });
  const [draft, setDraft] = useState<Mark | null>(null);
  return (
    <div className={classes("flex flex-col gap-2", props.className)}>
      {mayDraw && <Tools props={props} ink={ink} hand={hand} setHand={setHand} store={store} />}
      <div className={classes("relative aspect-video w-full", !props.under && "border border-rule bg-white")}>
        {props.under}
        <InkPicture
          store={store}
          label={props.label}
          drafts={draft ? [...ink.drafts, draft] : ink.drafts}
          traces={link.traces}
          nameOf={props.nameOf}
          className="absolute inset-0"
        />
        {mayDraw && <Drawing hand={hand} ink={ink} label={props.label} onDraft={setDraft} />}
      </div>
      {mayDraw && <p className="text-label text-ink-2">{t("keys")}</p>}
      <InkList
        store={store}
        nameOf={props.nameOf}
        onErase={mayDraw ? (id) => void ink.act({ do: "erase", ids: [id] }) : null}
        mayErase={(authorId) => props.isOfStage || authorId === props.ticketId}
      />
    </div>
  );
}

/** A surface that is only looked at, as large as its box. */
export function InkSight({ seat, surface, label }: { seat: InkSeat; surface: Surface; label: string }) {
  const store = useSurface(seat, surface);
  return (
    <InkPicture
      store={store}
      label={label}
      traces={seat.link.traces}
      nameOf={seat.nameOf}
      className="absolute inset-0"
    />
  );
}
