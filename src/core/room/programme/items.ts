/** A feed that is on the air: who makes it. */
export interface ProgrammeItem {
  readonly holderId: string;
  readonly holderName: string;
  /** nothing came of it for as long as a lease lives: somebody else may reach for it */
  readonly isLate: boolean;
}
