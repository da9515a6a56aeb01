"use client";
import { useSortable } from "@dnd-kit/sortable";
import { CSS } from "@dnd-kit/utilities";
import { GripVertical, X } from "lucide-react";
import type { RunSheetInput } from "@/contracts";
import type { PlannedSegment } from "@/core/run-sheet";
import { clockTime } from "@/core/time";
import { ClockInput } from "@/features/shared/clock-input";
import { Input, Select, IconButton, FieldError } from "@/ui";
import { leaderTone } from "./leader-tone";

type Segment = RunSheetInput["segments"][number];

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
  /** what is wrong at a field of this segment */
  errorAt: (field: string) => string | undefined;
}) {
  const { segment, planned, zone } = props;
  const { attributes, listeners, setNodeRef, transform, transition } = useSortable({ id: segment.id });
  const { overlapMinutes: overlap, gapMinutes: gap } = planned;
  return (
    <li
      ref={setNodeRef}
      style={{
        transform: CSS.Transform.toString(transform),
        transition,
        borderInlineStartColor: leaderTone(segment.leaderTicketId),
      }}
      className="grid grid-cols-[2rem_4.5rem_4.5rem_1fr_5rem_7rem_10rem_10rem_2rem] items-center gap-2 border-s-4 border-t border-t-rule bg-ground py-1.5"
    >
      <IconButton
        {...attributes}
        {...listeners}
        label={`Move ${segment.title || "the segment"}`}
        icon={<GripVertical size={16} aria-hidden />}
        className="cursor-grab p-1 text-ink-2"
      />
      <span className="mono">{clockTime(planned.startAt, zone)}</span>
      <span className="mono text-ink-2">{clockTime(planned.latestStartAt, zone)}</span>
      <span>
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
        {overlap > 0 && (
          <span className="text-label text-wrong">
            the one before runs {Math.round(overlap)} min into this fixed start
          </span>
        )}
        {gap > 0 && <span className="text-label text-attention">{Math.round(gap)} min of nothing before it</span>}
        {planned.earlyMinutes > 0 && (
          <span className="block text-label text-wrong">
            starts {Math.round(planned.earlyMinutes)} min before the date itself
          </span>
        )}
        {planned.lateMinutes > 0 && (
          <span className="block text-label text-wrong">
            ends {Math.round(planned.lateMinutes)} min after the date’s end
          </span>
        )}
      </span>
      <Input
        aria-label="Length in minutes"
        aria-invalid={props.errorAt("lengthMinutes") !== undefined}
        type="number"
        min={1}
        className="mono"
        value={segment.lengthMinutes}
        onChange={(e) => props.onChange({ lengthMinutes: Number(e.target.value) })}
      />
      <ClockInput
        aria-label="Fixed start"
        value={segment.fixedStartLocal?.slice(11) ?? null}
        onChange={(clock) => props.onChange({ fixedStartLocal: clock ? `${props.day}T${clock}` : null })}
      />
      <Select
        aria-label="Led by"
        value={segment.leaderTicketId ?? ""}
        onChange={(e) => props.onChange({ leaderTicketId: e.target.value || null })}
      >
        <option value="">nobody</option>
        {props.leaders.map((leader) => (
          <option key={leader.id} value={leader.id}>
            {leader.name}
          </option>
        ))}
      </Select>
      <Select
        aria-label="Poll"
        value={segment.pollId ?? ""}
        onChange={(e) => props.onChange({ pollId: e.target.value || null })}
      >
        <option value="">none</option>
        {props.polls.map((poll) => (
          <option key={poll.id} value={poll.id}>
            {poll.question || "unnamed"}
          </option>
        ))}
      </Select>
      <IconButton
        label={`Remove ${segment.title || "the segment"}`}
        icon={<X size={16} aria-hidden />}
        onClick={props.onRemove}
        className="p-1 text-ink-2"
      />
    </li>
  );
}
