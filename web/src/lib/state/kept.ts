/**
 * What this browser keeps for the person until the server has it: plain JSON in local storage, under one prefix. A full
 * or forbidden store loses only the copy, never the page, so failures are silent here.
 */
const prefix = 'poise.';

export function keep<T>(key: string, value: T): void {
	try {
		localStorage.setItem(prefix + key, JSON.stringify(value));
	} catch {
		// Private windows may forbid storage; the server copy follows within a second.
	}
}

export function recall<T>(key: string): T | null {
	try {
		const text = localStorage.getItem(prefix + key);
		return text === null ? null : (JSON.parse(text) as T);
	} catch {
		return null;
	}
}

export function forget(key: string): void {
	try {
		localStorage.removeItem(prefix + key);
	} catch {
		// As above.
	}
}
