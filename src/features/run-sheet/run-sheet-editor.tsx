"use client";
import type { RunSheetPlan } from "@/core/run-sheet";
import { closestCenter, DndContext, KeyboardSensor, PointerSensor, useSensor, useSensors } from "@dnd-kit/core";
import {
  arrayMove,
  SortableContext,
  sortableKeyboardCoordinates,
  verticalListSortingStrategy,
} from "@dnd-kit/sortable";
import { useState, useTransition } from "react";
import { toast } from "sonner";
import type { RunSheetInput } from "@/contracts";
import { planRunSheet } from "@/core/run-sheet";
import { clockTime, instantOf, minuteMs, wallTimeAt } from "@/core/time";
import { Button, Confirm, Note } from "@/ui";
import { Rail } from "@/features/shared/rail";
import { DraftNote, useDraft } from "@/features/shared/use-draft";
import { PartEditor } from "./part-editor";
import { PollEditor } from "./poll-editor";
import { RailHand } from "./rail-hand";
import { SegmentRow } from "./segment-row";

export interface RunSheetEditorProps {
  readonly initial: RunSheetInput;
  readonly startAt: number;
  readonly endAt: number;
  readonly startLocal: string;
  readonly zone: string;
  readonly leaders: readonly { id: string; name: string }[];
  readonly mayEdit: boolean;
  /** what the sheet was when it was loaded: a save over somebody else's is refused */
  readonly tag: string;
  readonly draftKey: string;
  readonly save: (
    tag: string,
    input: RunSheetInput,
  ) => Promise<{ ok: true; value: string } | { ok: false; words: string }>;
  /** a series goes on after this date */
  readonly hasLaterDates: boolean;
  /** lays this sheet into the later dates; how many */
  readonly copy: () => Promise<{ ok: true; value: number } | { ok: false; words: string }>;
}

/** The sheet with other polls; a segment whose poll is gone has none. */
function withPolls(sheet: RunSheetInput, polls: RunSheetInput["polls"]): RunSheetInput {
  const ids = new Set(polls.map((poll) => poll.id));
  return {
    ...sheet,
    polls,
    segments: sheet.segments.map((one) =>
      one.pollId !== null && !ids.has(one.pollId) ? { ...one, pollId: null } : one,
    ),
  };
}

function PlanRail({
  startAt,
  endAt,
  plan,
  zone,
  sheet,
  props,
  changeSegment,
}: {
  startAt: number;
  endAt: number;
  plan: RunSheetPlan;
  zone: string;
  sheet: RunSheetInput;
  props: RunSheetEditorProps;
  changeSegment: (id: string, part: Partial<RunSheetInput["segments"][number]>) => void;
}) {
  return (
    <Rail
      size="large"
      from={startAt}
      to={Math.max(endAt, plan.segmentsEndAt)}
      zone={zone}
      blocks={plan.segments.map((row, i) => ({
        ...row,
        title: sheet.segments[i]!.title,
        isFixed: sheet.segments[i]!.fixedStartLocal !== null,
        overlapMinutes: row.overlapMinutes,
      }))}
      marks={[
        { at: startAt, label: clockTime(startAt, zone) },
        { at: endAt, label: `end ${clockTime(endAt, zone)}` },
      ]}
    >
      {props.mayEdit && (
        <RailHand
          from={startAt}
          to={Math.max(endAt, plan.segmentsEndAt)}
          blocks={plan.segments.map((row, i) => ({
            id: row.id,
            title: sheet.segments[i]!.title,
            startAt: row.startAt,
            endAt: row.endAt,
            gapMinutes: row.gapMinutes,
          }))}
          onStretch={(id, lengthMinutes) => changeSegment(id, { lengthMinutes })}
          onPin={(id, at) => changeSegment(id, { fixedStartLocal: wallTimeAt(at, zone).local })}
        />
      )}
    </Rail>
  );
}

function SegmentRows({
  sheet,
  plan,
  zone,
  props,
  changeSegment,
  change,
}: {
  sheet: RunSheetInput;
  plan: RunSheetPlan;
  zone: string;
  props: RunSheetEditorProps;
  changeSegment: (id: string, part: Partial<RunSheetInput["segments"][number]>) => void;
  change: (next: RunSheetInput) => void;
}) {
  return (
    <ol>
      {sheet.segments.map((segment, i) => (
        <SegmentRow
          key={segment.id}
          segment={segment}
          planned={plan.segments[i]!}
          zone={zone}
          day={props.startLocal.slice(0, 10)}
          leaders={props.leaders}
          polls={sheet.polls}
          onChange={(part) => changeSegment(segment.id, part)}
          onRemove={() => change({ ...sheet, segments: sheet.segments.filter((one) => one.id !== segment.id) })}
        />
      ))}
    </ol>
  );
}

function AddSegment({ change, sheet }: { change: (next: RunSheetInput) => void; sheet: RunSheetInput }) {
  return (
    <Button
      className="mt-2"
      onClick={() =>
        change({
          ...sheet,
          segments: [
            ...sheet.segments,
            {
              id: crypto.randomUUID(),
              title: "",
              lengthMinutes: 10,
              fixedStartLocal: null,
              leaderTicketId: null,
              pollId: null,
            },
          ],
        })
      }
    >
      Add a segment
    </Button>
  );
}

