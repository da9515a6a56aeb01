"use client";
import { useEffect, useRef } from "react";
import { useLocale, useTranslations } from "use-intl";
import type { HouseView, OwnSideRoom, PersonalPart, SidesItem } from "@/core/room";
import { Button, List, ListItem, Note, Tabs } from "@/ui";
import type { InkSeat } from "../board/ink-pad";
import type { RoomLink } from "../room-link/use-room";
import { spanText } from "../times";
import { SideAsks, asksIn } from "./side-asks";
import { SideBoard } from "./side-board";
import { SideChat } from "./side-chat";
import type { SidesNow } from "./sides-now";
import { useRoomName } from "./use-room-name";

type Sides = Pick<HouseView, "sides" | "sideRooms">;
type Send = RoomLink<never>["send"];

/** Back in the main room soon: said to everybody who is in a side room. */
export function CallBackNote({ closesAt, now }: { closesAt: number | null; now: number }) {
  const t = useTranslations("sideRooms");
  const locale = useLocale();
  if (closesAt === null || now >= closesAt) return null;
  return <Note tone="attention">{t("back", { time: spanText(closesAt - now, locale) })}</Note>;
}

/** Late comers, and whoever was given no room, go to the smallest by themselves (rule 15). */
function useLateComing(sides: SidesItem | undefined, own: OwnSideRoom | null | undefined, isOpen: boolean, send: Send) {
  const asked = useRef<number | null>(null);
  const opensAt = sides?.opensAt ?? null;
  const isLate = isOpen && own?.room === null && sides?.isChoice === false;
  useEffect(() => {
    if (!isLate || asked.current === opensAt) return;
    asked.current = opensAt;
    void send({ type: "sideRooms.go", room: null });
  }, [isLate, opensAt, send]);
}

/** The way in for whoever is not in their side room: chosen where that is let, else their own. */
function WayIn({ view, own, send }: { view: Sides; own: OwnSideRoom; send: Send }) {
  const t = useTranslations("sideRooms");
  const nameOf = useRoomName(view.sideRooms);
  const go = (room: number | null) => void send({ type: "sideRooms.go", room });
  if (!view.sides["it"]?.isChoice)
    return (
      <Button weight="act" className="min-h-11" onClick={() => go(own.room)}>
        {own.room === null ? t("goAny") : t("goTo", { name: nameOf(own.room) })}
      </Button>
    );
  return (
    <List label={t("choose")}>
      {Object.entries(view.sideRooms).map(([room, { size }]) => (
        <ListItem
          key={room}
          acts={
            <Button aria-label={t("goTo", { name: nameOf(Number(room)) })} onClick={() => go(Number(room))}>
              {t("go")}
            </Button>
          }
        >
          <bdi>{nameOf(Number(room))}</bdi> <span className="text-ink-2">{t("size", { count: size })}</span>
        </ListItem>
      ))}
    </List>
  );
}

/** What the main room says of the side rooms: when they open, where one's own is. */
export function SideNotice(props: { view: Sides; own: OwnSideRoom | null | undefined; now: SidesNow; send: Send }) {
  const { view, own, now, send } = props;
  const t = useTranslations("sideRooms");
  const locale = useLocale();
  const nameOf = useRoomName(view.sideRooms);
  useLateComing(view.sides["it"], own, now.is === "outside", send);
  if (now.is === "nothing" || now.is === "inside" || !own) return null;
  return (
    <section aria-live="polite" className="mb-3 border-s-4 border-action bg-sheet p-3">
      {now.is === "opening" && <p className="text-lead">{t("opens", { time: spanText(now.inMs, locale) })}</p>}
      {now.is !== "outside" && own.room !== null && <p dir="auto">{t("yours", { name: nameOf(own.room) })}</p>}
      {now.is === "outside" && (
        <div className="flex flex-wrap items-center justify-between gap-3">
          <p className="text-lead">{t("open")}</p>
          <WayIn view={view} own={own} send={send} />
        </div>
      )}
    </section>
  );
}

/** One's side room in place of the main one: its people write, ask for help, and go back when they like. */
export function SidePlace(props: {
  room: RoomLink<HouseView>;
  view: Sides;
  me: PersonalPart;
  seat: InkSeat;
  number: number;
  now: number;
  zone: string;
  /** whether the main room takes questions */
  mayAskAll: boolean;
}) {
  const { room, view, me, number, now, zone } = props;
  const t = useTranslations("sideRooms");
  const nameOf = useRoomName(view.sideRooms);
  const side = view.sides["it"]!;
  const asksForHelp = me.own.sideRooms?.asksForHelp ?? false;
  return (
    <section aria-labelledby="side-room" className="mx-auto flex max-w-6xl flex-col gap-3">
      <CallBackNote closesAt={side.closesAt} now={now} />
      {side.message && <Note>{t("fromDesk", { text: side.message })}</Note>}
      <div className="flex flex-wrap items-center justify-between gap-3">
        <div>
          <p className="text-label text-ink-2">{t("title")}</p>
          <h2 id="side-room" className="text-title font-semibold" dir="auto">
            {nameOf(number)}
          </h2>
          <p className="text-ink-2">{t("size", { count: view.sideRooms[number]?.size ?? 0 })}</p>
        </div>
        <div className="flex flex-wrap gap-2">
          {!asksForHelp && (
            <Button className="min-h-11" onClick={() => void room.send({ type: "sideRooms.ask-help" })}>
              {t("help")}
            </Button>
          )}
          <Button className="min-h-11" onClick={() => void room.send({ type: "sideRooms.step-out" })}>
            {t("out")}
          </Button>
        </div>
      </div>
      <p role="status" className="text-ink-2">
        {asksForHelp && t("helpAsked")}
      </p>
      <div className="grid gap-4 lg:grid-cols-[minmax(0,1fr)_24rem]">
        <div className="min-w-0 bg-sheet p-3 max-lg:order-2">
          <SideBoard side={side} seat={props.seat} number={number} name={nameOf(number)} isOfStage={false} />
        </div>
        <div className="flex h-[32rem] min-w-0 flex-col bg-sheet p-3">
          <Tabs
            label={nameOf(number)}
            tabs={[
              {
                id: "chat",
                label: t("chat"),
                content: <SideChat room={room} number={number} me={me.ticketId} zone={zone} />,
              },
              {
                id: "asks",
                label: t("questions"),
                count: asksIn(room, number).open.length,
                content: (
                  <SideAsks room={room} number={number} me={me.ticketId} isTeam={false} mayAskAll={props.mayAskAll} />
                ),
              },
            ]}
          />
        </div>
      </div>
    </section>
  );
}
