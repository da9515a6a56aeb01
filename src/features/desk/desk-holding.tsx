"use client";

import { HoldingPicture } from "@/features/shared/picture/holding-picture";
import { useSay } from "@/features/shared/say/say";
import type { DeskScene } from "./scene";

/** The holding picture as the desk sees it: without its sound. */
export function DeskHolding({ view, now }: Pick<DeskScene, "view" | "now">) {
  const say = useSay();
  const event = view.event["it"]!;
  return (
    <HoldingPicture
      holding={view.holding["it"]!}
      title={event.title}
      words={say`Holding picture`}
      startAt={event.startAt}
      now={now}
      isHeard={false}
    />
  );
}
