"use client";
import { useSay } from "@/features/shared/say/say";
import type { RoomLink } from "@/features/shared/room-link/use-room";
import { useCallback, useEffect, useMemo, useState } from "react";
import { liveClock } from "@/core/run-sheet";
import { verdict, type Action } from "@/core/rights";
import { inTray, type DeskView } from "@/core/room";
import { useMessages, useTranslations } from "use-intl";
import { wordsOf } from "@/contracts";
import { directionOf, languageNames, locales, type Locale, type Messages } from "@/contracts/messages";
import { refusalWords } from "@/contracts/messages/refusal";
import type { Failure } from "@/core/shared";
import { Note, Select, Theme } from "@/ui";
import { TeamSignals } from "@/features/shared/rooms/team-signals";
import { segmentsInOrder } from "@/features/shared/segments";
import { useNow } from "@/features/shared/use-now";
import { useRoom } from "@/features/shared/room-link/use-room";
import type { DeskScene } from "./scene";
import { KeyList, useDeskKeys } from "./desk-keys";
import { Crowd } from "./crowd";
import { DeskLine } from "./command-line";
import { DeskLists } from "./desk-lists";
import { deskSeat } from "./desk-seat";
import type { DeskProps } from "./desk-props";
import { DoorsAndCurtain } from "./doors-and-curtain";
import { LatePeople } from "./late-people";
import { Helping } from "./helping";
import { HourColumn } from "./hour-column";
import { PeopleShelves } from "./people-shelves";
import { OpenPoll } from "./polls/open-poll";
import { ProgrammeDesk } from "./programme-desk";
import { useComposer } from "@/features/shared/composer/use-composer";
import { useMesh } from "@/features/shared/links/use-mesh";
import { useSpeakerOnPicture } from "./use-speaker-on-picture";
import { useSounds } from "./sounds";
import { useSilence } from "./use-silence";

function DeskHead({ props, scene }: { props: DeskProps; scene: DeskScene }) {
  const t = useTranslations();
  const say = useSay();
  return (
    <header className="flex items-center gap-4 border-b border-rule px-4 py-1.5">
      <a href={props.backUrl} className="text-label">
        {say`Workspace`}
      </a>
      <h1 className="truncate text-base font-semibold">{scene.view.event["it"]!.title}</h1>
      {props.roomCode && (
        <span className="text-label text-ink-2">
          {say`code`} <span className="mono text-ink">{props.roomCode}</span>
        </span>
      )}
      <Select
        aria-label={t("deskLanguage")}
        className="ms-auto w-auto!"
        value={props.language}
        onChange={({ target }) => void props.chooseLanguage(target.value)}
      >
        {locales.map((one) => (
          <option key={one} value={one}>
            {languageNames[one]}
          </option>
        ))}
      </Select>
      <span className="text-label text-ink-2">
        <kbd className="mono">x</kbd> {say`drop the curtain`} · <kbd className="mono">n</kbd> {say`next cue`} ·{" "}
        <kbd className="mono">Ctrl K</kbd> {say`command line`} · <kbd className="mono">?</kbd> {say`every key`}
      </span>
    </header>
  );
}

/** Why an act was refused, in the reader's language. */
function useRefusals(language: Locale): (failure: Failure) => string {
  const { errors } = useMessages() as unknown as Messages;
  return useCallback(
    (failure) => (language === "en" ? wordsOf(failure) : refusalWords(failure, errors)),
    [language, errors],
  );
}

/** How the line to the room is, and what waits for it. */
function LineNotes({ room }: { room: RoomLink<DeskView> }) {
  const say = useSay();
  return (
    <>
      {room.state === "lost" && (
        <Note tone="attention">
          {say`Connection lost. Trying again.`}{" "}
          {room.waiting > 0
            ? say`Acts that are kept here and sent when it is back: ${room.waiting}.`
            : say`Acts are kept and sent when it is back.`}
        </Note>
      )}
      {room.state === "unwell" && (
        <Note tone="attention">
          {say`The database does not answer. The room stands as it is; acts are kept and sent when it is back.`}
        </Note>
      )}
      {room.refusal && <Note tone="wrong">{room.refusal}</Note>}
    </>
  );
}

const nothingOfOnesOwn = { sound: false, picture: false } as const;
const nothingSent = { stream: null, screen: null } as const;
/** While the hour is recorded nobody is in it who has not agreed. */
function useLeftOut(view: DeskView | null): ReadonlySet<string> {
  const recording = view?.recording["it"];
  const ids = recording && recording.way !== null ? recording.missing.map(({ id }) => id).join() : "";
  return useMemo(() => new Set(ids.split(",").filter(Boolean)), [ids]);
}

/** A sentence in place of the desk. */
const Alone = ({ children }: { children: string }) => (
  <main data-theme="desk" className="min-h-screen p-16 text-center text-lead">
    {children}
  </main>
);

