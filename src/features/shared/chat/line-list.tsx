"use client";
import { useLayoutEffect, useRef, useState, type ReactNode } from "react";
import { isStageRole, type Role } from "@/core/people";
import { clockTime } from "@/core/time";
import { Badge, Button, classes } from "@/ui";
import { pieces, type ShownLine } from "./rows";
import type { ChatWords } from "./words";

const isAtEnd = (box: HTMLElement): boolean => box.scrollHeight - box.scrollTop - box.clientHeight < 40;

function Words({ line }: { line: ShownLine }) {
  return (
    <p dir="auto" className="break-words whitespace-pre-wrap">
      {pieces(line.text, isStageRole(line.role as Role)).map(({ text, href }, i) =>
        href ? (
          <a key={i} href={href} target="_blank" rel="noreferrer noopener">
            {text}
          </a>
        ) : (
          <span key={i}>{text}</span>
        ),
      )}
    </p>
  );
}

function whoWords(line: ShownLine, me: string, words: ChatWords): string {
  if (line.authorId === me) return line.to === "note" ? words.noteMine : words.you;
  return line.to === "note" && line.withId === me ? words.note : line.name;
}

function LineItem({
  line,
  me,
  zone,
  words,
  acts,
}: {
  line: ShownLine;
  me: string;
  zone: string;
  words: ChatWords;
  acts?: ReactNode;
}) {
  const isTeam = line.role === "producer" || line.role === "crew";
  const isStage = !isTeam && isStageRole(line.role as Role);
  return (
    <li
      className={classes(
        "group relative border-s-2 py-1 ps-2.5",
        line.to === "note"
          ? "border-attention bg-attention-ground"
          : isTeam || isStage
            ? "border-action"
            : "border-transparent",
        line.isHeld && "opacity-70",
      )}
    >
      <p className="flex items-baseline gap-2 text-label text-ink-2">
        <bdi className="truncate font-semibold text-ink">{whoWords(line, me, words)}</bdi>
        {isTeam && line.to !== "note" && <span>{words.team}</span>}
        {isStage && <span>{words.stage}</span>}
        {line.isQuestion && <Badge tone="action">{words.question}</Badge>}
        {line.isHeld && <Badge tone="attention">{words.waiting}</Badge>}
        <time className="ms-auto" dateTime={new Date(line.at).toISOString()}>
          {clockTime(line.at, zone)}
        </time>
      </p>
      <Words line={line} />
      {acts}
    </li>
  );
}

/**
 * A scrolled box of lines. At its end it follows what comes; away from it, lines that come in front push nothing
 * away. `keep` is called before they are asked for.
 */
function useLineBox(lines: readonly ShownLine[], isFollowing: boolean) {
  const box = useRef<HTMLDivElement>(null);
  const heightBefore = useRef<number | null>(null);
  const firstId = lines[0]?.id;
  useLayoutEffect(() => {
    if (heightBefore.current === null || !box.current) return;
    box.current.scrollTop += box.current.scrollHeight - heightBefore.current;
    heightBefore.current = null;
  }, [firstId]);
  const lastId = lines.at(-1)?.id;
  useLayoutEffect(() => {
    if (isFollowing && box.current) box.current.scrollTop = box.current.scrollHeight;
  }, [lastId, lines.length, isFollowing]);
  const keep = () => {
    heightBefore.current = box.current?.scrollHeight ?? null;
  };
  return { box, keep };
}

/**
 * Lines in the order of their arrival. Whoever reads back is not pulled away: what comes meanwhile is
 * counted below, and one press leads to it.
 */
export function LineList(props: {
  lines: readonly ShownLine[];
  me: string;
  zone: string;
  words: ChatWords;
  sizePx?: number;
  acts?: (line: ShownLine) => ReactNode;
  /** reads a page of what came before; left out where there is nothing more */
  earlier?: (() => Promise<void>) | undefined;
}) {
  const { lines, words } = props;
  // the last line that was seen before reading back; null: at the end
  const [seen, setSeen] = useState<string | null>(null);
  const fresh = seen === null ? 0 : lines.length - 1 - lines.findLastIndex((line) => line.id === seen);
  const { box, keep } = useLineBox(lines, seen === null);
  return (
    <div className="relative flex min-h-0 flex-1 flex-col">
      <div
        ref={box}
        tabIndex={0}
        role="log"
        aria-label={words.title}
        className="min-h-24 flex-1 overflow-y-auto"
        onScroll={() => {
          if (!box.current) return;
          if (isAtEnd(box.current)) setSeen(null);
          else setSeen((before) => before ?? lines.at(-1)?.id ?? null);
        }}
      >
        {props.earlier && lines.length > 0 && (
          <Button
            size="small"
            weight="plain"
            className="mx-auto block"
            onClick={() => {
              // whoever asks for what came before reads back
              setSeen((before) => before ?? lines.at(-1)?.id ?? null);
              keep();
              void props.earlier!();
            }}
          >
            {words.earlier}
          </Button>
        )}
        {lines.length === 0 && <p className="py-2 text-ink-2">{words.empty}</p>}
        <ul className="flex flex-col gap-1" style={{ fontSize: props.sizePx ?? 14 }}>
          {lines.map((line) => (
            <LineItem
              key={line.id}
              line={line}
              me={props.me}
              zone={props.zone}
              words={words}
              acts={props.acts?.(line)}
            />
          ))}
        </ul>
      </div>
      {fresh > 0 && (
        <Button
          size="small"
          weight="act"
          className="absolute inset-x-0 bottom-1 mx-auto w-fit"
          onClick={() => setSeen(null)}
        >
          {words.newLines(fresh)}
        </Button>
      )}
    </div>
  );
}
