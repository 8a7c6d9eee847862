/** Where less than nothing is asked for, a hand's breadth stands for what is. */
const leastAskedM = 0.05;

/**
 * Room against what is asked, as every vial shows it: in the middle ample, at the left mark just what is asked, past it too little and the
 * further the less there is.
 */
export function roomBubble(clearM: number, wantedM: number): number {
	const asked = Math.max(leastAskedM, wantedM);
	return clearM >= wantedM && clearM > 0
		? -asked / Math.max(asked, clearM)
		: Math.max(-30, -1 - (6 * (asked - clearM)) / asked);
}
