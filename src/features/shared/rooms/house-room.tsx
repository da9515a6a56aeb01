"use client";
import { FloorPlace, HandLine } from "./floor-place";
import { SignalLine } from "./signal-line";
import { AskPlace } from "./ask-place";
import { Lists } from "./house-lists";
import { OwnName } from "./own-name";

import { useEffect, useMemo, useRef, type ReactNode } from "react";
import { useTranslations, useLocale } from "use-intl";
import type { Messages } from "@/contracts/messages";
import { refusalWords } from "@/contracts/messages/refusal";
import type { FoyerView, HouseView, LookItem, PersonalPart } from "@/core/room";
import { Note } from "@/ui";
import { HourOver } from "./hour-over";

import { DrawPlace } from "../board/house-board";
import { PollPlace } from "../polls/poll-place";
import { HousePicture } from "./house-picture";
import { ChooseLanguage } from "../channels/choose-language";
import { OwnHelpPlace } from "../help/own-help";
import { useAudienceSettings } from "../help/audience-settings";
import { SharedPage } from "../page/shared-page";
import { RecordingSign } from "../recording/recording-sign";
import { HouseCaptions } from "../captions/house-captions";
import type { InkSeat } from "../board/ink-pad";
import { SideNotice, SidePlace } from "../side-rooms/side-place";
import { sidesNow } from "../side-rooms/sides-now";
import { lookStyle } from "../look";
import { spanText } from "../times";
import { useNow } from "../use-now";
import { useInterpreted } from "../channels/use-interpreted";
import { useRoom, type RoomLink } from "../room-link/use-room";

/** What stands over the picture when the connection or the records are away. */
export function LinkNote({ state }: { state: RoomLink<never>["state"] }) {
  const t = useTranslations("house");
  if (state === "lost") return <Note tone="attention">{t("lost")}</Note>;
  if (state === "unwell") return <Note tone="attention">{t("unwell")}</Note>;
  return null;
}

function InFoyer({
  me,
  startAt,
  ahead,
  overflowHref,
  words,
}: {
  me: PersonalPart | null;
  startAt: number;
  ahead: number;
  overflowHref: string | null;
  words: Messages;
}) {
  const now = useNow(startAt, ahead);
  const locale = useLocale();
  const waits = {
    seat: words.foyer.seatWait,
    "held-doors": words.foyer.heldWait,
    host: words.foyer.hostWait,
    doors: words.foyer.doorsClosed,
  }[me?.waitsFor ?? "doors"];
  return (
    <section className="mx-auto max-w-xl py-16 text-center" aria-live="polite">
      <h1 className="text-title font-semibold">{words.foyer.you}</h1>
      <p className="mt-2 text-lead text-ink-2">{waits}</p>
      {now < startAt && <output className="mt-6 block text-clock">{spanText(startAt - now, locale)}</output>}
      {me?.waitsFor === "seat" && overflowHref && (
        <p className="mt-6">
          {words.overflow.insteadWords} <a href={overflowHref}>{words.overflow.instead}</a>
        </p>
      )}
    </section>
  );
}

/** The room's colours as the desk has them now; the page's own until the first word of them. */
function Dressed({ look, children }: { look: LookItem | undefined; children: ReactNode }) {
  return (
    <div className="min-h-screen" style={look && lookStyle(look.colour, look.isTinted)}>
      {look?.pictureId && (
        <img src={`/pictures/${look.pictureId}`} alt="" className="h-14 w-full object-cover max-sm:hidden" />
      )}
      {children}
    </div>
  );
}

/** Whoever has just come in starts reading here. */
function LandingTitle({ children }: { children: ReactNode }) {
  const own = useRef<HTMLHeadingElement>(null);
  useEffect(() => own.current?.focus(), []);
  return (
    <h1 ref={own} tabIndex={-1} className="mb-2 text-lead font-semibold break-words outline-none" dir="auto">
      {children}
    </h1>
  );
}

