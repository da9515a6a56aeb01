"use client";
import { useTranslations } from "use-intl";
import type { StageView } from "@/core/room";
import { Captioner } from "../captions/captioner";
import { isAnybodyHeard } from "../devices/heard";
import { InterpreterBooth } from "../channels/interpreter-booth";
import { StageBoards } from "../board/stage-boards";
import { HandOuts, type HandOutActs } from "../hand-outs/hand-outs";
import { SharedPage } from "../page/shared-page";
import type { RoomLink } from "../room-link/use-room";
import { stageSeat } from "./stage-seat";
import { StageSlides, type OwnSlidesActs } from "../slides/stage-slides";

/** What somebody of the stage may do about files of their own, by their link. */
export interface OwnFiles extends HandOutActs {
  readonly token: string;
}

/** What is shown, drawn on and given away: slides, boards and files. */
export function StageDocuments(props: {
  room: RoomLink<StageView>;
  view: StageView;
  ticketId: string;
  occurrenceId: string;
  ownSlides: OwnSlidesActs | null;
  ownFiles: OwnFiles | null;
}) {
  const { room, view, ticketId, occurrenceId, ownFiles } = props;
  const t = useTranslations("files");
  const seat = stageSeat(room, view, props);
  const role = view.stage[ticketId]?.role ?? "panelist";
  return (
    <>
      {role === "interpreter" && (
        <InterpreterBooth view={view} me={ticketId} ahead={room.clockAheadMs} send={room.send} />
      )}
      {role === "captioner" && (
        <Captioner
          link={room}
          languages={view.captions["it"]?.languages ?? []}
          ticketId={ticketId}
          isHeard={isAnybodyHeard(view, room.levels)}
          isRehearsal={view.event["it"]?.isRehearsal ?? false}
        />
      )}
      {view.page["it"] && <SharedPage page={view.page["it"]} link={room} me={ticketId} />}
      <StageSlides
        view={view}
        send={room.send}
        ticketId={ticketId}
        occurrenceId={occurrenceId}
        own={props.ownSlides}
        seat={seat}
        role={role}
      />
      <StageBoards view={view} seat={seat} role={role} />
      {(ownFiles || Object.keys(view.files).length > 0) && (
        <details>
          <summary className="cursor-pointer text-ink-2">{t("title")}</summary>
          <div className="mt-2">
            <HandOuts
              files={view.files}
              occurrenceId={occurrenceId}
              token={ownFiles?.token ?? null}
              ownId={ticketId}
              acts={ownFiles}
            />
          </div>
        </details>
      )}
    </>
  );
}
