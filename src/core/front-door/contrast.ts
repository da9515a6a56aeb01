/** sRGB as three bytes; null for anything that is not `#rrggbb`. */
function channelsOf(colour: string): readonly [number, number, number] | null {
  const match = /^#([0-9a-f]{2})([0-9a-f]{2})([0-9a-f]{2})$/i.exec(colour);
  return match ? [parseInt(match[1]!, 16), parseInt(match[2]!, 16), parseInt(match[3]!, 16)] : null;
}

/** Relative luminance (WCAG 2.2, definition of the same name). */
export function luminanceOf(colour: string): number {
  const channels = channelsOf(colour);
  if (!channels) return 0;
  const [r, g, b] = channels.map((byte) => {
    const c = byte / 255;
    return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
  }) as [number, number, number];
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
}

/** Contrast ratio of two colours, 1 to 21 (WCAG 2.2). */
export function contrastOf(a: string, b: string): number {
  const [light, dark] = [luminanceOf(a), luminanceOf(b)].sort((x, y) => y - x) as [number, number];
  return (light + 0.05) / (dark + 0.05);
}

export const paper = "#F5F4EF";
const sheet = "#FFFFFF";
const ink = "#1B1F23";
/** AA for text of any size. */
export const neededContrast = 4.5;

export interface ReadableLook {
  /** for grounds: the colour itself */
  readonly ground: string;
  /** for words on that ground */
  readonly onGround: string;
  /** for words and lines on paper: the colour itself where it can be read there, else a darker one of its hue */
  readonly text: string;
  /** the colour could not be used for words as it is */
  readonly wasDarkened: boolean;
}

const darker = (colour: string, factor: number): string =>
  `#${(channelsOf(colour) ?? [0, 0, 0])
    .map((byte) =>
      Math.round(byte * factor)
        .toString(16)
        .padStart(2, "0"),
    )
    .join("")}`;

/** Quieter words stand on pages too. */
const quietInk = "#5A625F";

/** Paper with a breath of a colour: as much of it as leaves the quieter words readable. */
export function tintedPaper(colour: string): string {
  const [own, base] = [channelsOf(colour), channelsOf(paper)!];
  if (!own) return paper;
  for (let share = 0.14; share > 0; share -= 0.02) {
    const mixed = base.map((byte, i) => Math.round(byte * (1 - share) + own[i]! * share));
    const page = `#${mixed.map((byte) => byte.toString(16).padStart(2, "0")).join("")}`;
    if (contrastOf(quietInk, page) >= neededContrast) return page;
  }
  return paper;
}

/**
 * A colour made usable: what is written in it or on it can be read (4.5 : 1 on every ground it stands on).
 * @param page what lies behind: paper unless it is tinted
 */
export function readableLook(colour: string, page: string = paper): ReadableLook {
  const own = channelsOf(colour) ? colour : "#0E5A5A";
  const isReadable = (text: string) =>
    contrastOf(text, page) >= neededContrast && contrastOf(text, sheet) >= neededContrast;
  let text = own;
  for (let factor = 0.95; !isReadable(text) && factor > 0; factor -= 0.05) text = darker(own, factor);
  return {
    ground: own,
    onGround: contrastOf(own, sheet) >= contrastOf(own, ink) ? sheet : ink,
    text,
    wasDarkened: text !== own,
  };
}
