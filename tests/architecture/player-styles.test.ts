import { createHash } from "node:crypto";
import * as parts from "media-chrome";
import { expect, it } from "vitest";
import { playerStyles } from "@/app/_lib/player-styles";

/** What the page of a recording uses, and what those are made of. */
const used = [
  ...["MediaController", "MediaGestureReceiver", "MediaControlBar", "MediaPlayButton", "MediaSeekBackwardButton"],
  ...["MediaSeekForwardButton", "MediaTimeDisplay", "MediaTimeRange", "MediaPlaybackRateButton", "MediaCaptionsButton"],
  ...["MediaMuteButton", "MediaVolumeRange", "MediaPipButton", "MediaFullscreenButton", "MediaTooltip"],
] as const;
interface Part {
  getTemplateHTML(attributes: object, props: object): string;
}

it("the player's own styles are let in by the bytes that its package has, and no other", () => {
  const made = new Set<string>();
  for (const name of used) {
    const html = (parts as unknown as Record<string, Part>)[name]!.getTemplateHTML({}, {});
    for (const [, style] of html.matchAll(/<style[^>]*>([\s\S]*?)<\/style>/g))
      made.add(createHash("sha256").update(style!).digest("base64"));
  }
  expect([...made].sort()).toEqual([...playerStyles]);
});
