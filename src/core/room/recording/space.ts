/** Where recordings are kept, and what of it the hour has used. */
export interface StoreSpace {
  /** free on the disk; null: an object store, which has no end that one could ask for */
  readonly freeBytes: number | null;
  /** left of the organisation's share, before this hour's pieces */
  readonly shareLeftBytes: number;
  readonly recordedBytes: number;
  readonly recordedMs: number;
}
/** For the desk: how much longer the hour can be kept. */
export interface KeptSpace {
  readonly recordableMs: number;
  /** nothing that happens now is kept */
  readonly isFull: boolean;
}

/** What picture and sound take until a minute of them is there to go by: 0.9 Mbit/s. */
const assumedBytesASecond = 900_000 / 8;
const enoughToGoByMs = 60_000;

/** How much longer can be recorded, in milliseconds. On the disk the joined file stands beside its pieces for a while. */
export function recordableMs({ freeBytes, shareLeftBytes, recordedBytes, recordedMs }: StoreSpace): number {
  const bytesAMs = recordedMs >= enoughToGoByMs ? recordedBytes / recordedMs : assumedBytesASecond / 1000;
  const byDisk = freeBytes === null ? Infinity : (freeBytes - recordedBytes) / 2 / bytesAMs;
  const byShare = (shareLeftBytes - recordedBytes) / bytesAMs;
  return Math.max(0, Math.min(byDisk, byShare));
}

const minuteMs = 60_000;
const coarseFromMs = 60 * minuteMs;
/** As the desk is told it: by the minute, over an hour by five, so that it stands still for a while. */
export const toldRecordableMs = (ms: number): number => {
  const step = ms < coarseFromMs ? minuteMs : 5 * minuteMs;
  return Math.floor(ms / step) * step;
};
/** Below that the desk is warned, or where less is left than the hour still has by its plan. */
export const isSpaceShort = ({ recordableMs: left }: KeptSpace, toEndMs: number): boolean =>
  left < Math.max(30 * minuteMs, toEndMs);
