"use client";
import { useTranslations } from "use-intl";
import { areSidesOpen, type AnyView, type DeskView, type SidesItem, type StageView } from "@/core/room";
import { Button, List, ListItem, Tabs } from "@/ui";
import type { InkSeat } from "../board/ink-pad";
import type { RoomLink } from "../room-link/use-room";
import { SideAsks, asksIn } from "./side-asks";
import { SideBoard } from "./side-board";
import { SideChat } from "./side-chat";
import { CallBackNote } from "./side-place";
import { useRoomName } from "./use-room-name";

type Props = Parameters<typeof TeamSides>[0];

/** What a room's own people have, for whoever looks in on it: its words, its questions, its board. */
function Visited(props: Props & { side: SidesItem; number: number; name: string }) {
  const { me, number, zone } = props;
  const t = useTranslations("sideRooms");
  const room = props.room as unknown as RoomLink<AnyView>;
  return (
    <div className="flex h-[30rem] flex-col">
      <Tabs
        label={props.name}
        tabs={[
          {
            id: "chat",
            label: t("chat"),
            content: <SideChat {...{ room, number, me, zone }} mayRemove={props.mayRemove ?? false} />,
          },
          {
            id: "asks",
            label: t("questions"),
            count: asksIn(room, number).open.length,
            content: <SideAsks {...{ room, number, me }} isTeam={props.isTeam} mayAskAll={props.isTeam} />,
          },
          {
            id: "board",
            label: t("board"),
            content: <SideBoard side={props.side} seat={props.seat} number={number} name={props.name} isOfStage />,
          },
        ]}
      />
    </div>
  );
}

/** The side rooms as the stage side has them: who is there, who asks for help, looking in on one and writing there. */
export function TeamSides(props: {
  room: RoomLink<DeskView> | RoomLink<StageView>;
  view: Pick<StageView, "sides" | "sideRooms" | "stage">;
  me: string;
  seat: InkSeat;
  now: number;
  zone: string;
  /** of the team: may ask anybody's question in the main room */
  isTeam: boolean;
  /** whether they may take lines away */
  mayRemove?: boolean;
}) {
  const { room, view, me, now } = props;
  const t = useTranslations("sideRooms");
  const nameOf = useRoomName(view.sideRooms);
  const side = view.sides["it"];
  if (!side) return null;
  const isOpen = areSidesOpen(side, now);
  const mine = Object.entries(view.sideRooms).find(([, { visitors }]) => visitors.some((one) => one.ticketId === me));
  const visited = mine ? Number(mine[0]) : null;
  const visit = (number: number | null) => void room.send({ type: "sideRooms.visit", room: number });
  return (
    <div className="flex flex-col gap-3">
      <CallBackNote closesAt={side.closesAt} now={now} />
      <List label={t("list")}>
        {Object.entries(view.sideRooms).map(([number, { size, here, visitors, help }]) => {
          const isMine = visited === Number(number);
          const name = nameOf(Number(number));
          return (
            <ListItem
              key={number}
              acts={
                isOpen && (
                  <Button
                    size="small"
                    weight={help ? "act" : "quiet"}
                    aria-label={`${t(isMine ? "leave" : "visit")}: ${name}`}
                    onClick={() => visit(isMine ? null : Number(number))}
                  >
                    {t(isMine ? "leave" : "visit")}
                  </Button>
                )
              }
            >
              <bdi className="font-semibold">{name}</bdi>{" "}
              <span className="text-ink-2">{t("here", { here, size })}</span>
              {visitors.length > 0 && (
                <span className="block text-ink-2">{visitors.map((one) => one.name).join(", ")}</span>
              )}
              {help && <span className="block text-attention">{t("asks", { name: help.name })}</span>}
            </ListItem>
          );
        })}
      </List>
      {isOpen && visited !== null && (
        <div>
          <p className="mb-1 text-label text-ink-2">{t("visits", { name: nameOf(visited) })}</p>
          <Visited {...props} side={side} number={visited} name={nameOf(visited)} />
        </div>
      )}
    </div>
  );
}
