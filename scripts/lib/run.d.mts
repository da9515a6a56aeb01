export const root: string;
export const tsx: readonly string[];
export const serve: readonly string[];
export function freePort(from: number): Promise<number>;
export function until(what: string, check: () => Promise<boolean>, seconds?: number): Promise<void>;
