import type { PictureType } from './db/venues';

const starts = (bytes: Uint8Array, signature: readonly number[], from = 0) =>
	signature.every((byte, index) => bytes[from + index] === byte);
const letters = (text: string) => [...text].map((letter) => letter.charCodeAt(0));

/** What a picture is by its first bytes, whatever its sender calls it; null: none that is taken. */
export function pictureTypeOf(bytes: Uint8Array): PictureType | null {
	if (starts(bytes, [0x89, ...letters('PNG'), 0x0d, 0x0a, 0x1a, 0x0a])) return 'image/png';
	if (starts(bytes, [0xff, 0xd8, 0xff])) return 'image/jpeg';
	if (starts(bytes, letters('RIFF')) && starts(bytes, letters('WEBP'), 8)) return 'image/webp';
	return null;
}
