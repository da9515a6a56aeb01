"use client";

import { useSortable } from "@dnd-kit/sortable";
import { CSS } from "@dnd-kit/utilities";
import { GripVertical, X } from "lucide-react";
import type { ReactNode } from "react";
import type { RunSheetInput } from "@/contracts";
import { pollTitle } from "@/core/polls";
import type { PlannedSegment } from "@/core/run-sheet";
import { clockTime } from "@/core/time";
import { ClockInput } from "@/features/shared/clock-input";
import { Checkbox, FieldError, IconButton, Input, Popover, Press, Select } from "@/ui";
import type { RunSheetEditorProps } from "./editor-props";
import { leaderTone } from "./leader-tone";
import { SceneChoice } from "./scene-choice";
import { SlidesChoice } from "./slides-choice";

type Segment = RunSheetInput["segments"][number];

/** What does not fit in time, a line each. */
function TimingNotes({ planned }: { planned: PlannedSegment }) {
  const notes: readonly [minutes: number, isWrong: boolean, words: (minutes: number) => string][] = [
    [planned.overlapMinutes, true, (n) => `the one before runs ${n} min into this fixed start`],
    [planned.gapMinutes, false, (n) => `${n} min of nothing before it`],
    [planned.earlyMinutes, true, (n) => `starts ${n} min before the date itself`],
    [planned.lateMinutes, true, (n) => `ends ${n} min after the date’s end`],
  ];
  return notes
    .filter(([minutes]) => minutes > 0)
    .map(([minutes, isWrong, words], i) => (
      <span key={i} className={`block text-label ${isWrong ? "text-wrong" : "text-attention"}`}>
        {words(Math.round(minutes))}
      </span>
    ));
}

/** A field of the row: under its head where there is a line of heads, beside its own name where there is none. */
function Cell({ name, children }: { name: string; children: ReactNode }) {
  return (
    <div className="flex min-w-0 items-center gap-2 max-lg:col-start-2 lg:block">
      <span className="w-24 shrink-0 text-label text-ink-2 lg:hidden" aria-hidden>
        {name}
      </span>
      <div className="min-w-0 flex-1">{children}</div>
    </div>
  );
}

/** Who leads the segment, and who stands beside them. */
function Led(props: {
  segment: Segment;
  leaders: readonly { id: string; name: string }[];
  onChange: (part: Partial<Segment>) => void;
}) {
  const { leaderTicketId, besideTicketIds, title } = props.segment;
  const others = props.leaders.filter((one) => one.id !== leaderTicketId);
  const beside = others.filter((one) => besideTicketIds.includes(one.id));
  return (
    <span>
      <Select
        aria-label="Led by"
        value={leaderTicketId ?? ""}
        onChange={(e) => props.onChange({ leaderTicketId: e.target.value || null })}
      >
        <option value="">nobody</option>
        {props.leaders.map((leader) => (
          <option key={leader.id} value={leader.id}>
            {leader.name}
          </option>
        ))}
      </Select>
      {leaderTicketId && others.length > 0 && (
        <Popover
          trigger={
            <Press
              aria-label={`Who leads ${title || "the segment"} beside them`}
              className="min-h-6 max-w-full truncate text-label text-ink-2 hover:underline"
            >
              {beside.length > 0 ? `with ${beside.map((one) => one.name).join(", ")}` : "Add somebody beside"}
            </Press>
          }
        >
          <fieldset className="flex flex-col gap-1">
            <legend className="mb-1 font-medium">Beside them</legend>
            {others.map((one) => (
              <label key={one.id} className="flex min-h-6 items-center gap-2">
                <Checkbox
                  checked={besideTicketIds.includes(one.id)}
                  onChange={(event) =>
                    props.onChange({
                      besideTicketIds: event.target.checked
                        ? [...besideTicketIds, one.id]
                        : besideTicketIds.filter((id) => id !== one.id),
                    })
                  }
                />
                {one.name}
              </label>
            ))}
          </fieldset>
        </Popover>
      )}
    </span>
  );
}