/** The producer's live screen. */
export function Desk(props: DeskProps) {
  const say = useSay();
  const room = useRoom<DeskView>(props.occurrenceId, null, useRefusals(props.language));
  const { view, send, clockAheadMs } = room;
  const [isLineOpen, setLineOpen] = useState(false);
  const [areKeysShown, setKeysShown] = useState(false);
  const [isLateOpen, setLateOpen] = useState(false);
  const [list, setList] = useState("tray");
  const now = useNow(view?.event["it"]?.startAt ?? 0, clockAheadMs);
  const scene = useMemo((): DeskScene | null => {
    const status = view?.status["it"];
    const event = view?.event["it"];
    if (!view || !status || !event) return null;
    const segments = segmentsInOrder(view.segments, event.startAt, event.endAt);
    const { currentSegmentId, cuedAt } = view.cue["it"]!;
    const clock =
      currentSegmentId && cuedAt !== null
        ? liveClock(segments, { segmentId: currentSegmentId, cuedAt }, status.endedAt ?? now, event.endAt)
        : null;
    const circumstance = { phase: status.phase, switches: view.switches["it"]! };
    // duties come and go in the middle of the hour
    const duties = view.stage[props.ticketId]?.duties ?? props.actor.duties;
    const may = (action: Action) => verdict({ ...props.actor, duties }, action, circumstance) === "yes";
    return {
      say,
      view,
      levels: room.levels,
      send,
      now,
      zone: event.zone,
      segments,
      currentIndex: segments.findIndex((one) => one.id === currentSegmentId),
      clock,
      may,
    };
  }, [say, view, room.levels, now, send, props.actor, props.ticketId]);
  // looking into the desk of a date to come opens nothing: that is an act of its own
  const isBackstageOpen = ["backstage", "open"].includes(view?.status["it"]?.phase ?? "");
  useEffect(() => {
    if (view && isBackstageOpen && !(props.ticketId in view.stage)) void send({ type: "stage.enter" });
    // once, when the first picture has come and backstage is open
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [view === null, isBackstageOpen]);
  const links = useMesh(props.occurrenceId, null, room, null, nothingOfOnesOwn);
  const leftOut = useLeftOut(view);
  const composing = useComposer(props.occurrenceId, null, props.ticketId, room, view, links, nothingSent, leftOut);
  const silentMs = useSilence(view, room.levels, now);
  const tray = scene ? inTray(scene.view, { now, overMinutes: scene.clock?.overMinutes ?? null, silentMs }) : [];
  useSpeakerOnPicture(view, room.levels, scene?.may("scenes.put-speaker") ?? false, send);
  useSounds(scene && tray.filter((item) => item.kind === "trouble").map((item) => item.id), view?.audience ?? null);
  useDeskKeys(scene, {
    openLine: () => setLineOpen(true),
    showKeys: () => setKeysShown(true),
    bringIn: () => setLateOpen(props.late !== null),
  });
  if (room.state === "withdrawn") return <Alone>{say`Your place at this desk was withdrawn.`}</Alone>;
  if (!scene)
    return <Alone>{room.state === "lost" ? say`Connection lost. Trying again.` : say`Opening the desk`}</Alone>;
  const seat = deskSeat(room, scene.view, props);
  const heldCount = room.logs.get("chat:held")?.rows.length ?? 0;
  return (
    <Theme
      theme="desk"
      dir={directionOf(props.language)}
      className="flex h-screen min-w-[1100px] flex-col overflow-hidden"
    >
      <LineNotes room={room} />
      <DeskHead props={props} scene={scene} />
      <div className="grid min-h-0 flex-1 grid-cols-[17rem_1fr_24rem]">
        <HourColumn scene={scene} extend={props.extend} />
        <main className="flex min-h-0 flex-col gap-3 overflow-y-auto border-x border-rule p-3">
          <Crowd scene={scene} acts={props.crowd} />
          <Helping room={room} view={scene.view} me={props.ticketId} />
          <DoorsAndCurtain scene={scene} frontUrl={props.frontUrl} />
          <ProgrammeDesk
            {...{ scene, room, seat, links, composing }}
            me={props.ticketId}
            id={props.occurrenceId}
            outletsUrl={props.outletsUrl}
          />
          <TeamSignals view={scene.view} className="min-h-6 text-ink-2" />
          <PeopleShelves scene={scene} setDuties={props.setDuties} />
          {list !== "polls" && <OpenPoll scene={scene} />}
        </main>
        <DeskLists
          tray={tray}
          heldCount={heldCount}
          room={room}
          scene={scene}
          seat={seat}
          props={props}
          openLate={() => setLateOpen(true)}
          list={list}
          setList={setList}
        />
      </div>
      {props.late && <LatePeople acts={props.late} isOpen={isLateOpen} onOpenChange={setLateOpen} />}
      <KeyList isOpen={areKeysShown} onOpenChange={setKeysShown} />
      {isLineOpen && <DeskLine scene={scene} onClose={() => setLineOpen(false)} />}
    </Theme>
  );
}
