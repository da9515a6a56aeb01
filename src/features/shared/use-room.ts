"use client";
import { useCallback, useEffect, useRef, useState } from "react";
import { signEveryMs, wordsOf, type CommandBody, type StreamMessages } from "@/contracts";
import type { RoleClass } from "@/core/people";
import type { Failure } from "@/core/shared";
import { applyChanges, type AnyView, type PersonalPart } from "@/core/room";
import { CommandQueue } from "./command-queue";

export interface RoomLink<V extends AnyView> {
  /** null until the first picture has come */
  readonly view: V | null;
  readonly roleClass: RoleClass | null;
  readonly me: PersonalPart | null;
  readonly state: "connecting" | "live" | "lost" | "unwell" | "withdrawn";
  /** the last refusal, in words */
  readonly refusal: string | null;
  /** server time minus this browser's, in milliseconds */
  readonly clockAheadMs: number;
  send(command: CommandBody): void;
}

/** At the end a whole house signs: spread over this long. */
const endSignSpreadMs = 1500;

/**
 * Follows a room: one event stream, folded with the core's reducer; commands are queued and repeated
 * with the same id until they are answered; a sign of life goes out every ten seconds.
 * @param as the ticket, or null for the desk
 * @param say makes words of a refusal: the team's unless given
 */
export function useRoom<V extends AnyView>(
  occurrenceId: string,
  as: string | null,
  say: (failure: Failure) => string = wordsOf,
): RoomLink<V> {
  const [view, setView] = useState<V | null>(null);
  const [roleClass, setRoleClass] = useState<RoleClass | null>(null);
  const [me, setMe] = useState<PersonalPart | null>(null);
  const [state, setState] = useState<RoomLink<V>["state"]>("connecting");
  const [refusal, setRefusal] = useState<Failure | null>(null);
  const [clockAheadMs, setClockAheadMs] = useState(0);
  const queue = useRef<CommandQueue | null>(null);
  const signNow = useRef<(() => void) | null>(null);
  const base = `/live/${occurrenceId}`;
  const query = as ? `as=${as}` : "";

  useEffect(() => {
    const commands = new CommandQueue(`${base}/commands?${query}`, setRefusal);
    queue.current = commands;
    let source: EventSource | null = null;
    let isOver = false;
    let last: { seq: number; roleClass: RoleClass } | null = null;
    let connectionId: string | null = null;
    let retry: ReturnType<typeof setTimeout> | undefined;

    const open = () => {
      const resume = last ? `&after=${last.seq}&class=${last.roleClass}` : "";
      const stream = new EventSource(`${base}/stream?${query}${resume}`);
      source = stream;
      const on = <E extends keyof StreamMessages>(event: E, run: (message: StreamMessages[E]) => void) =>
        stream.addEventListener(event, (raw) =>
          run(JSON.parse((raw as MessageEvent<string>).data) as StreamMessages[E]),
        );
      on("snapshot", (message) => {
        last = { seq: message.seq, roleClass: message.roleClass };
        setClockAheadMs(message.now - Date.now());
        setRoleClass(message.roleClass);
        setView(message.view as V);
        setState("live");
      });
      on("change", ({ seq, changes }) => {
        if (last) last = { ...last, seq };
        setView((before) => (before ? applyChanges(before, changes) : before));
        setState("live");
      });
      on("personal", (message) => {
        connectionId = message.connectionId;
        setMe(message.me);
        setState((before) => (before === "lost" || before === "connecting" ? "live" : before));
      });
      on("health", ({ isWell }) => setState(isWell ? "live" : "unwell"));
      on("closed", () => {
        isOver = true;
        stream.close();
        setState("withdrawn");
      });
      // an event source gives up after an answer that is no stream: a new one is made each time
      stream.onerror = () => {
        stream.close();
        if (isOver) return;
        setState((before) => (before === "unwell" ? before : "lost"));
        clearTimeout(retry);
        retry = setTimeout(open, 700 + Math.random() * 800);
      };
    };
    open();
    const sign = () => {
      if (connectionId) commands.post({ type: "sign", connectionId });
    };
    signNow.current = sign;
    const signs = setInterval(sign, signEveryMs);
    const goodbye = () => {
      if (!connectionId) return;
      const body = JSON.stringify({ commandId: crypto.randomUUID(), command: { type: "goodbye", connectionId } });
      navigator.sendBeacon(`${base}/commands?${query}`, new Blob([body], { type: "application/json" }));
    };
    window.addEventListener("pagehide", goodbye);
    return () => {
      isOver = true;
      clearTimeout(retry);
      clearInterval(signs);
      window.removeEventListener("pagehide", goodbye);
      commands.stop();
      source?.close();
    };
  }, [base, query]);

  // somebody who stayed to the end is counted to the end, not to their last sign before it
  const phase = (view as { status?: Record<string, { phase?: string }> } | null)?.status?.["it"]?.phase;
  useEffect(() => {
    if (phase !== "ended") return;
    const timer = setTimeout(() => signNow.current?.(), Math.random() * endSignSpreadMs);
    return () => clearTimeout(timer);
  }, [phase]);

  const send = useCallback((command: CommandBody) => {
    setRefusal(null);
    queue.current?.push(command);
  }, []);
  return { view, roleClass, me, state, refusal: refusal && say(refusal), clockAheadMs, send };
}