/** Credit is for being there in this segment. */
function CarriesCredit(props: {
  segment: RunSheetInput["segments"][number];
  onChange: (part: Partial<RunSheetInput["segments"][number]>) => void;
}) {
  return (
    <label className="mt-1 flex items-center gap-1.5 text-label text-ink-2">
      <Checkbox
        checked={props.segment.carriesCredit}
        onChange={(event) => props.onChange({ carriesCredit: event.target.checked })}
      />
      carries the credit
    </label>
  );
}

/** One row of the run sheet. */
export function SegmentRow(props: {
  segment: Segment;
  planned: PlannedSegment;
  zone: string;
  day: string;
  leaders: readonly { id: string; name: string }[];
  polls: RunSheetInput["polls"];
  onChange: (part: Partial<Segment>) => void;
  onRemove: () => void;
  decks: RunSheetEditorProps["decks"];
  /** being there earns something at this event */
  givesCredit: boolean;
  /** what is wrong at a field of this segment */
  errorAt: (field: string) => string | undefined;
}) {
  const { segment, planned, zone } = props;
  const { attributes, listeners, setNodeRef, transform, transition } = useSortable({ id: segment.id });
  return (
    <li
      ref={setNodeRef}
      style={{
        transform: CSS.Transform.toString(transform),
        transition,
        borderInlineStartColor: leaderTone(segment.leaderTicketId),
      }}
      className="grid grid-cols-[2rem_minmax(0,1fr)_2rem] items-center gap-2 border-s-4 border-t border-t-rule bg-ground py-1.5 lg:grid-cols-[2rem_4.5rem_4.5rem_minmax(0,1fr)_5rem_7rem_10rem_10rem_2rem]"
    >
      <IconButton
        {...attributes}
        {...listeners}
        label={`Move ${segment.title || "the segment"}`}
        icon={<GripVertical size={16} aria-hidden />}
        className="cursor-grab p-1 text-ink-2"
      />
      <span className="mono">{clockTime(planned.startAt, zone)}</span>
      <Cell name="Must start by">
        <span className="mono text-ink-2">{clockTime(planned.latestStartAt, zone)}</span>
      </Cell>
      <span className="min-w-0 max-lg:col-start-2">
        <Input
          aria-label="Segment"
          aria-invalid={props.errorAt("title") !== undefined}
          value={segment.title}
          onChange={(e) => props.onChange({ title: e.target.value })}
        />
        {["title", "lengthMinutes", "fixedStartLocal"].map((field) => {
          const words = props.errorAt(field);
          return words && <FieldError key={field}>{words}</FieldError>;
        })}
        <TimingNotes planned={planned} />
        {props.decks.length > 0 && <SlidesChoice segment={segment} decks={props.decks} onChange={props.onChange} />}
        <SceneChoice segment={segment} onChange={props.onChange} />
        {props.givesCredit && <CarriesCredit segment={segment} onChange={props.onChange} />}
      </span>
      <Cell name="Length, min">
        <Input
          aria-label="Length in minutes"
          aria-invalid={props.errorAt("lengthMinutes") !== undefined}
          type="number"
          min={1}
          className="mono"
          value={segment.lengthMinutes}
          onChange={(e) => props.onChange({ lengthMinutes: Number(e.target.value) })}
        />
      </Cell>
      <Cell name="Fixed start">
        <ClockInput
          aria-label="Fixed start"
          value={segment.fixedStartLocal?.slice(11) ?? null}
          onChange={(clock) => props.onChange({ fixedStartLocal: clock ? `${props.day}T${clock}` : null })}
        />
      </Cell>
      <Cell name="Led by">
        <Led segment={segment} leaders={props.leaders} onChange={props.onChange} />
      </Cell>
      <Cell name="Poll">
        <Select
          aria-label="Poll"
          value={segment.pollId ?? ""}
          onChange={(e) => props.onChange({ pollId: e.target.value || null })}
        >
          <option value="">none</option>
          {props.polls.map((poll) => (
            <option key={poll.id} value={poll.id}>
              {pollTitle(poll) || "unnamed"}
            </option>
          ))}
        </Select>
      </Cell>
      <IconButton
        label={`Remove ${segment.title || "the segment"}`}
        icon={<X size={16} aria-hidden />}
        onClick={props.onRemove}
        className="p-1 text-ink-2 max-lg:col-start-3 max-lg:row-start-1"
      />
    </li>
  );
}
