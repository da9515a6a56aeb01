"use client";

import { StageChat } from "../chat/team-chat";
import { useEffect, useRef } from "react";
import { useTranslations } from "use-intl";
import type { Messages } from "@/contracts/messages";
import { refusalWords } from "@/contracts/messages/refusal";
import { liveClock } from "@/core/run-sheet";
import type { StageView } from "@/core/room";
import { Note } from "@/ui";
import { useComposer } from "../composer/use-composer";
import { StagePictures } from "../links/stage-pictures";
import { useMesh } from "../links/use-mesh";
import { OwnScreen } from "../screens/own-screen";
import { SharedScreens } from "../screens/shared-screens";
import { useOwnScreen, type OwnScreen as OwnScreenState } from "../screens/use-own-screen";
import { RecordingAsk, RecordingSign } from "../recording/recording-sign";
import { GotByHouse } from "../watch/got-by-house";
import { OwnHelpPlace } from "../help/own-help";
import { OwnDevices } from "../devices/own-devices";
import { segmentsInOrder } from "../segments";
import { TeamSignals } from "./team-signals";
import { useDevices } from "../devices/use-devices";
import { useOwnLevel } from "./use-own-level";
import { useNow } from "../use-now";
import { useRoom, type RoomLink } from "../room-link/use-room";
import { LinkNote } from "./house-room";
import { OwnOpen } from "./own-open";
import type { OwnSlidesActs } from "../slides/stage-slides";
import { Heading, StageClocks, WhereOneIs } from "./stage-head";
import { SheetRail } from "./sheet-rail";
import { StageDocuments, type OwnFiles } from "./stage-documents";
import { TeamSides } from "../side-rooms/team-sides";
import { stageSeat } from "./stage-seat";
import { StageSound } from "./stage-sound";
import { StagePeople } from "./stage-people";

/** What the desk holds up: large enough to be read from a step back. */
function Card({ view }: { view: StageView }) {
  const t = useTranslations("stage");
  const card = view.card["it"];
  return (
    <div role="alert">
      {card && (
        <p className="border-s-8 border-attention bg-attention-ground px-4 py-3 text-clock leading-tight font-semibold text-attention">
          {t(`cards.${card.kind}`)}
        </p>
      )}
    </div>
  );
}

/** What the audience signals: rates, and what is wrong for many, for whoever leads. */
function AudienceSignals({ view }: { view: StageView }) {
  const t = useTranslations("stage");
  return (
    <div>
      {Object.entries(view.troubles).map(([kind, { count, house }]) => (
        <Note key={kind} tone="attention">
          {t(`troubles.${kind as "cannot-hear" | "too-fast"}`, { count, house })}
        </Note>
      ))}
      <TeamSignals view={view} className="text-lead" />
    </div>
  );
}

function QuestionInHand({ inHand, view }: { inHand: StageView["questions"][string] | undefined; view: StageView }) {
  const t = useTranslations("stage");
  return (
    <section aria-live="polite" className="bg-sheet p-4">
      <h2 className="text-label text-ink-2">{t("question")}</h2>
      {inHand ? (
        <p className="mt-1 text-head" dir="auto">
          {inHand.text} <span className="block text-base text-ink-2">{inHand.askerName}</span>
        </p>
      ) : (
        <p className="text-ink-2">{t("noQuestion")}</p>
      )}
      <ul className="mt-3">
        {Object.entries(view.questions)
          .filter(([, question]) => question.state === "lined-up")
          .map(([id, question]) => (
            <li key={id} className="border-t border-rule py-2" dir="auto">
              {question.text}{" "}
              <span className="text-ink-2">
                {question.askerName && `· ${question.askerName}`}
                {question.forName && ` · ${t("forWhom", { name: question.forName })}`}
              </span>
            </li>
          ))}
      </ul>
    </section>
  );
}

/** Enters the stage once, when the first picture has come. */
function useEntering(view: StageView | null, send: RoomLink<StageView>["send"]): void {
  const hasEntered = useRef(false);
  useEffect(() => {
    if (!view || hasEntered.current) return;
    hasEntered.current = true;
    void send({ type: "stage.enter" });
  }, [view, send]);
}

const shareFromStage = (overId: string | null) => ({ type: "stage.share-screen", overId }) as const;

/** One's own sound and picture to the others, theirs to oneself; and the programme, where nobody else makes it. */
function useStageMedia(
  occurrenceId: string,
  ticketId: string,
  room: RoomLink<StageView>,
  own: MediaStream | null,
): { links: ReturnType<typeof useMesh>; screen: OwnScreenState } {
  const one = room.view?.stage[ticketId];
  const isOpen = { sound: one?.isMicrophoneOpen ?? false, picture: one?.isCameraOpen ?? false };
  // an interpreter's microphone is on for their channel: to the stage it goes only where it is opened there
  const isForStage = one?.role !== "interpreter" || isOpen.sound || isOpen.picture;
  const sent = isForStage ? own : null;
  const screen = useOwnScreen(occurrenceId, ticketId, room.view?.screens, room.send, shareFromStage);
  const links = useMesh(occurrenceId, ticketId, room, sent, isOpen, { own: screen.stream, areSeen: true });
  useComposer(occurrenceId, ticketId, ticketId, room, room.view, links, { stream: sent, screen: screen.stream });
  return { links, screen };
}

