export interface Cluster {
  readonly url: string;
  readonly port: number;
  start(): void;
  stop(): void;
}
export function startPostgres(
  folder: string,
  options?: { isForTests?: boolean; isOwnAlone?: boolean },
): Promise<Cluster>;
export function createDatabase(cluster: Cluster, name: string, options?: { isFresh?: boolean }): string;
