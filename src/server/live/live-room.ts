import type { AsideBody } from "@/contracts";
import { isStageRole, type Circumstance } from "@/core/people";
import { seatsLetInUnderLock } from "@/core/seats";
import {
  circumstanceOf,
  emptyRoom,
  fold,
  isLetIn,
  noFigures,
  project,
  sideRoomOf,
  sourcesOf,
  standingOf,
  type Place,
  whisperTopics,
  type JournalEntry,
  type RoomDirectory,
  type RoomFigures,
  type RoomState,
  type Standing,
} from "@/core/room";
import type { FigureChange } from "../room";
import { AwayVoices } from "./away-voices";
import { Bundles, greetingOf } from "./bundle";
import { Feed } from "./feed";
import { KnownTopics, type FollowedFeeds } from "./known-topics";
import { Follower, type Seen } from "./follower";
import { Whispers, type Said } from "./whispers";
import { followText, framed, messageText } from "./frame";
import { SeatCount } from "./seat-count";
import { SignalBook } from "./signal-book";
import { withFigure } from "./with-figure";
import type { LogTail } from "./log-tail";

/** One room in this process's memory, and the streams that follow it. */
export class LiveRoom {
  state: RoomState = emptyRoom;
  figures: RoomFigures = noFigures;
  areFiguresDirty = true;
  figuresReadAt = 0;
  /** whose own part is to be sent with the next figures */
  readonly changedPeople = new Set<string>();
  /** for whom their own part is being read, to begin a stream with: what changes of it meanwhile is told after that */
  readonly coming = new Set<{ readonly ticketId: string }>();
  readonly awayVoices = new AwayVoices();
  readonly signals = new SignalBook();
  /** said in passing, for the next tick */
  private readonly whispers = new Whispers();
  /** who came since the figures were last shown, and where: laid on together, a full house comes at once */
  readonly arrived = new Map<string, "foyer" | "house" | "stage">();
  /** the ends of the log feeds, all of them, for as long as the room is open */
  readonly logs = new Map<string, LogTail>();
  private readonly feeds = new Map<string, Feed>();
  private readonly bundles = new Bundles();
  private readonly byTicket = new Map<string, Set<Follower>>();

  constructor(
    readonly roomId: string,
    readonly occurrenceId: string,
    readonly eventId: string,
    readonly organisationId: string,
    public words: RoomDirectory,
    private readonly epoch: string,
    private readonly now: () => number,
  ) {}

  get isEmpty(): boolean {
    return this.byTicket.size === 0;
  }
  *followers(): Iterable<Follower> {
    for (const own of this.byTicket.values()) yield* own;
  }
  of(ticketId: string): readonly Follower[] {
    return [...(this.byTicket.get(ticketId) ?? [])];
  }
  countOf(ticketId: string): number {
    return this.byTicket.get(ticketId)?.size ?? 0;
  }

  /** Folds the rows that are not yet in memory. @returns those that were new */
  foldIn(entries: readonly JournalEntry[]): readonly JournalEntry[] {
    const fresh = entries.filter((entry) => entry.seq > this.state.seq);
    this.state = fresh.reduce(fold, this.state);
    return fresh;
  }

