/** A channel as its listeners see it. */
export interface HouseChannelItem {
  /** who interprets now; null: nobody, the floor is heard */
  readonly speaker: string | null;
  /** how much lower the floor is while somebody interprets */
  readonly floorBelowDb: number;
}

/** A channel as interpreters, stage and desk see it. */
export interface ChannelItem {
  readonly position: number;
  readonly speakerId: string | null;
  readonly speaker: string | null;
  readonly since: number;
  readonly handOver: {
    readonly toId: string;
    readonly to: string;
    readonly takesAt: number;
    readonly isAgreed: boolean;
  } | null;
  readonly listeners: number;
}

export interface InterpreterItem {
  readonly name: string;
  readonly pair: readonly string[];
  /** the channel they work from; null: the floor */
  readonly relay: string | null;
  readonly isPresent: boolean;
}

/** How the floor is mixed under a channel. */
export interface MixItem {
  readonly floorBelowDb: number;
}

export interface OwnChannel {
  /** what they chose to hear; null: the floor */
  readonly listensTo: string | null;
}
