/** Who turned a switch last during the hour. */
export interface TurnedItem {
  readonly byName: string;
  readonly at: number;
}
