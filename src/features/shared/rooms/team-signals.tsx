import type { DeskView, SignalKind } from "@/core/room";
import { signalKinds } from "@/core/room";
import { signalWords } from "../signal-words";

type Seen = Pick<DeskView, "signals">;

/** What the audience signals just now, as rates; nothing where nobody does. */
export function TeamSignals({ view, className }: { view: Seen; className?: string }) {
  const given = signalKinds.filter((kind: SignalKind) => view.signals[kind]);
  return (
    <p role="status" aria-label="Signals of the audience" className={className}>
      {given.length > 0 && <span className="me-4 text-label text-ink-2">Signals</span>}
      {given.map((kind) => (
        <span key={kind} className="me-4">
          {signalWords[kind]} <span className="mono">{view.signals[kind]!.count}</span>
        </span>
      ))}
    </p>
  );
}
