/** Where a number came from. Every number that nobody gave says so. */
export type Provenance = 'given' | 'measured' | 'median' | 'scaled' | 'computed' | 'house rule';

/** Something that was taken for granted, and what would change if it were known. */
export type Assumption = {
  /** Field of the request that would settle it, for example "patient.massKg". */
  field: string;
  value: string;
  provenance: Provenance;
  /** What depends on it, in words. */
  affects: string;
};
