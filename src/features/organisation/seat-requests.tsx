"use client";
import { useState, useTransition } from "react";
import type { Done, SeatRequestLine } from "@/contracts";
import { Button, Input, Note, toast } from "@/ui";

function OpenRequest({
  request,
  decide,
}: {
  request: SeatRequestLine;
  decide: (id: string, input: { isGranted: boolean; answer: string }) => Promise<Done<void>>;
}) {
  const [answer, setAnswer] = useState("");
  const [wrong, setWrong] = useState<string | null>(null);
  const [isPending, run] = useTransition();
  const say = (isGranted: boolean) =>
    run(async () => {
      const done = await decide(request.id, { isGranted, answer });
      setWrong(done.ok ? null : done.words);
      if (done.ok) toast(isGranted ? "Granted: as many seats as were asked for." : "Declined.");
    });
  return (
    <div className="mt-1 flex flex-wrap items-center gap-2">
      <Input
        aria-label="A word with it"
        placeholder="A word with it"
        className="w-72!"
        value={answer}
        onChange={(event) => setAnswer(event.target.value)}
      />
      <Button weight="act" disabled={isPending} onClick={() => say(true)}>
        Grant {request.wantedSize} seats
      </Button>
      <Button disabled={isPending} onClick={() => say(false)}>
        Decline
      </Button>
      {wrong && <Note tone="wrong">{wrong}</Note>}
    </div>
  );
}

/** Who asks for a larger house, and what was decided. */
export function SeatRequests({
  requests,
  mayDecide,
  decide,
}: {
  requests: readonly SeatRequestLine[];
  mayDecide: boolean;
  decide: (id: string, input: { isGranted: boolean; answer: string }) => Promise<Done<void>>;
}) {
  return (
    <section aria-label="Requests for more seats">
      <h2 className="text-head font-semibold">Requests for more seats</h2>
      {requests.length === 0 && <p className="text-ink-2">Nobody has asked.</p>}
      <ul>
        {requests.map((one) => (
          <li key={one.id} className="border-t border-rule py-2">
            <p>
              <a href={`/events/${one.eventId}/plan`}>{one.title}</a> · <span className="mono">{one.houseSize}</span>{" "}
              now, <span className="mono">{one.wantedSize}</span> wanted by {one.by}
              {one.note && <span className="text-ink-2"> · “{one.note}”</span>}
            </p>
            {one.state === "open" && mayDecide ? (
              <OpenRequest request={one} decide={decide} />
            ) : (
              <p className="text-ink-2">
                {one.state}
                {one.answer ? `: “${one.answer}”` : ""}
              </p>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
