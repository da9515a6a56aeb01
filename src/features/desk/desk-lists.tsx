"use client";
import { useSay } from "@/features/shared/say/say";
import type { DeskView, TrayItem } from "@/core/room";
import type { InkSeat } from "@/features/shared/board/ink-pad";
import { HeldLines } from "@/features/shared/chat/held-lines";
import { DeskChat } from "@/features/shared/chat/team-chat";
import type { RoomLink } from "@/features/shared/room-link/use-room";
import { Tabs } from "@/ui";
import { BoardDesk } from "./board-desk";
import { ChannelsDesk } from "./channels-desk";
import { CaptionsDesk } from "./captions-desk";
import type { DeskProps } from "./desk-props";
import { Everyone } from "./everyone";
import { FilesDesk } from "./files-desk";
import { PollDesk } from "./polls/poll-desk";
import { QuestionList } from "./questions/question-list";
import type { DeskScene } from "./scene";
import { SideRoomsDesk } from "./side-rooms/side-rooms-desk";
import { SlidesDesk } from "./slides-desk";
import { SwitchesSheet } from "./switches-sheet";
import { Tray } from "./tray";

/** The in-tray, and the deeper lists that open over it. */
export function DeskLists({
  room,
  scene,
  seat,
  props,
  openLate,
  list,
  setList,
  ...inTray
}: {
  openLate: () => void;
  /** which of the lists is open */
  list: string;
  setList: (list: string) => void;
  tray: readonly TrayItem[];
  heldCount: number;
  room: RoomLink<DeskView>;
  scene: DeskScene;
  seat: InkSeat;
  props: DeskProps;
}) {
  const say = useSay();
  return (
    <div className="flex min-h-0 flex-col p-3">
      <Tabs
        label={say`In-tray and deeper lists`}
        isDense
        open={list}
        onOpen={setList}
        tabs={[
          {
            id: "tray",
            label: say`In-tray`,
            count: inTray.tray.length + inTray.heldCount,
            content: <InTray {...inTray} room={room} scene={scene} me={props.ticketId} />,
          },
          { id: "questions", label: say`Questions`, content: <QuestionList scene={scene} /> },
          {
            id: "slides",
            label: say`Slides`,
            content: (
              <SlidesDesk
                scene={scene}
                dateId={props.occurrenceId}
                acts={props.decks}
                seat={seat}
                role={props.actor.role}
              />
            ),
          },
          {
            id: "board",
            label: say`Boards`,
            content: <BoardDesk scene={scene} seat={seat} role={props.actor.role} files={props.boards} />,
          },
          {
            id: "files",
            label: say`Files`,
            content: (
              <FilesDesk
                scene={scene}
                room={room}
                me={props.ticketId}
                occurrenceId={props.occurrenceId}
                acts={props.handOuts}
              />
            ),
          },
          {
            id: "captions",
            label: say`Captions`,
            content: <CaptionsDesk scene={scene} room={room} ticketId={props.ticketId} />,
          },
          { id: "channels", label: say`Interpreting`, content: <ChannelsDesk scene={scene} /> },
          { id: "polls", label: say`Polls`, content: <PollDesk scene={scene} dateId={props.occurrenceId} /> },
          { id: "chat", label: say`Chat`, content: <ChatList scene={scene} room={room} me={props.ticketId} /> },
          {
            id: "people",
            label: say`People`,
            content: <Everyone scene={scene} {...(props.late ? { bringIn: openLate } : {})} />,
          },
          {
            id: "side-rooms",
            label: say`Side rooms`,
            content: <SideRoomsDesk {...{ scene, room, seat }} me={props.ticketId} bring={props.bringSideRooms} />,
          },
          { id: "switches", label: say`Switches`, content: <SwitchesSheet scene={scene} keep={props.keepSwitches} /> },
        ]}
      />
    </div>
  );
}

function InTray({
  tray,
  heldCount,
  room,
  scene,
  me,
}: {
  tray: readonly TrayItem[];
  heldCount: number;
  room: RoomLink<DeskView>;
  scene: DeskScene;
  me: string;
}) {
  const held = heldCount > 0 && <HeldLines room={room} mayHandle={scene.may("chat.let-through")} />;
  return <Tray scene={scene} items={tray} me={me} held={held} />;
}

function ChatList({ scene, room, me }: { scene: DeskScene; room: RoomLink<DeskView>; me: string }) {
  const { zone, may } = scene;
  return (
    <DeskChat room={room} me={me} zone={zone} mayHandle={may("chat.take-away")} maySwitch={may("hour.set-switch")} />
  );
}
