export const deviceKinds = ["audioinput", "videoinput", "audiooutput"] as const;
export type DeviceKind = (typeof deviceKinds)[number];
/** Which device of each kind this browser chose; null: the system's own choice. */
export type Chosen = Readonly<Record<DeviceKind, string | null>>;

/** What stands in a list to be chosen from. */
export interface Listed {
  readonly id: string;
  /** as the system calls it; empty where it does not say */
  readonly label: string;
}
export type Lists = Readonly<Record<DeviceKind, readonly Listed[]>>;
export const noLists: Lists = { audioinput: [], videoinput: [], audiooutput: [] };

/** The devices of this computer by kind. Browsers name them only to whom they gave one. */
export async function listDevices(): Promise<Lists> {
  const all = await navigator.mediaDevices.enumerateDevices();
  const of = (kind: DeviceKind) =>
    all.filter((one) => one.kind === kind && one.deviceId !== "").map(({ deviceId: id, label }) => ({ id, label }));
  return { audioinput: of("audioinput"), videoinput: of("videoinput"), audiooutput: of("audiooutput") };
}

const wish = (id: string | null): MediaTrackConstraints | true => (id ? { deviceId: { exact: id } } : true);

/**
 * Opens microphone and camera: the chosen ones, else, where one of those is not there any more, the system's own; a
 * computer without a camera gives its microphone alone.
 * @throws where there is neither, or the person refused
 */
export async function openDevices({ audioinput, videoinput }: Chosen): Promise<MediaStream> {
  const open = (audio: MediaTrackConstraints | boolean, video: MediaTrackConstraints | boolean) =>
    navigator.mediaDevices.getUserMedia({ audio, video });
  const tries = [
    () => open(wish(audioinput), wish(videoinput)),
    () => open(true, true),
    () => open(wish(audioinput), false),
    () => open(true, false),
  ];
  let last: unknown;
  for (const attempt of tries) {
    try {
      return await attempt();
    } catch (error) {
      last = error;
      // a no is a no: it is not asked again in another shape
      if (error instanceof DOMException && error.name === "NotAllowedError") break;
    }
  }
  throw last;
}
