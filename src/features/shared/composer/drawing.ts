import type { Mix } from "./mix";
import { drawPicture, type Painted } from "./draw";
import { signOf } from "./repeats";

/** A piece leaves up to two seconds after its pictures were drawn: so long nothing of the stage may have been in them. */
const holdingAfterMs = 2500;

export interface DrawingPorts {
  painted(): Painted;
  streams(): ReadonlyMap<string, MediaStream>;
  isHeard(id: string): boolean;
}

/** The programme as it stands now: its sounds set, its picture drawn where it looks different from before. */
export class Drawing {
  private stageAt = performance.now();
  private shown: string | null = null;

  constructor(
    private readonly pen: CanvasRenderingContext2D,
    private readonly mix: Pick<Mix, "set">,
    private readonly ports: DrawingPorts,
  ) {}

  /** @returns whether the picture looks different from before */
  draw(): boolean {
    this.mix.set(this.ports.streams(), (id) => this.ports.isHeard(id));
    const painted = this.ports.painted();
    if (painted.picture.kind !== "holding") this.stageAt = performance.now();
    const sign = signOf(painted);
    // a hidden page's videos may not count what comes of them
    const isNew = sign === null || sign !== this.shown || document.hidden;
    this.shown = sign;
    if (isNew) drawPicture(this.pen, painted);
    return isNew;
  }
  /** Whether nothing of the stage can be in what is sent now. */
  get isHolding(): boolean {
    return performance.now() - this.stageAt > holdingAfterMs;
  }
}
