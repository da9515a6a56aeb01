export {
  outletAddress,
  outletArguments,
  outletSecrets,
  outletSecretsDescriptor,
  outletEveryMs,
  outletLeaseMs,
  outletRetryMs,
  outletStates,
  type OutletAddress,
  type OutletState,
} from "./outlet";
export { alongWith, type Along } from "./along";
export { aimSeconds, fasterRate, mostBehindSeconds, paceFor, type Pace } from "./catch-up";
export { typeOf } from "./codecs";
export { durationMsOf, timescalesOf } from "./durations";
export {
  inTurn,
  isHeld,
  keptWithoutPiecesMs,
  leaseLostAfterMs,
  leaseRenewedEveryMs,
  onAir,
  waitsMs,
  type Able,
  type Lease,
  type OnAir,
} from "./lease";
export {
  boxesOf,
  isFeedName,
  kindOfBytes,
  mostInitBytes,
  mostPieceBytes,
  piecesKept,
  programmeFeed,
  soundFeed,
  type Piece,
} from "./pieces";
export {
  overflowFor,
  overflowGoneAfterMs,
  overflowReaches,
  overflowSignEveryMs,
  type Overflow,
  type OverflowReach,
} from "./overflow";
export { freshLine, stalled, wentWell, type Line } from "./line";
export { masterPlaylistOf, playlistOf, type PlaylistWindow } from "./playlist";
export {
  mergedChapters,
  recordedMs,
  recordingMsAt,
  trimmedMs,
  union,
  without,
  type ClockedChapter,
  type Span,
} from "./recording-clock";
export { FeedParts, stampOf, stamped, type FeedPart } from "./stamp";
export {
  allPlaylists,
  bitsOfVariant,
  feedOfVariant,
  feedPath,
  initPath,
  isProgrammeFeed,
  listPath,
  piecePath,
  programmePartOf,
  sizeOfVariant,
  variants,
  type ProgrammePart,
  type Variant,
} from "./variants";
