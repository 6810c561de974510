export function sourcesMark(folder: string): string;
