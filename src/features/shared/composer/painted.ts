import type { DeskView } from "@/core/room";
import { initialsOf } from "@/ui";
import { castOf, onPicture } from "../picture/cast";
import { shownPicture } from "../picture/picture-view";
import { resultOnPicture } from "../polls/result-on-picture";
import { spanText } from "../times";
import type { Painted } from "./draw";

/** What of the room the composed picture is made from: the desk and the stage side know it alike. */
export type ComposedView = Pick<
  DeskView,
  | "stage"
  | "floor"
  | "screens"
  | "scene"
  | "holding"
  | "shown"
  | "decks"
  | "board"
  | "event"
  | "polls"
  | "tallies"
  | "programme"
  | "figures"
> & {
  readonly status: Readonly<Record<string, { readonly phase: string; readonly isCurtainUp: boolean }>>;
  readonly questions: Readonly<
    Record<string, { readonly text: string; readonly askerName: string | null; readonly state: string }>
  >;
};

/** Pictures as the page has them: of people, of the page that is shown, of what is drawn. */
export interface Media {
  video(id: string): HTMLVideoElement | null;
  screen(id: string): HTMLVideoElement | null;
  document(pictureId: string): HTMLImageElement | null;
  portrait(pictureId: string): HTMLImageElement | null;
  readonly ink: readonly HTMLCanvasElement[];
  readonly now: number;
  /** what the holding picture says where nobody wrote anything */
  readonly holdingWords: string;
  /** people who are not to be seen: they have not agreed to be recorded */
  readonly leftOut: ReadonlySet<string>;
}

const framesOf = (video: HTMLVideoElement | null): number => video?.getVideoPlaybackQuality().totalVideoFrames ?? 0;

/** Everything that one picture of the programme is drawn from. */
export function paintedOf(view: ComposedView, media: Media): Painted {
  const cast = castOf(view);
  const scene = view.scene["it"]!;
  const event = view.event["it"]!;
  const holding = view.holding["it"]!;
  const shown = view.shown["it"];
  const pictureId = (shown && view.decks[shown.deckId]?.pictureIds[shown.page - 1]) ?? null;
  const question = Object.values(view.questions).find(({ state }) => state === "on-stage");
  return {
    picture: shownPicture(scene, onPicture(view), null),
    shares: scene.shares,
    person: (id) => {
      const one = cast[id];
      const isSeen = (view.stage[id]?.isCameraOpen ?? view.floor[id]?.isOnStage ?? false) && !media.leftOut.has(id);
      const video = isSeen ? media.video(id) : null;
      return {
        name: one?.name ?? "",
        initials: initialsOf(one?.name ?? ""),
        portrait: one?.portraitId ? media.portrait(one.portraitId) : null,
        video,
        videoWidth: video?.videoWidth ?? 0,
        videoHeight: video?.videoHeight ?? 0,
        frame: framesOf(video),
        isSpeaking: scene.speakerId === id,
      };
    },
    screen: (id) => {
      const video = media.leftOut.has(id) ? null : media.screen(id);
      return {
        name: view.screens[id]?.name ?? "",
        video,
        videoWidth: video?.videoWidth ?? 0,
        videoHeight: video?.videoHeight ?? 0,
        frame: framesOf(video),
      };
    },
    document: pictureId === null ? null : media.document(pictureId),
    ink: media.ink,
    holding: {
      title: event.title,
      words: holding.message || media.holdingWords,
      clock: holding.countsDown && media.now < event.startAt ? spanText(event.startAt - media.now) : null,
    },
    question: question ? { text: question.text, name: question.askerName ?? "" } : null,
    result: resultOnPicture(view),
  };
}

const ofScreen = "screen ";
/** The sound of a shared screen stands beside that of the person who shares it. */
export const screenVoice = (id: string): string => ofScreen + id;
const screenOwner = (voice: string): string | null =>
  voice.startsWith(ofScreen) ? voice.slice(ofScreen.length) : null;

/** Whose sound the house hears, shared screens among them: open microphones on stage and on the floor, while the curtain is up. */
export function isHeardBy(view: ComposedView, leftOut: ReadonlySet<string>): (id: string) => boolean {
  const isUp = view.status["it"]?.isCurtainUp ?? false;
  return (id) => {
    const sharerId = screenOwner(id);
    if (!isUp || leftOut.has(sharerId ?? id)) return false;
    if (sharerId !== null) return view.screens[sharerId]?.isHere ?? false;
    const one = view.stage[id];
    if (one) return one.place === "stage" && one.isMicrophoneOpen;
    return view.floor[id]?.isMicrophoneOpen ?? false;
  };
}