/** What someone on stage needs: am I heard, does the house see me, how long have I left, the question in hand. */
export function StageRoom({
  occurrenceId,
  ticketId,
  zone,
  ownSlides,
  ownFiles,
  words,
}: {
  occurrenceId: string;
  ticketId: string;
  zone: string;
  /** of whoever may bring slides of their own */
  ownSlides: OwnSlidesActs | null;
  /** of whoever may share files of their own */
  ownFiles: OwnFiles | null;
  words: Messages;
}) {
  const t = useTranslations("stage");
  const room = useRoom<StageView>(occurrenceId, ticketId, (failure) => refusalWords(failure, words.errors));
  const { view, me, state, refusal, clockAheadMs, send } = room;
  const devices = useDevices(view?.look["it"]);
  const isOwnOpen = view?.stage[ticketId]?.isMicrophoneOpen ?? false;
  useOwnLevel(devices.sound.meter, isOwnOpen, room.whisper);
  const { links, screen } = useStageMedia(occurrenceId, ticketId, room, devices.stream);
  useEntering(view, send);
  const startAt = view?.event["it"]?.startAt ?? 0;
  const now = useNow(startAt, clockAheadMs);
  if (state === "withdrawn" || !view)
    return (
      <main data-theme="desk" className="min-h-screen p-16 text-center text-lead">
        {t(state === "withdrawn" ? "withdrawn" : "moment")}
      </main>
    );
  const status = view.status["it"]!;
  const cue = view.cue["it"]!;
  const own = view.stage[ticketId];
  const place = me && me.place !== "foyer" && me.place !== "house" ? me.place : "backstage";
  const { endAt } = view.event["it"]!;
  const segments = segmentsInOrder(view.segments, startAt, endAt);
  const clock =
    cue.currentSegmentId && cue.cuedAt !== null
      ? liveClock(segments, { segmentId: cue.currentSegmentId, cuedAt: cue.cuedAt }, now, endAt)
      : null;
  const index = segments.findIndex((one) => one.id === cue.currentSegmentId);
  const inHand = Object.values(view.questions).find((question) => question.state === "on-stage");
  const isSeen = place === "stage" && status.isCurtainUp;
  return (
    <main data-theme="desk" className="min-h-screen p-4">
      <LinkNote state={state} />
      <StageSound {...{ view, occurrenceId, links, devices }} me={ticketId} />
      <RecordingSign sign={view.recordingSign["it"]} />
      <RecordingAsk ask={view.recordingAsk["it"]} own={me?.own.recording} send={send} />
      {refusal && <Note tone="wrong">{refusal}</Note>}
      {view.event["it"]!.crowdSize > 0 && (
        <Note tone="attention">{t("rehearsal", { count: view.event["it"]!.crowdSize })}</Note>
      )}
      {status.phase === "ended" && <Note>{t("ended")}</Note>}
      <div className="mx-auto grid max-w-6xl gap-4 md:grid-cols-[20rem_1fr]">
        <div className="flex flex-col gap-3">
          <WhereOneIs place={place} isSeen={isSeen} />
          <OwnDevices devices={devices} isHeard={isOwnOpen} count={own?.devices ?? 0} />
          <OwnOpen own={own} dbfs={devices.sound.dbfs} send={send} start={devices.start} />
          {(place === "stage" || screen.isShared) && <OwnScreen screen={screen} screens={view.screens} me={ticketId} />}
          <StagePictures view={view} streams={links.streams} me={ticketId} />
          <StagePeople view={view} levels={room.levels} />
          <TeamSides
            {...{ room, view, now, zone }}
            me={ticketId}
            seat={stageSeat(room, view, { occurrenceId, ticketId })}
            isTeam={own?.role === "producer" || own?.role === "crew"}
          />
          <OwnHelpPlace link={room} own={me?.own.help} place={place} />
        </div>
        <div className="flex flex-col gap-4">
          <Card view={view} />
          <SharedScreens screens={view.screens} streams={links.screens} me={ticketId} />
          <GotByHouse view={view} occurrenceId={occurrenceId} as={ticketId} />
          <StageClocks now={now} zone={zone} clock={clock} view={view} />
          <Heading now={segments[index]?.title} next={segments[index + 1]?.title} />
          <SheetRail view={view} zone={zone} now={now} segments={segments} index={index} />
          <StageDocuments
            room={room}
            view={view}
            ticketId={ticketId}
            occurrenceId={occurrenceId}
            ownSlides={ownSlides}
            ownFiles={ownFiles}
          />
          <AudienceSignals view={view} />
          <QuestionInHand inHand={inHand} view={view} />
          <StageChat room={room} me={ticketId} zone={zone} />
        </div>
      </div>
    </main>
  );
}
