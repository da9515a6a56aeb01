"use client";
import { useEffect, useMemo, useRef, useState } from "react";
import type { RoomLink } from "../room-link/use-room";
import { Mesh } from "./mesh";

type Link = Pick<RoomLink<never>, "whisper" | "onAside" | "here">;
export interface Links {
  /** what people send, by ticket */
  readonly streams: ReadonlyMap<string, MediaStream>;
  /** screens that others share, by ticket */
  readonly screens: ReadonlyMap<string, MediaStream>;
  /** of this page */
  readonly device: string;
  health(): Promise<readonly { id: string; lostPercent: number; isLive: boolean }[]>;
}
const saidEveryMs = 2000;
const none: ReadonlyMap<string, MediaStream> = new Map();
/** A face is small, letters on a screen are not. */
const cameraBits = 700_000;
const screenBits = 1_500_000;

/** Servers that help two browsers find one another, where there are some. */
async function iceServersOf(url: string): Promise<readonly RTCIceServer[]> {
  const answer = await fetch(url).catch(() => null);
  const said = (await answer?.json().catch(() => null)) as { iceServers?: RTCIceServer[] } | null;
  return said?.iceServers ?? [];
}

/** A device of this page, and what a mesh under its name sends from the beginning. */
interface Source {
  readonly device: string;
  readonly tracks: readonly MediaStreamTrack[];
  readonly mostPictureBits: number;
}

/** A mesh of this page, for as long as it is open. @param source null: none just now */
function useOwnMesh(occurrenceId: string, as: string | null, source: Source | null, { whisper, onAside }: Link) {
  const mesh = useRef<Mesh | null>(null);
  const [streams, setStreams] = useState(none);
  const [screens, setScreens] = useState(none);
  useEffect(() => {
    if (source === null) return;
    const { device, mostPictureBits, tracks } = source;
    let isOver = false;
    let stop = () => {};
    void iceServersOf(`/live/${occurrenceId}/ice${as ? `?as=${as}` : ""}`).then((iceServers) => {
      if (isOver) return;
      const made = new Mesh({
        device,
        iceServers,
        mostPictureBits,
        signal: (to, forDevice, signal) => whisper({ type: "programme.signal", to, device, forDevice, signal }),
        changed: () => {
          setStreams(made.streams());
          setScreens(made.screens());
        },
      });
      mesh.current = made;
      made.send(tracks);
      const unhear = onAside((from, said) => {
        if (said.type === "programme.signal" && said.forDevice === device)
          void made.hear(from, said.device, said.signal);
      });
      stop = () => {
        unhear();
        made.close();
        mesh.current = null;
      };
    });
    return () => {
      isOver = true;
      stop();
    };
  }, [occurrenceId, as, source, whisper, onAside]);
  return { mesh, streams, screens };
}

/** A shared screen goes by a link of its own to whoever asks for it. @returns the device that it comes from */
function useScreenSender(occurrenceId: string, as: string | null, room: Link, screen: MediaStream | null) {
  // another screen comes from another device: a link that ended is not taken up again
  const source = useMemo(
    () => screen && { device: crypto.randomUUID(), tracks: screen.getTracks(), mostPictureBits: screenBits },
    [screen],
  );
  useOwnMesh(occurrenceId, as, source, room);
  return source?.device ?? null;
}

const screensOfOthers = { own: null, areSeen: true };

/**
 * Sound and picture among the stage side and whoever has the floor.
 * @param room where its words go @param own what this page sends; null: it only hears and sees
 * @param isOpen which of the own tracks are let through @param screens the own one, and whether those of others come
 */
export function useMesh(
  occurrenceId: string,
  as: string | null,
  room: Link,
  own: MediaStream | null,
  isOpen: { readonly sound: boolean; readonly picture: boolean },
  screens: { readonly own: MediaStream | null; readonly areSeen: boolean } = screensOfOthers,
): Links {
  const source = useMemo(() => ({ device: crypto.randomUUID(), tracks: [], mostPictureBits: cameraBits }), []);
  const { device } = source;
  const { mesh, streams, screens: others } = useOwnMesh(occurrenceId, as, source, room);
  const screenDevice = useScreenSender(occurrenceId, as, room, screens.own);
  const { whisper, here } = room;
  const { areSeen } = screens;

  // a closed microphone sends silence, a closed camera nothing that can be seen
  useEffect(() => {
    for (const track of own?.getTracks() ?? []) track.enabled = track.kind === "audio" ? isOpen.sound : isOpen.picture;
  }, [own, isOpen.sound, isOpen.picture]);

  useEffect(() => {
    const say = () => {
      mesh.current?.send(own?.getTracks() ?? []);
      if (!own && !screenDevice) return;
      const [hasSound, hasPicture] = [!!own?.getAudioTracks().length, !!own?.getVideoTracks().length];
      whisper({ type: "programme.here", device, hasSound, hasPicture, screenDevice });
    };
    say();
    const timer = setInterval(say, saidEveryMs);
    return () => clearInterval(timer);
  }, [own, device, screenDevice, whisper, mesh]);

  useEffect(() => {
    const look = () => {
      const announced = [...here].flatMap(([ticketId, said]) => [
        // whoever shares a screen alone has no devices of their own to be linked to
        ...(said.hasSound || said.hasPicture ? [{ ticketId, device: said.device, at: said.at, isScreen: false }] : []),
        ...(said.screenDevice && areSeen && said.screenDevice !== screenDevice
          ? [{ ticketId, device: said.screenDevice, at: said.at, isScreen: true }]
          : []),
      ]);
      mesh.current?.heard(announced, Date.now());
    };
    look();
    const timer = setInterval(look, saidEveryMs);
    return () => clearInterval(timer);
  }, [here, mesh, areSeen, screenDevice]);

  return { streams, screens: others, device, health: async () => (await mesh.current?.health()) ?? [] };
}
