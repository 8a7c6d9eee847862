import type { Outcome } from '$lib/keeping/ask';
import type { RefusalBody } from '$lib/server/refusal';

/** A camera's own picture; past this a phone runs out of memory before it is read. */
export const mostChosenBytes = 20 * 1024 * 1024;
/** A hall of 40 m at 2400 dots is 17 mm a dot. */
const longestPx = 2400;

export interface ShrunkPicture {
	readonly blob: Blob;
	readonly widthPx: number;
	readonly heightPx: number;
}

/** What is wrong with a chosen file, before it is opened; null: nothing. */
export function wrongWithFile({ name, size, type }: Pick<File, 'name' | 'size' | 'type'>): string | null {
	if (size === 0) return `“${name}” is empty.`;
	if (!['image/png', 'image/jpeg', 'image/webp'].includes(type))
		return `“${name}” is not a picture that can be taken. Choose a PNG, JPEG or WebP.`;
	if (size > mostChosenBytes)
		return `“${name}” has ${(size / (1024 * 1024)).toFixed(0)} MB; up to ${mostChosenBytes / (1024 * 1024)} MB can be taken. Save it smaller, or photograph the plan.`;
	return null;
}

/** Drawn again at a size that is enough for a plan. */
export async function shrunk(file: File): Promise<ShrunkPicture | { readonly problem: string }> {
	const problem = wrongWithFile(file);
	if (problem !== null) return { problem };
	let bitmap: ImageBitmap;
	try {
		bitmap = await createImageBitmap(file);
	} catch {
		return { problem: `“${file.name}” cannot be read as a picture; it may be damaged.` };
	}
	const shrink = Math.min(1, longestPx / Math.max(bitmap.width, bitmap.height));
	const [widthPx, heightPx] = [Math.round(bitmap.width * shrink), Math.round(bitmap.height * shrink)];
	const canvas = document.createElement('canvas');
	[canvas.width, canvas.height] = [widthPx, heightPx];
	canvas.getContext('2d')?.drawImage(bitmap, 0, 0, widthPx, heightPx);
	bitmap.close();
	const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/webp', 0.85));
	return blob === null ? { problem: 'This browser cannot save pictures.' } : { blob, widthPx, heightPx };
}

export async function sendPicture(venueId: string, blob: Blob): Promise<Outcome<{ readonly id: string }>> {
	try {
		const response = await fetch(`/api/venues/${venueId}/pictures`, {
			method: 'POST',
			headers: { 'content-type': blob.type },
			body: blob
		});
		const read: unknown = await response.json();
		if (response.ok) return { ok: true, value: read as { id: string } };
		return { ok: false, away: response.status >= 500, error: (read as RefusalBody).error };
	} catch {
		const message = 'No link to the server. Choose the picture again when it is back.';
		return { ok: false, away: true, error: { code: 'databaseAway', message } };
	}
}
