/** For the team: who asks for help, and who of them looks. */
export interface HelpItem {
  readonly name: string;
  readonly askedAt: number;
  readonly helperId: string | null;
  readonly helperName: string | null;
}
/** One's own: whether somebody looks already. */
export interface OwnHelp {
  readonly helperId: string | null;
}
