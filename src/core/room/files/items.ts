/** A file for the audience, as the team sees it. */
export interface FileItem {
  readonly name: string;
  readonly sizeBytes: number;
  readonly isShown: boolean;
  readonly takenCount: number;
  /** of the stage, whoever brought it; null: the team */
  readonly ticketId: string | null;
  readonly position: number;
  /** can be read by everybody in step */
  readonly isPicture: boolean;
}
/** The same as the audience sees it, where it is shown. */
export type HouseFileItem = Pick<FileItem, "name" | "sizeBytes" | "position">;
