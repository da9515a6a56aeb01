import { afterEach, describe, expect, it, vi } from "vitest";
import { listDevices, openDevices } from "./own-stream";

const chosen = { audioinput: "mic-2", videoinput: "cam-2", audiooutput: null };
const plain = { audio: true, video: true };
type Asked = { audio: unknown; video: unknown };

/** A browser that answers each request by this function. */
function browser(answer: (asked: Asked) => unknown): Asked[] {
  const asked: Asked[] = [];
  const getUserMedia = (request: Asked) => {
    asked.push(request);
    return Promise.resolve().then(() => answer(request));
  };
  vi.stubGlobal("navigator", { mediaDevices: { getUserMedia } });
  return asked;
}
const fails = (name: string): never => {
  throw new DOMException("no", name);
};
afterEach(() => vi.unstubAllGlobals());

describe("one's own devices (W3C Media Capture and Streams)", () => {
  it("are those that this browser chose", async () => {
    const asked = browser(() => "stream");
    expect(await openDevices(chosen)).toBe("stream");
    expect(asked).toEqual([{ audio: { deviceId: { exact: "mic-2" } }, video: { deviceId: { exact: "cam-2" } } }]);
  });
  it("are the system's own where a chosen one is not there any more", async () => {
    const asked = browser(({ audio }) => (audio === true ? "own" : fails("OverconstrainedError")));
    expect(await openDevices(chosen)).toBe("own");
    expect(asked).toHaveLength(2);
  });
  it("are the microphone alone where there is no camera", async () => {
    browser(({ video }) => (video === false ? "sound" : fails("NotFoundError")));
    expect(await openDevices({ ...chosen, audioinput: null, videoinput: null })).toBe("sound");
  });
  it("a no is a no: it is not asked for again in another shape", async () => {
    const asked = browser(() => fails("NotAllowedError"));
    await expect(openDevices({ audioinput: null, videoinput: null, audiooutput: null })).rejects.toThrow();
    expect(asked).toEqual([plain]);
  });
  it("are listed by kind; what the browser does not name yet is left out", async () => {
    const one = (kind: string, deviceId: string, label: string) => ({ kind, deviceId, label });
    const all = [
      one("audioinput", "a", "Desk microphone"),
      one("videoinput", "", ""),
      one("audiooutput", "s", "Headphones"),
    ];
    vi.stubGlobal("navigator", { mediaDevices: { enumerateDevices: async () => all } });
    expect(await listDevices()).toEqual({
      audioinput: [{ id: "a", label: "Desk microphone" }],
      videoinput: [],
      audiooutput: [{ id: "s", label: "Headphones" }],
    });
  });
});
