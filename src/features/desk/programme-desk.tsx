"use client";
import { isOver } from "@/core/people";
import type { DeskView } from "@/core/room";
import type { InkSeat } from "@/features/shared/board/ink-pad";
import type { ComposerState } from "@/features/shared/composer/composer";
import type { Links } from "@/features/shared/links/use-mesh";
import type { RoomLink } from "@/features/shared/room-link/use-room";
import { OutletStates } from "./outlet-states";
import { PictureDesk } from "./picture-desk";
import { RecordingDesk } from "./recording-desk";
import type { DeskScene } from "./scene";
import { SceneDesk } from "./scene-desk";
import { ScreeningDesk } from "./screening-desk";

/** What the audience gets: the stage, arranged, recorded and composed; or a recording that everybody watches at once. */
export function ProgrammeDesk(props: {
  scene: DeskScene;
  room: RoomLink<DeskView>;
  seat: InkSeat;
  links: Links;
  composing: ComposerState | null;
  me: string;
  id: string;
  outletsUrl: string;
}) {
  const { scene, room, me } = props;
  const status = scene.view.status["it"]!;
  if (isOver(status.phase)) return null;
  if (status.screening) return <ScreeningDesk scene={scene} occurrenceId={props.id} ahead={room.clockAheadMs} />;
  return (
    <>
      <RecordingDesk scene={scene} me={me} />
      <SceneDesk scene={scene} seat={props.seat} links={props.links} />
      <PictureDesk view={scene.view} health={room.health} state={props.composing} me={me} />
      {status.phase === "open" && <OutletStates url={props.outletsUrl} />}
    </>
  );
}
