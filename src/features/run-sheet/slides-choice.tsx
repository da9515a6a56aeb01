"use client";
import type { RunSheetInput } from "@/contracts";
import { Input, Select } from "@/ui";
import type { RunSheetEditorProps } from "./editor-props";

type Segment = RunSheetInput["segments"][number];

/** The slides that open with the segment's cue, and at which page. */
export function SlidesChoice(props: {
  segment: Segment;
  decks: RunSheetEditorProps["decks"];
  onChange: (part: Partial<Segment>) => void;
}) {
  const { deckId, deckPage, title } = props.segment;
  const deck = props.decks.find((one) => one.id === deckId);
  return (
    <span className="mt-1 flex min-w-0 items-center gap-2 text-label text-ink-2">
      <Select
        aria-label={`Slides of ${title || "the segment"}`}
        className="min-w-0 flex-1"
        value={deckId ?? ""}
        onChange={(event) => props.onChange({ deckId: event.target.value || null, deckPage: 1 })}
      >
        <option value="">no slides</option>
        {props.decks.map((one) => (
          <option key={one.id} value={one.id}>
            {one.title}
          </option>
        ))}
      </Select>
      {deck && (
        <>
          page
          <Input
            aria-label={`First page of ${title || "the segment"}`}
            type="number"
            min={1}
            max={Math.max(1, deck.pageCount)}
            className="mono w-14! shrink-0"
            value={deckPage}
            onChange={(event) => props.onChange({ deckPage: Number(event.target.value) })}
          />
        </>
      )}
    </span>
  );
}
