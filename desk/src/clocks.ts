/** How two clocks stand to each other, by the fastest word of the last ten seconds: what to add to one's own time for the other's. */
export interface ClockOffset {
	readonly windowMs: number;
	readonly now: number;
	readonly before: number;
}
const spanMs = 5000;
export const noOffset: ClockOffset = { windowMs: 0, now: -Infinity, before: -Infinity };

/** A word sent at `theirsMs` of the other's clock came at `oursMs`: the less late, the nearer the truth. */
export function hearClock(offset: ClockOffset, theirsMs: number, oursMs: number): ClockOffset {
	const windowMs = Math.floor(oursMs / spanMs);
	const seen = theirsMs - oursMs;
	if (windowMs === offset.windowMs) return { ...offset, now: Math.max(offset.now, seen) };
	return { windowMs, now: seen, before: windowMs === offset.windowMs + 1 ? offset.now : -Infinity };
}
export const toTheirs = ({ now, before }: ClockOffset): number => Math.max(now, before);
