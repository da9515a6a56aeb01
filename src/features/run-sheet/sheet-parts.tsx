"use client";
import { Button, Confirm } from "@/ui";
import type { RunSheetInput } from "@/contracts";
import type { RunSheetPlan } from "@/core/run-sheet";
import { clockTime, wallTimeAt } from "@/core/time";
import { useSensors, DndContext, closestCenter } from "@dnd-kit/core";
import { arrayMove, SortableContext, verticalListSortingStrategy } from "@dnd-kit/sortable";
import { dragWords } from "@/features/shared/drag-words";
import { Rail } from "../shared/rail";
import { leaderTone } from "./leader-tone";
import { RailHand } from "./rail-hand";
import { RunSheetEditorProps } from "./editor-props";
import { SegmentRow } from "./segment-row";

export function PlanRail({
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
        tone: leaderTone(sheet.segments[i]!.leaderTicketId),
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
  errorAt,
  sheet,
  plan,
  zone,
  props,
  changeSegment,
  change,
}: {
  errorAt: (path: string) => string | undefined;
  sheet: RunSheetInput;
  plan: RunSheetPlan;
  zone: string;
  props: RunSheetEditorProps;
  changeSegment: (id: string, part: Partial<RunSheetInput["segments"][number]>) => void;
  change: (part: Partial<RunSheetInput>) => void;
}) {
  return (
    <ol>
      {sheet.segments.map((segment, i) => (
        <SegmentRow
          key={segment.id}
          segment={segment}
          errorAt={(field) => errorAt(`segments.${i}.${field}`)}
          planned={plan.segments[i]!}
          zone={zone}
          day={props.startLocal.slice(0, 10)}
          leaders={props.leaders}
          polls={sheet.polls}
          decks={props.decks}
          givesCredit={props.givesCredit}
          onChange={(part) => changeSegment(segment.id, part)}
          onRemove={() => change({ segments: sheet.segments.filter((one) => one.id !== segment.id) })}
        />
      ))}
    </ol>
  );
}
function AddSegment({ change, sheet }: { change: (part: Partial<RunSheetInput>) => void; sheet: RunSheetInput }) {
  return (
    <Button
      className="mt-2"
      onClick={() =>
        change({
          segments: [
            ...sheet.segments,
            {
              id: crypto.randomUUID(),
              title: "",
              lengthMinutes: 10,
              fixedStartLocal: null,
              leaderTicketId: null,
              besideTicketIds: [],
              pollId: null,
              deckId: null,
              deckPage: 1,
              scene: null,
              carriesCredit: false,
            },
          ],
        })
      }
    >
      Add a segment
    </Button>
  );
}
export function SaveRow({
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
    <div className="flex flex-wrap items-center gap-3">
      <Button weight="act" disabled={isPending} onClick={save}>
        Save
      </Button>
      {isDirty && <span className="text-ink-2">Not saved yet; kept in this browser.</span>}
      {props.hasLaterDates && !isDirty && (
        <Confirm
          trigger={<Button disabled={isPending}>Copy to all later dates</Button>}
          title="Copy to all later dates"
          act="Copy"
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
export function SegmentTable({
  errorAt,
  sensors,
  sheet,
  change,
  plan,
  zone,
  props,
  changeSegment,
}: {
  errorAt: (path: string) => string | undefined;
  sensors: ReturnType<typeof useSensors>;
  sheet: RunSheetInput;
  change: (part: Partial<RunSheetInput>) => void;
  plan: RunSheetPlan;
  zone: string;
  props: RunSheetEditorProps;
  changeSegment: (id: string, part: Partial<RunSheetInput["segments"][number]>) => void;
}) {
  return (
    <div id="segments">
      <div className="hidden grid-cols-[2rem_4.5rem_4.5rem_minmax(0,1fr)_5rem_7rem_10rem_10rem_2rem] gap-2 text-label text-ink-2 lg:grid">
        <span />
        <span>Starts</span>
        <span>Must start by</span>
        <span>Segment</span>
        <span>Length</span>
        <span>Fixed start</span>
        <span>Led by</span>
        <span>Poll</span>
      </div>
      <DndContext
        id="run-sheet"
        sensors={sensors}
        accessibility={dragWords((id) => sheet.segments.find((one) => one.id === id)?.title || "A segment")}
        collisionDetection={closestCenter}
        onDragEnd={({ active, over: target }) => {
          if (!target || active.id === target.id) return;
          const at = (id: unknown) => sheet.segments.findIndex((one) => one.id === id);
          change({ segments: arrayMove(sheet.segments, at(active.id), at(target.id)) });
        }}
      >
        <SortableContext items={sheet.segments.map((one) => one.id)} strategy={verticalListSortingStrategy}>
          <SegmentRows
            errorAt={errorAt}
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
