export interface Named {
	readonly name: string;
}

/** What a person edits of a support of any kind: its name, what it carries, and its shape. */
export interface GearDraft<Geometry> extends Named {
	readonly leastPayloadKg: number;
	readonly greatestPayloadKg: number;
	readonly geometry: Geometry;
}