  circumstance(): Circumstance {
    return circumstanceOf(this.state, this.words.event.switches);
  }
  private readonly seats = new SeatCount();
  seated(): number {
    return this.seats.of(this.figures, this.words) + this.arrived.size;
  }
  /**
   * Whether somebody who was let in before finds a seat: by memory, with some left over for who comes meanwhile.
   * @param before how many others come in at this instant before them
   */
  hasRoomFor(ticketId: string, before = 0): boolean | "ask" {
    if (this.isInside(ticketId)) return true;
    return this.seated() + before + seatsLetInUnderLock < this.words.event.houseSize ? true : "ask";
  }
  hear(said: readonly Said[]): void {
    for (const one of said) this.whispers.take(one);
    this.areFiguresDirty = true;
  }
  /** To each screen of one person, at once. */
  tell(from: string, said: AsideBody): void {
    const bytes = framed(messageText("aside", { from, said }));
    for (const follower of this.of(said.to)) follower.write(bytes);
  }
  /** Where somebody of the stage stands. */
  stagePlaceOf(ticketId: string): Place {
    return this.state.stage.people.get(ticketId)?.place ?? "backstage";
  }
  /** Whether somebody waits for a seat that is there. */
  hasAdmissible(): boolean {
    if (this.state.hour.phase !== "open") return false;
    if (this.seated() >= this.words.event.houseSize) return false;
    return this.inFoyer().some((id) => isLetIn(this.state.hour, this.words.event.switches, id));
  }
  inFoyer(): readonly string[] {
    return [...this.figures.present].flatMap(([id, place]) => (place === "foyer" ? [id] : []));
  }
  isInside(ticketId: string): boolean {
    return (this.arrived.get(ticketId) ?? this.figures.present.get(ticketId)) === "house";
  }
  /** Whether somebody has a right to be in this room at all. */
  mayStand(ticketId: string): boolean {
    return this.words.people.has(ticketId) && !this.state.hour.barred.has(ticketId);
  }
  standing(ticketId: string, wantsDesk: boolean, isInside = this.isInside(ticketId)): Standing | null {
    const person = this.words.people.get(ticketId);
    if (!person || this.state.hour.barred.has(ticketId)) return null;
    const standing = standingOf(this.state.stage, person, isInside, wantsDesk);
    const holder = this.state.floor.holders.get(ticketId);
    const hasFloor = holder !== undefined && holder.acceptedAt !== null;
    return { ...standing, sideRoom: sideRoomOf(this.state.sideRooms, ticketId), hasFloor };
  }
  private readonly topics = new KnownTopics();
  private feedsFor(standing: Standing): FollowedFeeds {
    return this.topics.of(standing, this.state.hour, this.words.event.switches);
  }
  topicsFor(standing: Standing): readonly string[] {
    return this.feedsFor(standing).topics;
  }
  private placedBy: readonly unknown[] = [];
  /** Whether anything that places and rights are made of is another than when everybody was last looked at. */
  private areStandingsDue(): boolean {
    const { stage, hour, sideRooms, floor } = this.state;
    const made = [
      stage,
      sideRooms,
      floor.holders,
      hour.barred,
      hour.turned,
      this.words.event.switches,
      this.words.people,
      this.figures.present,
    ];
    const isSame = made.every((one, i) => one === this.placedBy[i]);
    this.placedBy = made;
    return !isSame;
  }

  /** Where somebody came to be shows with the next tick; the tables are read again only now and then. */
  seat({ ticketId, standing: { place, role } }: Follower): void {
    this.arrived.set(ticketId, isStageRole(role) ? "stage" : place === "house" ? "house" : "foyer");
    this.areFiguresDirty = true;
  }
  /** Starts one stream: what it missed of its feeds, or their pictures. @param own what is told to this one alone */
  add(follower: Follower, seen: Seen, own = ""): void {
    const known = this.byTicket.get(follower.ticketId) ?? new Set();
    this.byTicket.set(follower.ticketId, known.add(follower));
    this.place(follower, seen, own);
  }
  remove(follower: Follower): boolean {
    const own = this.byTicket.get(follower.ticketId);
    if (!own?.delete(follower)) return false;
    if (own.size === 0) this.byTicket.delete(follower.ticketId);
    this.bundles.remove(follower);
    return true;
  }
  /** Puts a stream among those that follow the same, and gives it the pictures of what is new to it. */
  private place(follower: Follower, seen: Seen, own = ""): void {
    const feeds = this.feedsFor(follower.standing);
    const bundle = this.bundles.put(follower, feeds);
    const pictures = feeds.topics.map((topic) => {
      // nobody keeps what was said before somebody came
      if (whisperTopics.has(topic)) return "";
      const log = this.logs.get(topic);
      return log ? log.welcome(seen.get(topic)?.n) : this.feed(topic).welcome(seen.get(topic));
    });
    const follow = followText(feeds.json, this.now(), follower.connectionId);
    follower.begin(follow + own, greetingOf(bundle, pictures));
  }
  private feed(topic: string): Feed {
    const known = this.feeds.get(topic);
    if (known) return known;
    const sources = sourcesOf(topic, this.state, this.words, this.figures);
    const feed = new Feed(topic, this.epoch, project(topic, this.state, this.words, this.figures), sources);
    this.feeds.set(topic, feed);
    return feed;
  }

