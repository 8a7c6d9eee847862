/** How a person likes their numbers. `metric`: mm, g, kg. `imperial`: inches, pounds and ounces. */
export const unitSystems = ['metric', 'imperial'] as const;
export type UnitSystem = (typeof unitSystems)[number];

/** Day: paper. House: lights down. Blackout: dim red-amber on black, for the wings and the booth. */
export const themes = ['day', 'house', 'blackout'] as const;
export type Theme = (typeof themes)[number];

export interface Person {
	readonly id: string;
	readonly name: string;
	readonly units: UnitSystem;
	readonly theme: Theme;
	/** What this person had on the bench last; null before the first time. */
	readonly payloadId: string | null;
	/** The support of the bench they are at, and its kind, a key of the registry. */
	readonly supportId: string | null;
	readonly supportKind: string | null;
	/** How late this person's thumb is on the timer, and how much it varies; null: never measured. */
	readonly thumb: Thumb | null;
}

export interface Thumb {
	readonly lagS: number;
	readonly spreadS: number;
}
