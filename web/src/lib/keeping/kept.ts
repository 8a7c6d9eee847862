/**
 * What this browser keeps for the person until the server has it: plain JSON in local storage, under one prefix. A full
 * or forbidden store loses only the copy, never the page, so failures are silent here.
 */
const prefix = 'poise.';

export function keep<T>(key: string, value: T): void {
	try {
		const text = JSON.stringify(value);
		try {
			localStorage.setItem(prefix + key, text);
		} catch {
			// Full: what the server has confirmed is only steps to undo, and gives way to what it has not.
			dropConfirmed(prefix + key);
			localStorage.setItem(prefix + key, text);
		}
	} catch {
		// Private windows may forbid storage; the server copy follows within a second.
	}
}

/** All that is kept here, ours or not. */
const names = (): string[] => Array.from({ length: localStorage.length }, (_, index) => localStorage.key(index) ?? '');

function dropConfirmed(but: string): void {
	for (const name of names())
		if (name !== but && name.startsWith(prefix) && /"dirty":false/.test(localStorage.getItem(name) ?? ''))
			localStorage.removeItem(name);
}

const waiting = new Map<string, () => unknown>();
let timer: ReturnType<typeof setTimeout> | undefined;
/** Often enough that nobody loses what they would miss, seldom enough that a drag does not feel it. */
const everyMs = 250;

/**
 * Keeps what `read` gives, a moment from now: many changes in a row are written once. Whatever waits is written when the
 * page is left or hidden, so a reload loses nothing.
 */
export function keepSoon<T>(key: string, read: () => T): void {
	waiting.set(key, read);
	timer ??= setTimeout(keepWhenIdle, everyMs);
}

/** Writing a long history takes a moment, which a hand on a drawing would feel. */
function keepWhenIdle(): void {
	if (typeof requestIdleCallback === 'function') requestIdleCallback(keepNow, { timeout: 1000 });
	else keepNow();
}

function keepNow(): void {
	clearTimeout(timer);
	timer = undefined;
	for (const [key, read] of waiting) {
		const value = read();
		if (leaving && confirmed(value)) continue;
		keep(key, value);
	}
	waiting.clear();
}
const confirmed = (value: unknown): boolean => (value as { dirty?: unknown } | null)?.dirty === false;

/**
 * The page is being left for another document. The next one may have been made before the last save arrived, so what is
 * kept unconfirmed stays so for it to find; it sends that once more and forgets it then.
 */
let leaving = false;
/** A link that only downloads says that it leaves, and stays. */
const leavesWithinMs = 10_000;

if (typeof window !== 'undefined') {
	window.addEventListener('beforeunload', () => {
		keepNow();
		leaving = true;
		setTimeout(() => (leaving = false), leavesWithinMs);
	});
	window.addEventListener('pageshow', () => (leaving = false));
	window.addEventListener('pagehide', keepNow);
	document.addEventListener('visibilitychange', () => {
		if (document.visibilityState === 'hidden') keepNow();
	});
}

/** Names that were others once: what an older page kept, unsent perhaps, is found under today's. */
const oldNames: readonly (readonly [RegExp, string])[] = [
	[/^(sledBench|craneBench)\./, 'bench.'],
	[/^rig\./, 'gimbal.']
];
let renamed = false;
function takeOldNames(): void {
	if (renamed) return;
	renamed = true;
	for (const name of names()) {
		const key = name.startsWith(prefix) ? name.slice(prefix.length) : '';
		const [was, is] = oldNames.find(([old]) => old.test(key)) ?? [null, ''];
		if (was === null) continue;
		const today = prefix + key.replace(was, is);
		if (localStorage.getItem(today) === null) localStorage.setItem(today, localStorage.getItem(name) ?? '');
		localStorage.removeItem(name);
	}
}

export function recall<T>(key: string): T | null {
	keepNow();
	try {
		takeOldNames();
		const text = localStorage.getItem(prefix + key);
		return text === null ? null : (JSON.parse(text) as T);
	} catch {
		return null;
	}
}

export function forget(key: string): void {
	if (leaving) return;
	waiting.delete(key);
	try {
		localStorage.removeItem(prefix + key);
	} catch {
		// As above.
	}
}
