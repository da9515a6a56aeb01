import type { DeskView } from "@/core/room";

/**
 * Whether somebody's open microphone is heard by another of the stage side: the stage and the floor by all, what is
 * said backstage and on standby only there, never by whoever is before the audience.
 */
export function isOpenHere(view: Pick<DeskView, "stage" | "floor">, id: string, listenerId: string): boolean {
  const one = view.stage[id];
  if (!one) return view.floor[id]?.isMicrophoneOpen ?? false;
  const isListenerOn = view.stage[listenerId]?.place === "stage";
  return one.isMicrophoneOpen && (one.place === "stage" || !isListenerOn);
}
