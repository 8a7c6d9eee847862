/** A simulated head as somebody sees it who stands before it. */
export interface StandIn {
	readonly id: string;
	readonly name: string;
	readonly pattern: string;
	readonly words: string;
	readonly powered: boolean;
	readonly claimed: boolean;
	/** While it is claimed: the digits it shows. */
	readonly code: string | null;
	readonly blinking: boolean;
	readonly lit: boolean;
	readonly recording: boolean;
	readonly phase: string;
	readonly stoppedBy: string | null;
	readonly stuck: string | null;
	readonly stuckAxis: string | null;
	readonly link: {
		readonly delayMs: number;
		readonly jitterMs: number;
		readonly lossPart: number;
		readonly burst: number;
		readonly duplicatePart: number;
	};
	readonly driftPerS: number;
	readonly slowClock: number;
	readonly batteryPart: number;
	readonly homed: readonly string[];
	readonly axes: Readonly<
		Record<string, { readonly position: number; readonly rate: number; readonly range: readonly [number, number] }>
	>;
}
