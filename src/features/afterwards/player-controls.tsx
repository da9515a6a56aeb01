"use client";
import {
  MediaCaptionsButton,
  MediaControlBar,
  MediaFullscreenButton,
  MediaMuteButton,
  MediaPipButton,
  MediaPlaybackRateButton,
  MediaPlayButton,
  MediaSeekBackwardButton,
  MediaSeekForwardButton,
  MediaTimeDisplay,
  MediaTimeRange,
  MediaVolumeRange,
} from "media-chrome/react";

const stepSeconds = 10;
/** under the picture: they stay while it plays */
const stays = { noautohide: "" };
/** as large as a finger */
const button = "min-w-11 px-2.5 py-3";
const speeds = [0.75, 1, 1.25, 1.5, 2];

/** What a recording is played by. It comes after the page: until then the browser's own controls stand there. */
export default function PlayerControls({ hasCaptions }: { hasCaptions: boolean }) {
  return (
    <>
      <MediaControlBar {...stays} className="h-9 w-full bg-sheet px-2">
        <MediaTimeRange className="w-full px-2" />
      </MediaControlBar>
      <MediaControlBar {...stays} className="h-12 w-full border-b border-rule bg-sheet">
        <MediaPlayButton className={button} />
        <MediaSeekBackwardButton seekOffset={stepSeconds} className={button} />
        <MediaSeekForwardButton seekOffset={stepSeconds} className={button} />
        <MediaTimeDisplay showDuration className="mono me-auto px-2 text-base" />
        <MediaPlaybackRateButton rates={speeds} className={button} />
        {hasCaptions && <MediaCaptionsButton className={button} />}
        <MediaMuteButton className={button} />
        <MediaVolumeRange className="w-24 px-2 max-sm:hidden" />
        <MediaPipButton className={`${button} max-sm:hidden`} />
        <MediaFullscreenButton className={button} />
      </MediaControlBar>
    </>
  );
}
