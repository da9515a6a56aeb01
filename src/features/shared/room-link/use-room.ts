"use client";
import { useCallback, useEffect, useRef, useState } from "react";
import { wordsOf, type AsideBody, type CommandBody, type WhisperBody } from "@/contracts";
import type { Failure } from "@/core/shared";
import type { AnyView, PersonalPart } from "@/core/room";
import type { Receipt } from "./command-queue";
import { noFeeds, screenOf, type Feeds } from "./feeds";
import { openLink, type LinkState } from "./open-link";
import { useReadEarlier } from "./use-read-earlier";
import { useWhispers, type Heard } from "./use-whispers";

export interface RoomLink<V extends AnyView> extends Heard {
  /** null until the first picture has come */
  readonly view: V | null;
  readonly screen: ReturnType<typeof screenOf>;
  /** rows of the log feeds, by topic */
  readonly logs: Feeds["logs"];
  readonly me: PersonalPart | null;
  readonly state: LinkState;
  /** the last refusal, in words */
  readonly refusal: string | null;
  /** commands that have no answer yet */
  readonly waiting: number;
  /** server time minus this browser's, in milliseconds */
  readonly clockAheadMs: number;
  /** @param commandId given where the act is to be known again before its answer */
  send(command: CommandBody, commandId?: string): Promise<Receipt>;
  /** a page more of a log feed, before what is there */
  readEarlier(topic: string): Promise<void>;
  /** says something in passing: sent once, kept nowhere, answered by nobody */
  whisper(body: WhisperBody): void;
  /** hears what others say to this person alone. @returns how to hear no more */
  onAside(hear: HearAside): () => void;
}
export type HearAside = (from: string, said: AsideBody) => void;

/** At the end a whole house signs: spread over this long. */
const endSignSpreadMs = 1500;

/** Of a command that no server could make sense of. */
const lostWords = "That did not reach the room. Try it again.";

/**
 * Follows a room: one event stream whose feeds are folded with the core's reducer; commands are queued and
 * repeated with the same id until they are answered; a sign of life goes out every ten seconds.
 * @param as the ticket, or null for the desk
 * @param say makes words of a refusal: the team's unless given
 */
export function useRoom<V extends AnyView>(
  occurrenceId: string,
  as: string | null,
  say: (failure: Failure) => string = wordsOf,
): RoomLink<V> {
  const [feeds, setFeeds] = useState<Feeds>(noFeeds);
  const [me, setMe] = useState<PersonalPart | null>(null);
  const [state, setState] = useState<LinkState>("connecting");
  const [refusal, setRefusal] = useState<Failure | { readonly code: "lost" } | null>(null);
  const [waiting, setWaiting] = useState(0);
  const [clockAheadMs, setClockAheadMs] = useState(0);
  const { heard, hear } = useWhispers();
  const hearers = useRef(new Set<HearAside>());
  const link = useRef<ReturnType<typeof openLink> | null>(null);

  useEffect(() => {
    const set = { feeds: setFeeds, me: setMe, state: setState, refusal: setRefusal, waiting: setWaiting };
    const opened = openLink(`/live/${occurrenceId}`, as ? `as=${as}` : "", {
      ...set,
      whispers: hear,
      aside: ({ from, said }) => hearers.current.forEach((one) => one(from, said)),
      clockAhead: setClockAheadMs,
    });
    link.current = opened;
    return opened.close;
  }, [occurrenceId, as, hear]);

  // somebody who stayed to the end is counted to the end, not to their last sign before it
  const phase = (feeds.view as { status?: Record<string, { phase?: string }> } | null)?.status?.["it"]?.phase;
  useEffect(() => {
    if (phase !== "ended") return;
    const timer = setTimeout(() => link.current?.sign(), Math.random() * endSignSpreadMs);
    return () => clearTimeout(timer);
  }, [phase]);

  const send = useCallback((command: CommandBody, commandId?: string): Promise<Receipt> => {
    setRefusal(null);
    return link.current?.queue.push(command, commandId) ?? Promise.resolve({ ok: false, failure: { code: "lost" } });
  }, []);
  const readEarlier = useReadEarlier(occurrenceId, as, feeds.logs, setFeeds);
  const whisper = useCallback((body: WhisperBody) => link.current?.queue.post(body), []);
  const onAside = useCallback((one: HearAside) => {
    const all = hearers.current.add(one);
    return () => void all.delete(one);
  }, []);
  return {
    view: feeds.view as V | null,
    screen: screenOf(feeds.topics),
    logs: feeds.logs,
    me,
    state,
    refusal: refusal && (refusal.code === "lost" ? lostWords : say(refusal)),
    waiting,
    clockAheadMs,
    ...heard,
    send,
    readEarlier,
    whisper,
    onAside,
  };
}
