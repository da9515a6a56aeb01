"use client";
import {
  ArrowUpRight,
  Circle,
  Eraser,
  Highlighter,
  Minus,
  MousePointer2,
  Pencil,
  Redo2,
  Square,
  Type,
  Undo2,
} from "lucide-react";
import { useTranslations } from "use-intl";
import { inkColours, inkPaint, inkWidths, type InkColour } from "@/core/room";
import { Button, ChoiceBar, Confirm, IconButton } from "@/ui";
import type { Hand, Hold } from "./hand";

const pictures = {
  pen: Pencil,
  highlighter: Highlighter,
  line: Minus,
  arrow: ArrowUpRight,
  rectangle: Square,
  ellipse: Circle,
  text: Type,
  eraser: Eraser,
  pointer: MousePointer2,
} as const satisfies Record<Hold, unknown>;
const holds = Object.keys(pictures) as Hold[];
const widthNames = ["thin", "middle", "thick"] as const;

/** What is taken into the hand, and what was done taken back. */
export function InkTools(props: {
  hand: Hand;
  onHand: (hand: Hand) => void;
  mayPoint: boolean;
  may: { readonly undo: boolean; readonly redo: boolean };
  onUndo: () => void;
  onRedo: () => void;
  /** null for whoever may not */
  onClear: (() => void) | null;
}) {
  const t = useTranslations("board");
  const { hand, onHand } = props;
  return (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-2">
      <ChoiceBar
        label={t("tool")}
        value={hand.hold}
        onChange={(hold: Hold) => onHand({ ...hand, hold })}
        choices={holds
          .filter((hold) => hold !== "pointer" || props.mayPoint)
          .map((hold) => {
            const Picture = pictures[hold];
            return { value: hold, label: t(`tools.${hold}`), picture: <Picture size={18} aria-hidden /> };
          })}
      />
      <div className="flex items-center gap-1.5">
        <ChoiceBar
          label={t("colour")}
          value={hand.colour}
          onChange={(colour: InkColour) => onHand({ ...hand, colour })}
          choices={inkColours.map((colour) => ({
            value: colour,
            label: t(`colours.${colour}`),
            picture: (
              <span
                aria-hidden
                className="size-5 rounded-full border border-white"
                style={{ background: inkPaint[colour] }}
              />
            ),
          }))}
        />
        {/* never by colour alone */}
        <span className="min-w-14 text-label text-ink-2">{t(`colours.${hand.colour}`)}</span>
      </div>
      <ChoiceBar
        label={t("width")}
        value={String(hand.width)}
        onChange={(width) => onHand({ ...hand, width: Number(width) })}
        choices={inkWidths.map((width, i) => ({
          value: String(width),
          label: t(`widths.${widthNames[i]!}`),
          picture: <span aria-hidden className="w-5 rounded-full bg-ink" style={{ height: 2 + i * 3 }} />,
        }))}
      />
      <span className="flex items-center gap-1">
        <IconButton
          label={t("undo")}
          icon={<Undo2 size={18} aria-hidden className="rtl:-scale-x-100" />}
          disabled={!props.may.undo}
          onClick={props.onUndo}
        />
        <IconButton
          label={t("redo")}
          icon={<Redo2 size={18} aria-hidden className="rtl:-scale-x-100" />}
          disabled={!props.may.redo}
          onClick={props.onRedo}
        />
        {props.onClear && (
          <Confirm
            trigger={<Button weight="plain">{t("clear")}</Button>}
            title={t("clearTitle")}
            act={t("clear")}
            cancel={t("keep")}
            onConfirm={props.onClear}
          >
            {t("clearWords")}
          </Confirm>
        )}
      </span>
    </div>
  );
}