/** The programme, and beside it one place that changes with what is asked; or one's side room in their stead. */
function InHouse({
  room,
  house,
  ...props
}: {
  room: RoomLink<HouseView>;
  house: HouseView;
  occurrenceId: string;
  ticketId: string;
  startAt: number;
}) {
  const t = useTranslations("house");
  const now = useNow(0, room.clockAheadMs);
  const event = house.event["it"];
  const { me, send } = room;
  const floor = me?.own.floor;
  const openBoard = house.openBoard["it"];
  const page = house.page["it"];
  const settings = useAudienceSettings(house, me?.own.channels?.listensTo ?? null);
  const interpreted = useInterpreted(house, me?.own.channels?.listensTo ?? null, props);
  const sides = sidesNow(house.sides["it"], me?.own.sideRooms, now);
  const seenRef = useRef<(() => number | null) | null>(null);
  const media = useMemo(
    () => ({ base: `/live/${props.occurrenceId}/`, query: `as=${props.ticketId}` }),
    [props.occurrenceId, props.ticketId],
  );
  const seat: InkSeat = {
    link: room,
    occurrenceId: props.occurrenceId,
    as: props.ticketId,
    ticketId: props.ticketId,
    markedPages: house.markedPages,
    spreadMs: 600,
    nameOf: (id) => house.cast[id]?.name ?? house.guests[id]?.name ?? "",
  };
  if (sides.is === "inside" && me)
    return (
      <SidePlace
        {...{ room, me, seat, now, view: house, number: sides.room, zone: event?.zone ?? "UTC" }}
        mayAskAll={event?.questionsOn ?? false}
      />
    );
  return (
    <>
      <SideNotice view={house} own={me?.own.sideRooms} now={sides} send={send} />
      <div className="grid gap-4 lg:grid-cols-[minmax(0,1fr)_24rem]">
        {/* whoever reads on in the chat goes on seeing the stage */}
        <div className="lg:sticky lg:top-4 lg:self-start">
          {page && <SharedPage page={page} link={room} me={props.ticketId} />}
          <HousePicture
            now={now}
            view={house}
            seat={seat}
            startAt={props.startAt}
            ahead={room.clockAheadMs}
            media={media}
            seenRef={seenRef}
            levelDb={interpreted.levelDb}
          />
          {house.captions["it"] && (
            <HouseCaptions
              languages={house.captions["it"].languages}
              rows={room.logs.get("captions:lines")?.rows ?? []}
              typing={room.typing}
              ahead={room.clockAheadMs}
              seenRef={seenRef}
            />
          )}
          {interpreted.sound}
          <ChooseLanguage channels={house.channels} listensTo={me?.own.channels?.listensTo ?? null} send={send} />
          {openBoard && (openBoard.isForAll || me?.own.board?.isDrawer) && <DrawPlace open={openBoard} seat={seat} />}
          {floor && <HandLine room={room} floor={floor} view={house} />}
          <SignalLine view={house} send={send} />
          {house.figures["house"] && (
            <p className="mt-3 text-label text-ink-2">{t("here", { count: house.figures["house"].count })}</p>
          )}
          {event?.renameOn && me && <OwnName me={me} send={send} />}
          {me && <OwnHelpPlace link={room} own={me.own.help} place="house" settings={settings} />}
        </div>
        <div className="flex flex-col gap-3">
          {floor && (
            <FloorPlace
              room={room}
              floor={floor}
              view={house}
              occurrenceId={props.occurrenceId}
              ticketId={props.ticketId}
            />
          )}
          <PollPlace view={house} me={me} ahead={room.clockAheadMs} send={send} />
          {event?.questionsOn && (
            <AskPlace dateId={props.occurrenceId} mayBeUnnamed={event.mayAskUnnamed} send={send} />
          )}
          <Lists room={room} house={house} />
        </div>
      </div>
    </>
  );
}

/** The attendee's room: the programme first, beside it one place that changes with what is asked. */
export function HouseRoom(props: {
  occurrenceId: string;
  ticketId: string;
  startAt: number;
  /** where one may watch without a seat; null where nobody may */
  overflowHref: string | null;
  /** where one is asked how it was, once it is over; null: nothing is asked */
  surveyHref: string | null;
  words: Messages;
}) {
  const room = useRoom<HouseView | FoyerView>(props.occurrenceId, props.ticketId, (failure) =>
    refusalWords(failure, props.words.errors),
  );
  const t = useTranslations("house");
  const phase = room.view?.status["it"]?.phase;
  const house = room.screen === "house" && room.view && "cast" in room.view ? room.view : null;
  const event = room.view?.event["it"];
  // before backstage opens nobody of the team would see it
  const isTeamHere = phase === "backstage" || phase === "open";
  if (room.state === "withdrawn" || room.state === "shown-out")
    return <main className="p-16 text-center text-lead">{t("withdrawn")}</main>;
  if (phase === "ended") return <HourOver title={event?.title} surveyHref={props.surveyHref} words={props.words} />;
  return (
    <Dressed look={room.view?.look["it"]}>
      <main className="mx-auto max-w-7xl px-4 py-4">
        <RecordingSign sign={room.view?.recordingSign["it"]} />
        <LinkNote state={room.state} />
        {room.refusal && <Note tone="wrong">{room.refusal}</Note>}
        {event !== undefined && event.crowdSize > 0 && (
          <Note tone="attention">{t("invented", { count: event.crowdSize })}</Note>
        )}
        {!house ? (
          <>
            <InFoyer
              me={room.me}
              startAt={props.startAt}
              ahead={room.clockAheadMs}
              overflowHref={props.overflowHref}
              words={props.words}
            />
            {room.me && isTeamHere && (
              <div className="mx-auto max-w-xl text-center">
                <OwnHelpPlace link={room} own={room.me.own.help} place="foyer" />
              </div>
            )}
          </>
        ) : (
          <>
            <LandingTitle>{event?.title}</LandingTitle>
            <InHouse {...props} room={room as RoomLink<HouseView>} house={house} />
          </>
        )}
      </main>
    </Dressed>
  );
}
