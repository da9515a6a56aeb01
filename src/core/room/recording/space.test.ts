import { describe, expect, it } from "vitest";
import { isSpaceShort, recordableMs, toldRecordableMs } from "./space";

const GB = 1e9;
const minute = 60_000;
const roomy = { freeBytes: 100 * GB, shareLeftBytes: 100 * GB, recordedBytes: 0, recordedMs: 0 };

describe("how much longer an hour can be kept", () => {
  it("goes by 0.9 Mbit/s until a minute is there, twice over on the disk: 405 MB an hour, by hand", () => {
    // 112,500 bytes a second; 8.1 GB hold ten hours of pieces and of the file joined of them
    expect(recordableMs({ ...roomy, freeBytes: 8.1 * GB }) / minute).toBeCloseTo(600);
    expect(recordableMs({ ...roomy, shareLeftBytes: 0.405 * GB }) / minute).toBeCloseTo(60);
  });
  it("then by what was recorded, which the joined file needs room for as well", () => {
    // 10 MB a minute: of 1 GB free 100 MB are needed to join the ten minutes there are, the rest is 45 minutes twice
    const used = { recordedBytes: 100e6, recordedMs: 10 * minute };
    expect(recordableMs({ ...roomy, ...used, freeBytes: GB }) / minute).toBeCloseTo(45);
    expect(recordableMs({ ...roomy, ...used, shareLeftBytes: 0.3 * GB }) / minute).toBeCloseTo(20);
  });
  it("is nothing where less is free than joining needs, and has no end by an object store's disk", () => {
    const used = { recordedBytes: 100e6, recordedMs: 10 * minute };
    expect(recordableMs({ ...roomy, ...used, freeBytes: 90e6 })).toBe(0);
    expect(recordableMs({ ...roomy, ...used, freeBytes: null, shareLeftBytes: 1.1 * GB }) / minute).toBeCloseTo(100);
  });
  it("is told in steps, and warned of while there is time to make room", () => {
    expect([59.9, 60.1, 64, 187].map((minutes) => toldRecordableMs(minutes * minute) / minute)).toEqual([
      59, 60, 60, 185,
    ]);
    const left = (minutes: number) => ({ recordableMs: minutes * minute, isFull: false });
    expect([isSpaceShort(left(29), 0), isSpaceShort(left(45), 0), isSpaceShort(left(45), 50 * minute)]).toEqual([
      true,
      false,
      true,
    ]);
  });
});
