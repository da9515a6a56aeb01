import sharp from "sharp";

const grounds = ["#C9D6CF", "#DCCFB6", "#B9CAD6", "#D8C3BC", "#CBD3B4", "#CFC6DA"];
const skins = ["#8A5A3C", "#C68B63", "#E3B48E", "#5E3B28", "#D8A27A", "#F0CBAA"];
const hairs = ["#2B211C", "#6B4A2F", "#A9A49A", "#8C3B22", "#D9B871", "#3F3A45"];
const coats = ["#1F4E79", "#7A3E1D", "#2F5D46", "#5A5F63", "#7A5B12", "#3D3A66"];

/** A small number from a name, the same every time. */
const numberOf = (name: string): number =>
  [...name].reduce((sum, letter) => (sum * 31 + letter.codePointAt(0)!) >>> 0, 7);

const hairShapes = [
  (hair: string) => `<path d="M72 108 C66 52 174 52 168 108 C150 84 96 82 72 108Z" fill="${hair}"/>`,
  (hair: string) =>
    `<path d="M68 150 C52 60 188 60 172 150 L160 150 C168 92 140 88 120 88 C100 88 72 92 80 150Z" fill="${hair}"/>`,
  (hair: string) =>
    `<circle cx="120" cy="62" r="20" fill="${hair}"/><path d="M74 106 C70 56 170 56 166 106 C146 80 94 80 74 106Z" fill="${hair}"/>`,
  (hair: string) => `<path d="M70 96 C84 46 166 52 170 100 C150 76 120 98 70 96Z" fill="${hair}"/>`,
];

/** A portrait that is nobody's: a bust of plain shapes, drawn from a name. PNG, square. */
export function figure(name: string): Promise<Buffer> {
  const n = numberOf(name);
  const pick = <T>(list: readonly T[], step: number): T => list[Math.floor(n / step) % list.length]!;
  const [ground, skin, hair, coat] = [pick(grounds, 1), pick(skins, 7), pick(hairs, 43), pick(coats, 257)];
  const glasses =
    n % 3 === 0
      ? '<g fill="none" stroke="#222" stroke-width="3"><circle cx="103" cy="118" r="12"/><circle cx="137" cy="118" r="12"/><path d="M115 118h10"/></g>'
      : "";
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="240" height="240" viewBox="0 0 240 240">
<rect width="240" height="240" fill="${ground}"/>
<path d="M36 240 C40 186 82 176 120 176 C158 176 200 186 204 240Z" fill="${coat}"/>
<rect x="104" y="148" width="32" height="36" fill="${skin}"/>
<ellipse cx="120" cy="118" rx="44" ry="50" fill="${skin}"/>
${pick(hairShapes, 1031)(hair)}
<circle cx="103" cy="118" r="3.5" fill="#222"/><circle cx="137" cy="118" r="3.5" fill="#222"/>
<path d="M108 142 Q120 150 132 142" fill="none" stroke="#222" stroke-width="3" stroke-linecap="round"/>
${glasses}</svg>`;
  return sharp(Buffer.from(svg)).png().toBuffer();
}
