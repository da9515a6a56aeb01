import type { Say } from "@/contracts/say";
import type { DeskView } from "@/core/room";
import type { Offer } from "./offer";
import type { DeskScene } from "./scene";

interface Sight {
  readonly view: Pick<DeskView, "stage">;
  readonly leaderId: string | null;
  readonly may: DeskScene["may"];
  readonly say: Say;
}

/** What the desk may do about microphones and cameras: closed from here, asked for, never opened (room.md). */
export function deviceOffers({ view, leaderId, may, say }: Sight): readonly Offer[] {
  if (!may("stage.ask-to-open")) return [];
  const onStage = Object.entries(view.stage).filter(([, one]) => one.place === "stage" && one.isPresent);
  const one = onStage.flatMap(([ticketId, person]): Offer[] => [
    person.isMicrophoneOpen
      ? { words: say`${person.name}: mute`, command: { type: "stage.close-microphone", ticketId } }
      : {
          words: say`${person.name}: ask to open the microphone`,
          command: { type: "stage.ask-to-open", ticketId },
        },
    person.isCameraOpen
      ? { words: say`${person.name}: close the camera`, command: { type: "stage.close-camera", ticketId } }
      : { words: say`${person.name}: ask to open the camera`, command: { type: "stage.ask-for-camera", ticketId } },
  ]);
  return [
    {
      words: say`Ask everyone on stage to open their microphones`,
      command: { type: "stage.ask-to-open", ticketId: null },
    },
    {
      words: say`Ask everyone on stage to open their cameras`,
      command: { type: "stage.ask-for-camera", ticketId: null },
    },
    {
      words: say`Mute everyone on stage but the leader`,
      command: { type: "stage.close-microphones", exceptId: leaderId },
    },
    {
      words: say`Close every camera on stage but the leader’s`,
      command: { type: "stage.close-cameras", exceptId: leaderId },
    },
    ...one,
  ];
}
