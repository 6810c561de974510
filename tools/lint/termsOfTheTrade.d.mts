export const PUT_AWAY: Readonly<Record<string, string>>;
export function oldWordIn(name: string, filename: string): string | null;
