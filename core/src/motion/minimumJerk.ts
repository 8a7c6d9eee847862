/**
 * How far along a minimum-jerk way is at a share of its time, both 0 to 1: `10 s³ − 15 s⁴ + 6 s⁵`, with no speed and no acceleration at
 * either end. Of all ways from rest to rest it has the least integral of the squared third derivative. Non-finite in, non-finite out:
 * whoever is asked from outside checks.
 */
export const minimumJerk = (s: number): number => s ** 3 * (10 + s * (6 * s - 15));
/** Its first derivative: at most 1.875, at s = 1/2. */
export const minimumJerkRate = (s: number): number => 30 * s * s * (1 - s) * (1 - s);
/** Its second derivative: at most 10/√3, at s = (3 − √3)/6. */
export const minimumJerkAccel = (s: number): number => 60 * s * (1 - s) * (1 - 2 * s);
