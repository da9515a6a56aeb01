"use client";
import { RunSheetEditorProps } from "./editor-props";
import { KeyboardSensor, PointerSensor, useSensor, useSensors } from "@dnd-kit/core";
import { sortableKeyboardCoordinates } from "@dnd-kit/sortable";
import { useState, useTransition } from "react";
import type { z } from "zod";
import { runSheetInput, type RunSheetInput } from "@/contracts";
import { planRunSheet } from "@/core/run-sheet";
import { clockTime, instantOf, minuteMs } from "@/core/time";
import { Note, toast } from "@/ui";
import { DraftNote } from "@/features/shared/use-draft";
import { useContractEditor } from "@/features/shared/contract-editor";
import { PartEditor } from "./part-editor";
import { PollEditor } from "./poll-editor";
import { PlanRail, SegmentTable, SaveRow } from "./sheet-parts";

/** The sheet with other polls; a segment whose poll is gone has none. */
function withPolls(sheet: RunSheetInput, polls: RunSheetInput["polls"]): Pick<RunSheetInput, "polls" | "segments"> {
  const ids = new Set(polls.map((poll) => poll.id));
  return {
    polls,
    segments: sheet.segments.map((one) =>
      one.pollId !== null && !ids.has(one.pollId) ? { ...one, pollId: null } : one,
    ),
  };
}

/** The plan of the hour on the rail, reordered by hand or by keyboard. */
export function RunSheetEditor(props: RunSheetEditorProps) {
  const { startAt, endAt, zone } = props;
  const [tag, setTag] = useState(props.tag);
  const [isCopying, run] = useTransition();
  const editor = useContractEditor({
    schema: runSheetInput as z.ZodType<RunSheetInput>,
    initial: props.initial,
    draftKey: props.draftKey,
    save: (sheet) => props.save(tag, sheet),
    onSaved: (next) => {
      setTag(next);
      toast("Run sheet saved.");
    },
  });
  const { value: sheet, change, isDirty, wrong, draft } = editor;
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const changeSegment = (id: string, part: Partial<RunSheetInput["segments"][number]>) =>
    change({ segments: sheet.segments.map((one) => (one.id === id ? { ...one, ...part } : one)) });
  const timedSegments = sheet.segments.map((one) => ({
    id: one.id,
    lengthMinutes: Math.max(1, one.lengthMinutes || 1),
    fixedStartAt: one.fixedStartLocal ? instantOf({ local: one.fixedStartLocal, zone }) : null,
  }));
  const plan = planRunSheet(timedSegments, startAt, endAt);
  const over = Math.round((plan.segmentsEndAt - plan.plannedEndAt) / minuteMs);
  const copy = () =>
    run(async () => {
      const done = await props.copy();
      if (done.ok) toast(`Laid into ${done.value} later ${done.value === 1 ? "date" : "dates"}.`);
      else editor.setWrong(done.words);
    });
  const total = sheet.segments.reduce((sum, one) => sum + Number(one.lengthMinutes), 0);
  return (
    <div className="flex flex-col gap-4">
      {props.mayEdit && <DraftNote draft={draft} />}
      <PlanRail
        startAt={startAt}
        endAt={endAt}
        plan={plan}
        zone={zone}
        sheet={sheet}
        props={props}
        changeSegment={changeSegment}
      />
      <p className={over > 0 ? "text-attention" : "text-ink-2"}>
        <span className="mono">{total}</span> min in {sheet.segments.length}{" "}
        {sheet.segments.length === 1 ? "segment" : "segments"}. They end at{" "}
        <span className="mono">{clockTime(plan.segmentsEndAt, zone)}</span>, the date at{" "}
        <span className="mono">{clockTime(endAt, zone)}</span>
        {over > 0 ? `: ${over} min too long.` : over < 0 ? `: ${-over} min to spare.` : "."}
      </p>
      {wrong && <Note tone="wrong">{wrong}</Note>}
      <fieldset disabled={!props.mayEdit} className="contents">
        <SegmentTable
          sensors={sensors}
          sheet={sheet}
          change={change}
          plan={plan}
          zone={zone}
          props={props}
          changeSegment={changeSegment}
          errorAt={editor.errorAt}
        />
        <PartEditor
          errorAt={editor.errorAt}
          parts={sheet.parts}
          startLocal={props.startLocal}
          leaders={props.leaders}
          onChange={(parts) => change({ parts })}
        />
        <PollEditor
          errorAt={editor.errorAt}
          polls={sheet.polls}
          onChange={(polls) => change(withPolls(sheet, polls))}
        />
      </fieldset>
      {props.mayEdit && (
        <SaveRow
          isPending={editor.isPending || isCopying}
          save={editor.save}
          isDirty={isDirty}
          props={props}
          copy={copy}
        />
      )}
    </div>
  );
}
