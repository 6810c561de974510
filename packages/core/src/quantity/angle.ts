/** Angles. The core speaks degrees; radians exist only inside a formula. */

export const toRadians = (degrees: number): number => (degrees * Math.PI) / 180;
export const toDegrees = (radians: number): number => (radians * 180) / Math.PI;

export const sinDeg = (degrees: number): number => Math.sin(toRadians(degrees));
export const cosDeg = (degrees: number): number => Math.cos(toRadians(degrees));
export const tanDeg = (degrees: number): number => Math.tan(toRadians(degrees));

/** An angle as it is dialled: whole degrees, "15°". */
export const formatAngle = (degrees: number): string => `${Math.round(Math.abs(degrees))}°`;

export const clamp = (value: number, low: number, high: number): number => Math.min(high, Math.max(low, value));
