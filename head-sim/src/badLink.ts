/** What a link does to datagrams, on command. */
export interface LinkFault {
	readonly delayMs: number;
	readonly jitterMs: number;
	readonly lossPart: number;
	/** How many are lost together, on average. */
	readonly burst: number;
	readonly duplicatePart: number;
}
export const soundLink: LinkFault = { delayMs: 0, jitterMs: 0, lossPart: 0, burst: 1, duplicatePart: 0 };

/** Hands on datagrams as the fault has it: later, twice, in another order, or not. */
export function badLink(fault: () => LinkFault, random: () => number = Math.random): (run: () => void) => void {
	let toLose = 0;
	return (run) => {
		const { delayMs, jitterMs, lossPart, burst, duplicatePart } = fault();
		if (toLose > 0) {
			toLose -= 1;
			return;
		}
		if (random() < lossPart / Math.max(1, burst)) {
			toLose = burst <= 1 ? 0 : Math.floor(-Math.log(1 - random()) * (burst - 1));
			return;
		}
		const after = () => {
			const waitMs = delayMs + jitterMs * random();
			if (waitMs < 0.5) run();
			else setTimeout(run, waitMs);
		};
		after();
		if (random() < duplicatePart) after();
	};
}
