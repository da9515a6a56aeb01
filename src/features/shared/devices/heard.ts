import { silenceDbfs, type StageView } from "@/core/room";
import { dbfsOfMeter } from "./level";

/** Whether anybody of stage, floor or phone line is loud enough to be heard. */
export function isAnybodyHeard(view: Pick<StageView, "stage" | "floor">, levels: ReadonlyMap<string, number>): boolean {
  const open = [...Object.entries(view.stage), ...Object.entries(view.floor)].filter(([, one]) => one.isMicrophoneOpen);
  const callers = Object.values(view.stage).map((person) => person.callerLevel ?? 0);
  return [...open.map(([id]) => levels.get(id) ?? 0), ...callers].some((level) => dbfsOfMeter(level) > silenceDbfs);
}
