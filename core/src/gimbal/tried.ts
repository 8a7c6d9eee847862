/** What the axis did when it was let go: `falls+` the slide's positive side is heavy, `falls-` its negative side. */
export type Observation = 'falls+' | 'falls-' | 'holds';

export interface Tried {
	readonly positionM: number;
	readonly observation: Observation;
}
