"use client";
import { useCallback, useEffect, useRef, useState } from "react";
import { callReportEveryMs, wordsOf, type CallReport, type CallState } from "@/contracts";
import type { PhoneKey } from "@/core/room";
import type { Failure } from "@/core/shared";

type Answer = { ok: true; call?: string; state: CallState } | { ok: false; failure: Failure };

const post = async (address: string, body: unknown): Promise<Answer> => {
  const response = await fetch(address, {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: JSON.stringify(body),
  });
  return (await response.json()) as Answer;
};

const refused = (failure: Failure): string =>
  failure.code === "not-found"
    ? "These numbers do not belong together. Look at the join details and dial again."
    : wordsOf(failure);

const lookEveryMs = 1500;

/** Whether the telephone with this number rings just now; the answer picks it up. */
export function useRinging(number: string, isLooking: boolean): string | null {
  const [answer, setAnswer] = useState<string | null>(null);
  useEffect(() => {
    if (!isLooking || number.trim() === "") return;
    const look = async () => {
      const response = await fetch(`/phone-line/calls?number=${encodeURIComponent(number)}`).catch(() => null);
      const said = (await response?.json().catch(() => null)) as { answer?: string | null } | null | undefined;
      setAnswer(said?.answer ?? null);
    };
    const timer = setInterval(() => void look(), lookEveryMs);
    return () => {
      clearInterval(timer);
      setAnswer(null);
    };
  }, [number, isLooking]);
  return answer;
}

/** One call on the simulated line: dialled, reported once a second, hung up. */
export function useCall() {
  const [call, setCall] = useState<string | null>(null);
  const [state, setState] = useState<CallState | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const level = useRef(0);

  const report = useCallback(async (to: string, body: CallReport) => {
    const answer = await post(`/phone-line/calls/${to}`, body).catch(() => null);
    if (answer?.ok) setState(answer.state);
    else if (answer) setWrong(refused(answer.failure));
    return answer;
  }, []);

  useEffect(() => {
    if (!call || state?.place === "over") return;
    // somebody who speaks is never equally loud for two seconds
    const timer = setInterval(
      () => void report(call, { type: "level", level: Math.round(level.current * (0.7 + Math.random() * 0.3)) }),
      callReportEveryMs,
    );
    return () => clearInterval(timer);
  }, [call, state?.place, report]);

  return {
    isOn: call !== null,
    state,
    wrong,
    setLevel: (next: number) => (level.current = next),
    async dial(numbers: { number: string; conferenceNumber: string; pin: string } | { answer: string }) {
      setWrong(null);
      const answer = await post("/phone-line/calls", numbers).catch(() => null);
      if (!answer) return setWrong("The line is dead just now. Dial again in a moment.");
      if (!answer.ok) return setWrong(refused(answer.failure));
      setState(answer.state);
      setCall(answer.call ?? null);
    },
    press: (key: PhoneKey) => (call ? report(call, { type: "key", key }) : null),
    async hangUp() {
      if (call) await report(call, { type: "hung-up" });
      setCall(null);
      setState(null);
    },
  };
}
