"use client";
import { useRef, useState, type KeyboardEvent, type PointerEvent, type RefObject } from "react";
import { useTranslations } from "use-intl";
import { inkSpan, mostTextLength, textSizeOf, type Mark } from "@/core/room";
import { classes, Input } from "@/ui";
import { grown, isTwoPoint, markOf, placeIn, type At, type Hand } from "./hand";
import type { Ink } from "./use-ink";

const step = 200;
const longStep = 1000;
const moves: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};
const clamp = (n: number): number => Math.max(0, Math.min(inkSpan, n));
const percent = (n: number): string => `${(n / inkSpan) * 100}%`;

/** Letters are typed where they will stand. */
function Typing({ at, hand, done }: { at: At; hand: Hand; done: (text: string | null) => void }) {
  const t = useTranslations("board");
  // leaving the place by Enter or Escape takes the focus from it: that is not a second end
  const isOver = useRef(false);
  const end = (text: string | null) => {
    if (isOver.current) return;
    isOver.current = true;
    done(text);
  };
  const size = textSizeOf({ tool: "text", colour: hand.colour, width: hand.width, points: [], text: "" });
  return (
    <Input
      autoFocus
      aria-label={t("typeHere")}
      maxLength={mostTextLength}
      className="absolute max-w-[60%] min-w-40 bg-white text-black"
      style={{
        insetInlineStart: "auto",
        left: percent(Math.min(at.x, inkSpan * 0.6)),
        top: `calc(${percent(at.y)} - ${size}px)`,
      }}
      onKeyDown={(event) => {
        event.stopPropagation();
        if (event.key === "Enter") end(event.currentTarget.value);
        if (event.key === "Escape") end(null);
      }}
      onBlur={(event) => end(event.currentTarget.value)}
    />
  );
}

/** Where the keyboard is. */
const Cross = ({ at }: { at: At }) => (
  <span
    aria-hidden
    className="pointer-events-none absolute size-6 -translate-1/2 border border-black before:absolute before:inset-x-0 before:top-1/2 before:border-t before:border-black after:absolute after:inset-y-0 after:left-1/2 after:border-l after:border-black"
    style={{ left: percent(at.x), top: percent(at.y) }}
  />
);

interface DrawingProps {
  hand: Hand;
  ink: Ink;
  label: string;
  /** the mark that is being drawn, for the picture under it */
  onDraft: (mark: Mark | null) => void;
}

/** What the hand has under way: begun, moved, ended or left. */
function useStroke({ hand, ink, onDraft }: DrawingProps, onType: (at: At) => void) {
  const path = useRef<readonly At[]>([]);
  const drop = () => {
    path.current = [];
    onDraft(null);
  };
  return {
    isOn: () => path.current.length > 0,
    drop,
    begin(at: At) {
      if (hand.hold === "text") return onType(at);
      path.current = [at];
      if (hand.hold === "eraser") ink.rub(at, at);
    },
    /** @param passed places on the way that were not told one by one */
    go(at: At, passed: readonly At[] = []) {
      const before = path.current.at(-1);
      if (hand.hold === "pointer") return ink.trace(at, null);
      if (!before) return;
      if (isTwoPoint(hand.hold)) path.current = [path.current[0]!, at];
      else for (const one of [...passed, at]) path.current = grown(path.current, one);
      if (hand.hold === "eraser") ink.rub(before, at);
      const mark = markOf(hand, path.current);
      onDraft(mark);
      ink.trace(at, mark);
    },
    finish() {
      const mark = markOf(hand, path.current);
      drop();
      if (mark) void ink.draw(mark);
      if (hand.hold === "eraser") ink.lift();
    },
  };
}
type Stroke = ReturnType<typeof useStroke>;

/** Arrows move a cross, Enter begins and ends, Escape leaves it. */
function useKeys(hand: Hand, stroke: Stroke) {
  const [cross, setCross] = useState<At | null>(null);
  const onKey = (event: KeyboardEvent) => {
    const move = moves[event.key];
    const from = cross ?? { x: inkSpan / 2, y: inkSpan / 2 };
    if (move) {
      const by = event.shiftKey ? longStep : step;
      const at = { x: clamp(from.x + move[0] * by), y: clamp(from.y + move[1] * by) };
      setCross(at);
      stroke.go(at);
    } else if (event.key === "Enter" || event.key === " ") {
      setCross(from);
      if (!stroke.isOn()) stroke.begin(from);
      else stroke.finish();
      if (hand.hold === "eraser") stroke.finish();
    } else if (event.key === "Escape" && stroke.isOn()) stroke.drop();
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  return { cross, onKey };
}

const placeOf = (box: RefObject<HTMLDivElement | null>, { clientX, clientY }: { clientX: number; clientY: number }) =>
  placeIn(box.current!.getBoundingClientRect(), clientX, clientY);

/** What a hand does on a surface: with a mouse, a finger or a pen, or by keyboard. */
export function Drawing(props: DrawingProps) {
  const { hand, ink } = props;
  const t = useTranslations("board");
  const box = useRef<HTMLDivElement>(null);
  const [typing, setTyping] = useState<At | null>(null);
  const stroke = useStroke(props, setTyping);
  const { cross, onKey } = useKeys(hand, stroke);
  const onMove = (event: PointerEvent) => {
    const passed = stroke.isOn() ? (event.nativeEvent.getCoalescedEvents?.() ?? []) : [];
    stroke.go(
      placeOf(box, event),
      passed.slice(0, -1).map((one) => placeOf(box, one)),
    );
  };
  const typed = (text: string | null) => {
    const mark = text === null || typing === null ? null : markOf(hand, [typing], text);
    setTyping(null);
    if (mark) void ink.draw(mark);
    box.current?.focus();
  };
  return (
    <div
      ref={box}
      role="application"
      aria-label={`${props.label}. ${t("byKeyboard")}`}
      tabIndex={0}
      className={classes(
        "absolute inset-0 touch-none outline-offset-2 focus-visible:outline-2 focus-visible:outline-action",
        hand.hold === "text" ? "cursor-text" : "cursor-crosshair",
      )}
      onPointerDown={(event) => {
        // letters begin where the press ends: what is pressed takes the focus first
        if (event.button !== 0 || typing || hand.hold === "text") return;
        event.currentTarget.setPointerCapture(event.pointerId);
        stroke.begin(placeOf(box, event));
      }}
      onClick={(event) => {
        if (hand.hold === "text" && !typing) setTyping(placeOf(box, event));
      }}
      onPointerMove={onMove}
      onPointerUp={stroke.finish}
      onPointerCancel={stroke.drop}
      onKeyDown={onKey}
    >
      {cross && <Cross at={cross} />}
      {typing && <Typing at={typing} hand={hand} done={typed} />}
    </div>
  );
}
