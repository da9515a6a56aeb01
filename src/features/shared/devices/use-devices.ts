"use client";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { useBrowserChoice } from "../use-browser-choice";
import { noLook, useBackground, type EventLook, type OwnBackground } from "./background/use-background";
import { generatedStream } from "./generated-stream";
import { measureLevel } from "./measure-level";
import { SoundLevel } from "./sound-level";
import { listDevices, noLists, openDevices, type Chosen, type DeviceKind, type Lists } from "./own-stream";

export interface Devices {
  readonly stream: MediaStream | null;
  /** the browser gave no device: a generated picture stands in, and is named as such */
  readonly isGenerated: boolean;
  readonly sound: SoundLevel;
  readonly lists: Lists;
  /** kept for this browser */
  readonly chosen: Chosen;
  /** what stands behind one in one's picture */
  readonly behind: OwnBackground;
  /** what was pulled out while it was in use */
  readonly gone: "audioinput" | "videoinput" | null;
  readonly start: () => void;
  readonly stop: () => void;
  /** takes another device, at once where one is open */
  readonly choose: (kind: DeviceKind, id: string | null) => void;
}

/** The devices that this browser chose, kept from visit to visit. */
function useChosen(): readonly [Chosen, (kind: DeviceKind, id: string | null) => void] {
  const [audioinput, setMicrophone] = useBrowserChoice("device-microphone");
  const [videoinput, setCamera] = useBrowserChoice("device-camera");
  const [audiooutput, setSpeaker] = useBrowserChoice("device-speaker");
  const set = useMemo(
    () => ({ audioinput: setMicrophone, videoinput: setCamera, audiooutput: setSpeaker }),
    [setMicrophone, setCamera, setSpeaker],
  );
  const chosen = useMemo(() => ({ audioinput, videoinput, audiooutput }), [audioinput, videoinput, audiooutput]);
  return [chosen, useCallback((kind, id) => set[kind](id), [set])];
}

/** What this computer has, for as long as somebody looks: a cable pulled or plugged in shows at once. */
function useLists(isOpen: boolean): Lists {
  const [lists, setLists] = useState(noLists);
  useEffect(() => {
    if (!isOpen) return;
    const look = () => void listDevices().then(setLists);
    look();
    navigator.mediaDevices.addEventListener("devicechange", look);
    return () => navigator.mediaDevices.removeEventListener("devicechange", look);
  }, [isOpen]);
  return lists;
}

/**
 * One's own camera and microphone, with the level measured in this browser alone.
 * @param look of the event whose room it is
 */
export function useDevices(look: EventLook = noLook): Devices {
  const [stream, setStream] = useState<MediaStream | null>(null);
  const [isGenerated, setGenerated] = useState(false);
  const [sound] = useState(() => new SoundLevel());
  const [gone, setGone] = useState<Devices["gone"]>(null);
  const [chosen, keep] = useChosen();
  const cleanup = useRef<() => void>(() => {});
  const lists = useLists(stream !== null && !isGenerated);
  const { stream: shown, ...own } = useBackground(isGenerated ? null : stream, look);

  const stop = useCallback(() => {
    cleanup.current();
    cleanup.current = () => {};
    setStream(null);
    sound.reset();
  }, [sound]);

  const open = useCallback(
    async (which: Chosen) => {
      const own = await openDevices(which).catch(() => null);
      cleanup.current();
      setGone(null);
      setGenerated(own === null);
      const shown = own ?? generatedStream();
      const stopMeasuring = measureLevel(shown, (rms) => sound.put(rms));
      // a track that ends by itself was pulled out, or taken by the system
      for (const track of own?.getTracks() ?? [])
        track.onended = () => setGone(track.kind === "audio" ? "audioinput" : "videoinput");
      cleanup.current = () => {
        stopMeasuring();
        shown.getTracks().forEach((track) => track.stop());
      };
      setStream(shown);
    },
    [sound],
  );

  // chosen here, or put right by somebody who helps: what is open is opened anew
  const opened = useRef<Chosen | null>(null);
  const start = useCallback(() => {
    opened.current = chosen;
    void open(chosen);
  }, [open, chosen]);
  useEffect(() => {
    const before = opened.current;
    if (stream === null || before === null) return;
    if (before.audioinput !== chosen.audioinput || before.videoinput !== chosen.videoinput) start();
  }, [chosen, stream, start]);
  useEffect(() => () => cleanup.current(), []);
  return {
    ...{ stream: shown ?? stream, isGenerated, sound, lists, chosen, gone, start, stop, choose: keep },
    behind: own,
  };
}
