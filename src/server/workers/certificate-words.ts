/** Words and figures of one certificate, in the reader's language. */
export interface CertificateWords {
  readonly title: string;
  readonly name: string;
  readonly attended: string;
  readonly event: string;
  readonly on: string;
  readonly points: string;
  readonly by: string;
  readonly number: string;
  readonly check: string;
}
export interface CertificateLook {
  readonly words: CertificateWords;
  readonly isRightToLeft: boolean;
  /** `#rrggbb` */
  readonly colour: string;
  /** the event's own banner; null: none */
  readonly banner: Uint8Array | null;
}

/** Makes a certificate's PDF. */
export type CertificateMaker = (look: CertificateLook) => Promise<Uint8Array>;