  /** Looks where everybody stands now: who lost their right is returned, who moved gets the feeds of their place. */
  restand(ticketIds?: Iterable<string>): { readonly gone: readonly Follower[]; readonly moved: readonly Follower[] } {
    const gone: Follower[] = [];
    const moved: Follower[] = [];
    if (!ticketIds && !this.areStandingsDue()) return { gone, moved };
    const whom = ticketIds ? [...ticketIds].flatMap((id) => this.of(id)) : [...this.followers()];
    for (const follower of whom) {
      const standing = this.standing(follower.ticketId, follower.wantsDesk);
      // the desk of somebody who lost it does not stay open as a lesser screen
      if (!standing || (follower.standing.isAtDesk && !standing.isAtDesk)) {
        gone.push(follower);
        continue;
      }
      const isElsewhere = standing.place !== follower.standing.place;
      follower.standing = standing;
      const isSame = this.bundles.has(follower, this.feedsFor(standing));
      if (!isSame) this.place(follower, new Map());
      if (!isSame || isElsewhere) moved.push(follower);
    }
    return { gone, moved };
  }

  /**
   * Brings the feeds that somebody follows up to the present: each change is serialised once, each bundle framed once.
   * @param only an act of these capabilities: what else has gathered waits for the tick, so that thirty acts a second
   *   of a lively house are not thirty writes a second to each of its thousands
   */
  publish(only?: ReadonlySet<string>): void {
    const texts = new Map<string, string>();
    const isDue = (topic: string) => !only || only.has(topic.slice(0, topic.indexOf(":")));
    const textOf = (topic: string): string => {
      if (!texts.has(topic) && isDue(topic)) texts.set(topic, this.advance(topic));
      return texts.get(topic) ?? "";
    };
    // the largest first: what a desk alone sees is not made while thousands wait for what they see
    for (const { feeds, followers } of this.bundles.largestFirst()) {
      const text = feeds.topics.map(textOf).join("");
      if (text === "") continue;
      const bytes = framed(text);
      for (const follower of followers) follower.write(bytes);
    }
    if (only) this.areFiguresDirty = true;
    else this.forgetUnfollowed(texts);
  }
  private forgetUnfollowed(followed: ReadonlyMap<string, string>): void {
    for (const topic of this.feeds.keys()) if (!followed.has(topic)) this.feeds.delete(topic);
    // what nobody here follows is not gathered for ever
    for (const [topic, log] of this.logs) if (!followed.has(topic)) log.advance();
  }
  private advance(topic: string): string {
    if (whisperTopics.has(topic)) {
      const said = this.whispers.drain(topic);
      return said.length === 0 ? "" : messageText("whispers", { topic, said });
    }
    const log = this.logs.get(topic);
    if (log) return log.advance();
    const feed = this.feed(topic);
    const sources = sourcesOf(topic, this.state, this.words, this.figures);
    if (feed.isMadeFrom(sources)) return "";
    return feed.advance(project(topic, this.state, this.words, this.figures), sources);
  }

  /** Lays on who came since. */
  showArrived(): void {
    if (this.arrived.size === 0) return;
    const present = new Map(this.figures.present);
    for (const [id, place] of this.arrived) if (present.get(id) !== "house") present.set(id, place);
    this.arrived.clear();
    this.figures = { ...this.figures, present };
  }

  /** Rates of signals go down with time alone. @returns whether they differ from those shown */
  fadeSignals(): boolean {
    const signals = this.signals.at(this.now());
    if (signals === this.figures.signals) return false;
    this.figures = { ...this.figures, signals };
    return true;
  }

  /** Adds what a fact changed; the figures are not counted anew. */
  addFigure(change: FigureChange): void {
    this.areFiguresDirty = true;
    if (change.of === "signal") return this.signals.add(change.signal);
    this.figures = withFigure(this.figures, change);
  }
}