function SaveRow({
  isPending,
  save,
  isDirty,
  props,
  copy,
}: {
  isPending: boolean;
  save: () => void;
  isDirty: boolean;
  props: RunSheetEditorProps;
  copy: () => void;
}) {
  return (
    <div className="flex items-center gap-3">
      <Button weight="act" disabled={isPending} onClick={save}>
        Save the run sheet
      </Button>
      {isDirty && <span className="text-ink-2">Not saved yet; kept in this browser.</span>}
      {props.hasLaterDates && !isDirty && (
        <Confirm
          trigger={<Button disabled={isPending}>Lay it into all later dates</Button>}
          title="Lay it into all later dates"
          act="Lay it in"
          onConfirm={copy}
        >
          <p>
            Later dates that have no segments and polls yet get these, with hours of their own. A date that has a run
            sheet keeps it.
          </p>
        </Confirm>
      )}
    </div>
  );
}

function SegmentTable({
  sensors,
  sheet,
  change,
  plan,
  zone,
  props,
  changeSegment,
}: {
  sensors: ReturnType<typeof useSensors>;
  sheet: RunSheetInput;
  change: (next: RunSheetInput) => void;
  plan: RunSheetPlan;
  zone: string;
  props: RunSheetEditorProps;
  changeSegment: (id: string, part: Partial<RunSheetInput["segments"][number]>) => void;
}) {
  return (
    <div id="segments">
      <div className="grid grid-cols-[2rem_4.5rem_4.5rem_1fr_5rem_7rem_10rem_10rem_2rem] gap-2 text-label text-ink-2">
        <span />
        <span>Starts</span>
        <span>Latest</span>
        <span>Segment</span>
        <span>Length</span>
        <span>Fixed start</span>
        <span>Led by</span>
        <span>Poll</span>
      </div>
      <DndContext
        id="run-sheet"
        sensors={sensors}
        collisionDetection={closestCenter}
        onDragEnd={({ active, over: target }) => {
          if (!target || active.id === target.id) return;
          const at = (id: unknown) => sheet.segments.findIndex((one) => one.id === id);
          change({ ...sheet, segments: arrayMove(sheet.segments, at(active.id), at(target.id)) });
        }}
      >
        <SortableContext items={sheet.segments.map((one) => one.id)} strategy={verticalListSortingStrategy}>
          <SegmentRows
            sheet={sheet}
            plan={plan}
            zone={zone}
            props={props}
            changeSegment={changeSegment}
            change={change}
          />
        </SortableContext>
      </DndContext>
      {sheet.segments.length === 0 && <p className="py-3 text-ink-2">Nothing is planned for the hour yet.</p>}
      <AddSegment change={change} sheet={sheet} />
    </div>
  );
}

/** The plan of the hour on the rail, reordered by hand or by keyboard. */
export function RunSheetEditor(props: RunSheetEditorProps) {
  const { startAt, endAt, zone } = props;
  const [sheet, setSheet] = useState(props.initial);
  const [isDirty, setDirty] = useState(false);
  const [tag, setTag] = useState(props.tag);
  const [wrong, setWrong] = useState<string | null>(null);
  const [isPending, run] = useTransition();
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const change = (next: RunSheetInput) => {
    setSheet(next);
    setDirty(true);
  };
  const draft = useDraft(
    props.draftKey,
    () => sheet,
    isDirty,
    (kept) => change({ ...sheet, ...kept }),
  );
  const changeSegment = (id: string, part: Partial<RunSheetInput["segments"][number]>) =>
    change({ ...sheet, segments: sheet.segments.map((one) => (one.id === id ? { ...one, ...part } : one)) });
  const timedSegments = sheet.segments.map((one) => ({
    id: one.id,
    lengthMinutes: Math.max(1, one.lengthMinutes || 1),
    fixedStartAt: one.fixedStartLocal ? instantOf({ local: one.fixedStartLocal, zone }) : null,
  }));
  const plan = planRunSheet(timedSegments, startAt, endAt);
  const over = Math.round((plan.segmentsEndAt - plan.plannedEndAt) / minuteMs);
  const save = () =>
    run(async () => {
      const done = await props.save(tag, sheet);
      setWrong(done.ok ? null : done.words);
      if (done.ok) {
        setTag(done.value);
        setDirty(false);
        draft.forget();
        toast("Run sheet saved.");
      }
    });
  const copy = () =>
    run(async () => {
      const done = await props.copy();
      if (done.ok) toast(`Laid into ${done.value} later ${done.value === 1 ? "date" : "dates"}.`);
      else setWrong(done.words);
    });
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
        Segments end at <span className="mono">{clockTime(plan.segmentsEndAt, zone)}</span>, the date at{" "}
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
        />
        <PartEditor
          parts={sheet.parts}
          startLocal={props.startLocal}
          leaders={props.leaders}
          onChange={(parts) => change({ ...sheet, parts })}
        />
        <PollEditor polls={sheet.polls} onChange={(polls) => change(withPolls(sheet, polls))} />
      </fieldset>
      {props.mayEdit && <SaveRow isPending={isPending} save={save} isDirty={isDirty} props={props} copy={copy} />}
    </div>
  );
}
