import { programmeFeed } from "./pieces";

/** As what the programme is sent: whole (540 lines), small (270 lines) for a weak line, or its sound alone. */
export const variants = ["full", "small", "sound"] as const;
export type Variant = (typeof variants)[number];

const suffixes: Readonly<Record<Variant, string>> = { full: "", small: "270", sound: "sound" };

/** Each variant is a feed of its own, made by the same page. */
export const feedOfVariant = (variant: Variant): string =>
  variant === "full" ? programmeFeed : `${programmeFeed}:${suffixes[variant]}`;
export const isProgrammeFeed = (feed: string): boolean => variants.some((one) => feedOfVariant(one) === feed);

/** Every picture there is, from which a player chooses by itself. */
export const allPlaylists = "programme-all.m3u8";

export const sizeOfVariant = { full: { width: 960, height: 540 }, small: { width: 480, height: 270 } } as const;
/** bits a second of picture and of sound together */
export const bitsOfVariant: Readonly<Record<Variant, { readonly picture: number; readonly sound: number }>> = {
  full: { picture: 800_000, sound: 64_000 },
  small: { picture: 200_000, sound: 32_000 },
  sound: { picture: 0, sound: 48_000 },
};

/** What is asked for under a room's own address: one long answer, a list, or what a list names. */
export type ProgrammePart =
  | { readonly kind: "feed" | "list"; readonly variant: Variant }
  | { readonly kind: "all" }
  | { readonly kind: "init" | "piece"; readonly variant: Variant; readonly number: number };

const dashed = (variant: Variant): string => (variant === "full" ? "" : `-${suffixes[variant]}`);
export const feedPath = (variant: Variant): string => `programme${dashed(variant)}`;
export const listPath = (variant: Variant): string => `${feedPath(variant)}.m3u8`;
export const initPath = (variant: Variant, number: number): string => `init${dashed(variant)}-${number}.mp4`;
export const piecePath = (variant: Variant, number: number): string => `piece${dashed(variant)}-${number}.m4s`;

/** Reads an address that the functions above write; null for any other. */
export function programmePartOf(path: string): ProgrammePart | null {
  if (path === allPlaylists) return { kind: "all" };
  const variantOf = (suffix = "") => variants.find((one) => suffixes[one] === suffix)!;
  const whole = /^programme(?:-(270|sound))?(\.m3u8)?$/.exec(path);
  if (whole) return { kind: whole[2] ? "list" : "feed", variant: variantOf(whole[1]) };
  const [, kind, suffix, number] =
    /^(?=init.*\.mp4$|piece.*\.m4s$)(init|piece)-(?:(270|sound)-)?(\d{1,9})\./.exec(path) ?? [];
  if (kind !== "init" && kind !== "piece") return null;
  return { kind, variant: variantOf(suffix), number: Number(number) };
}
