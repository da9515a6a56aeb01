"use client";
import { useSay } from "@/features/shared/say/say";
import { useState } from "react";
import { areSidesOpen, areSidesRunning, callBackSeconds, type AnyView, type DeskView } from "@/core/room";
import type { InkSeat } from "@/features/shared/board/ink-pad";
import type { RoomLink } from "@/features/shared/room-link/use-room";
import { TeamSides } from "@/features/shared/side-rooms/team-sides";
import { spanText } from "@/features/shared/times";
import { Button, Confirm, Field, Input, Switch } from "@/ui";
import type { DeskScene } from "../scene";
import { FillRooms, type BringSideRooms } from "./fill-rooms";
import { MakeRooms } from "./make-rooms";
import { MovePeople } from "./move-people";

const countdownSeconds = 10;

/** Said to everybody in every side room at once; an empty line takes it down again. */
function TellAll({ scene }: { scene: DeskScene }) {
  const say = useSay();
  const [text, setText] = useState("");
  const message = scene.view.sides["it"]?.message ?? null;
  const tell = async () => {
    const receipt = await scene.send({ type: "sideRooms.tell", text: text.trim() });
    if (receipt.ok) setText("");
  };
  return (
    <form
      className="flex items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (text.trim() !== "") void tell();
      }}
    >
      <Field
        label={say`Say to all side rooms`}
        className="flex-1"
        hint={message ? say`They read: ${message}` : say`They read it above their chat.`}
      >
        {(ids) => <Input {...ids} maxLength={300} value={text} onChange={({ target }) => setText(target.value)} />}
      </Field>
      <Button type="submit" className="mb-6">
        {say`Say it`}
      </Button>
      {message && (
        <Button className="mb-6" onClick={() => void scene.send({ type: "sideRooms.tell", text: "" })}>
          {say`Take it down`}
        </Button>
      )}
    </form>
  );
}

/** Open with a countdown, call back with a minute's notice, or end at once. */
function OpenAndCallBack({ scene }: { scene: DeskScene }) {
  const say = useSay();
  const { view, now, send, may } = scene;
  const side = view.sides["it"]!;
  const placed = Object.keys(view.sideMembers).length;
  if (!areSidesRunning(side, now))
    return (
      may("sideRooms.open") && (
        <Button weight="act" onClick={() => void send({ type: "sideRooms.open", inSeconds: countdownSeconds })}>
          {placed === 0 ? say`Open the side rooms` : say`Open them for ${placed}`}
        </Button>
      )
    );
  if (!areSidesOpen(side, now))
    return <p className="text-lead">{say`They open in ${spanText(side.opensAt! - now)}.`}</p>;
  return (
    <div className="flex flex-wrap items-center gap-2">
      <p>
        {side.closesAt === null
          ? say`Open for ${spanText(now - side.opensAt!)}`
          : say`Everybody is back in ${spanText(side.closesAt - now)}`}
      </p>
      {may("sideRooms.call-back") && side.closesAt === null && (
        <Button weight="act" onClick={() => void send({ type: "sideRooms.call-back", inSeconds: callBackSeconds })}>
          {say`Call everybody back in a minute`}
        </Button>
      )}
      {may("sideRooms.call-back") && (
        <Confirm
          trigger={<Button>{say`Back at once`}</Button>}
          title={say`Bring everybody back at once?`}
          act={say`Bring them back`}
          onConfirm={() => void send({ type: "sideRooms.call-back", inSeconds: 0 })}
        >
          {say`The side rooms close without notice.`}
        </Confirm>
      )}
    </div>
  );
}

/** The board of side rooms: made, filled, opened, visited, called back (rule 15). */
export function SideRoomsDesk(props: {
  scene: DeskScene;
  room: RoomLink<DeskView>;
  me: string;
  seat: InkSeat;
  bring: BringSideRooms;
}) {
  const say = useSay();
  const { scene, room, me } = props;
  const { view, may, send, now, zone } = scene;
  const side = view.sides["it"];
  if (!side) return <MakeRooms scene={scene} bring={props.bring} />;
  const isRunning = areSidesRunning(side, now);
  return (
    <div className="flex flex-col gap-4">
      <OpenAndCallBack scene={scene} />
      <TeamSides
        room={room as unknown as RoomLink<DeskView> & RoomLink<AnyView>}
        view={view}
        me={me}
        seat={props.seat}
        isTeam
        now={now}
        zone={zone}
        mayRemove={may("chat.take-away")}
      />
      {areSidesOpen(side, now) && may("sideRooms.tell") && <TellAll scene={scene} />}
      {may("sideRooms.let-choose") && (
        <Switch
          label={say`People choose their room themselves`}
          isOn={side.isChoice}
          onChange={(isChoice) => void send({ type: "sideRooms.let-choose", isChoice })}
        />
      )}
      {may("sideRooms.place") && <MovePeople scene={scene} />}
      {!isRunning && may("sideRooms.shuffle") && <FillRooms scene={scene} bring={props.bring} />}
      {!isRunning && <MakeRooms scene={scene} bring={null} />}
    </div>
  );
}
