import type { HelpedSetting, HelpSight, SettingSight } from "@/core/room";

/** Where each setting is kept in this browser; what one hears is kept by the room. */
export const settingKeys: Readonly<Record<Exclude<HelpedSetting, "hear">, string>> = {
  microphone: "device-microphone",
  camera: "device-camera",
  loudspeaker: "device-speaker",
  captions: "captions",
  "captions-size": "captions-size",
};

const mostLines = 30;
const mostLetters = 160;

/** Headings and notices that are on the screen now, from top to bottom. */
export function visibleLines(root: ParentNode, height: number): readonly string[] {
  const said = [...root.querySelectorAll<HTMLElement>("h1, h2, h3, [role=alert], [role=status], output")]
    .filter((one) => {
      const box = one.getBoundingClientRect();
      return box.height > 0 && box.bottom > 0 && box.top < height;
    })
    .map((one) => one.innerText.replace(/\s+/g, " ").trim().slice(0, mostLetters))
    .filter((text) => text !== "");
  return [...new Set(said)].slice(0, mostLines);
}

/** "Firefox 140, Linux": what a browser calls itself, as far as somebody who helps needs it. */
export function browserName(agent: string): string {
  const named =
    /(Firefox|Edg|OPR)\/(\d+)/.exec(agent) ?? /(Chrome)\/(\d+)/.exec(agent) ?? /Version\/(\d+).*(Safari)/.exec(agent);
  const system = /\(([^;)]+)/.exec(agent)?.[1];
  const name = named ? (/^\d/.test(named[1]!) ? `${named[2]} ${named[1]}` : `${named[1]} ${named[2]}`) : "";
  return [name, system].filter(Boolean).join(", ").slice(0, 80);
}

async function permission(name: "microphone" | "camera"): Promise<HelpSight["microphone"]> {
  try {
    return (await navigator.permissions.query({ name: name as PermissionName })).state;
  } catch {
    return "unknown";
  }
}

const deviceSettings = { audioinput: "microphone", videoinput: "camera", audiooutput: "loudspeaker" } as const;

/** The devices of this computer as far as the browser names them, each with the one that is chosen. */
async function deviceSights(): Promise<readonly SettingSight[]> {
  const all = (await navigator.mediaDevices?.enumerateDevices().catch(() => [])) ?? [];
  return Object.entries(deviceSettings).flatMap(([kind, setting]) => {
    const named = all.filter((one) => one.kind === kind && one.label !== "" && one.deviceId !== "");
    if (named.length === 0) return [];
    const choices = named.slice(0, 19).map((one) => ({ value: one.deviceId, words: one.label.slice(0, mostLetters) }));
    return [{ setting, value: localStorage.getItem(settingKeys[setting]), choices }];
  });
}

/** What this person sees now. @param further settings that only the page itself knows the choices of */
export async function sightNow(
  place: HelpSight["place"],
  language: string,
  further: readonly SettingSight[],
): Promise<HelpSight> {
  const [microphone, camera, devices] = await Promise.all([
    permission("microphone"),
    permission("camera"),
    deviceSights(),
  ]);
  return {
    place,
    width: window.innerWidth,
    height: window.innerHeight,
    zoom: Math.round((window.outerWidth / Math.max(1, window.innerWidth)) * 100) / 100 || 1,
    language,
    browser: browserName(navigator.userAgent),
    isOnline: navigator.onLine,
    microphone,
    camera,
    lines: visibleLines(document, window.innerHeight),
    settings: [...devices, ...further],
  };
}
