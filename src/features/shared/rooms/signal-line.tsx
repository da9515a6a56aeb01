"use client";
import { useState } from "react";
import { useTranslations } from "use-intl";
import { signalEveryMs, signalKinds, type HouseView, type SignalKind } from "@/core/room";
import { Button } from "@/ui";
import type { RoomLink } from "../room-link/use-room";

/** A small row of words under the picture: one tap each, with how many give it just now. */
export function SignalLine({ view, send }: { view: HouseView; send: RoomLink<HouseView>["send"] }) {
  const t = useTranslations("signals");
  const [given, setGiven] = useState<ReadonlySet<SignalKind>>(new Set());
  const [needsHelp, setNeedsHelp] = useState(false);
  if (!view.event["it"]?.signalsOn) return null;
  const give = (kind: SignalKind) => {
    void send({ type: "signals.give", kind });
    setNeedsHelp(kind === "cannot-hear");
    setGiven((before) => new Set([...before, kind]));
    setTimeout(() => setGiven((before) => new Set([...before].filter((one) => one !== kind))), signalEveryMs);
  };
  return (
    <div>
      <div role="group" aria-label={t("label")} className="mt-2 flex flex-wrap gap-x-1 gap-y-1">
        {signalKinds.map((kind) => {
          const count = view.signals[kind]?.count ?? 0;
          return (
            <Button
              key={kind}
              weight="plain"
              className="min-h-8 px-2"
              disabled={given.has(kind)}
              onClick={() => give(kind)}
            >
              {t(`kinds.${kind}`)}
              {count > 0 && <span className="mono ms-1.5 text-label">{count}</span>}
            </Button>
          );
        })}
      </div>
      <p role="status" className="text-ink-2">
        {needsHelp ? t("help") : ""}
      </p>
    </div>
  );
}
