import { join } from "node:path";
import type { CertificateLook } from "./certificate-words";
import { GlobalFonts, loadImage, PDFDocument, type SKRSContext2D } from "@napi-rs/canvas";

// A4 lying, in points
const [width, height] = [842, 595];
const margin = 72;
const bannerHeight = 120;

/** Fonts lie beside the program, which runs in its own folder. */
const fontFile = (name: string, file: string): string => join(process.cwd(), "node_modules", name, "files", file);
let areFontsThere = false;
/** The product's own fonts, Latin and Arabic; registered once a process. */
function registerFonts(): void {
  if (areFontsThere) return;
  for (const weight of [400, 600]) {
    for (const part of ["latin", "latin-ext"])
      GlobalFonts.registerFromPath(
        fontFile("@fontsource/schibsted-grotesk", `schibsted-grotesk-${part}-${weight}-normal.woff2`),
        `Certificate ${part}`,
      );
    GlobalFonts.registerFromPath(
      fontFile("@fontsource/ibm-plex-sans-arabic", `ibm-plex-sans-arabic-arabic-${weight}-normal.woff2`),
      "Certificate arabic",
    );
  }
  areFontsThere = true;
}
const families = '"Certificate latin", "Certificate latin-ext", "Certificate arabic"';

/** Writes one line at the reader's side, smaller where it would not fit. */
function line(
  c: SKRSContext2D,
  text: string,
  y: number,
  style: { size: number; weight: number; colour: string },
): void {
  let { size } = style;
  const room = width - 2 * margin;
  // letters drawn as one (fi) would be lost to whoever searches the text or has it read out; Arabic must be joined
  c.letterSpacing = /\p{Script=Arabic}/u.test(text) ? "0px" : "0.01px";
  do {
    c.font = `${style.weight} ${size}px ${families}`;
    size -= 1;
  } while (c.measureText(text).width > room && size > 8);
  c.fillStyle = style.colour;
  c.fillText(text, c.textAlign === "right" ? width - margin : margin, y);
}

/**
 * One certificate as a PDF of one page. Arabic is shaped and set in order by the drawing library (Skia, HarfBuzz);
 * the text can be searched and read out.
 */
export async function makeCertificate(look: CertificateLook): Promise<Uint8Array> {
  registerFonts();
  const { words } = look;
  const made = new PDFDocument({
    title: `${words.title}: ${words.event}`,
    subject: words.number,
    creator: "Stage Call",
  });
  // the library types a page as a context without pictures; it is the very one that a canvas has
  const c = made.beginPage(width, height) as SKRSContext2D;
  c.direction = look.isRightToLeft ? "rtl" : "ltr";
  c.textAlign = look.isRightToLeft ? "right" : "left";
  let top = margin;
  if (look.banner) {
    const picture = await loadImage(Buffer.from(look.banner));
    const scale = Math.max(width / picture.width, bannerHeight / picture.height);
    c.save();
    c.beginPath();
    c.rect(0, 0, width, bannerHeight);
    c.clip();
    c.drawImage(
      picture,
      (width - picture.width * scale) / 2,
      (bannerHeight - picture.height * scale) / 2,
      picture.width * scale,
      picture.height * scale,
    );
    c.restore();
    top = bannerHeight + 44;
  }
  c.fillStyle = look.colour;
  c.fillRect(look.isRightToLeft ? width - 24 : 16, top - 24, 8, height - top - 20);
  const [ink, quiet] = ["#1B1F23", "#5A625F"];
  line(c, words.title, top + 6, { size: 22, weight: 400, colour: quiet });
  line(c, words.name, top + 62, { size: 38, weight: 600, colour: ink });
  line(c, words.attended, top + 102, { size: 16, weight: 400, colour: quiet });
  line(c, words.event, top + 136, { size: 26, weight: 600, colour: ink });
  line(c, words.on, top + 164, { size: 15, weight: 400, colour: ink });
  line(c, words.points, top + 206, { size: 22, weight: 600, colour: look.colour });
  line(c, words.by, height - 108, { size: 16, weight: 600, colour: ink });
  line(c, words.number, height - 76, { size: 13, weight: 400, colour: ink });
  line(c, words.check, height - 56, { size: 11, weight: 400, colour: quiet });
  made.endPage();
  return made.close();
}
