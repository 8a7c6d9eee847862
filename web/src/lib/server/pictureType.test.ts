import { describe, expect, it } from 'vitest';
import { pictureTypeOf } from './pictureType';

describe('what a picture is', () => {
	it.each([
		['image/png', [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 0]],
		['image/jpeg', [0xff, 0xd8, 0xff, 0xe0]],
		['image/webp', [...Buffer.from('RIFF\0\0\0\0WEBPVP8 ')]],
		[null, [...Buffer.from('RIFF\0\0\0\0WAVEfmt ')]],
		[null, [...Buffer.from('<svg onload="alert(1)"/>')]],
		[null, [0x89, 0x50]],
		[null, []]
	])('%s, by its first bytes', (type, bytes) => {
		expect(pictureTypeOf(Uint8Array.from(bytes))).toBe(type);
	});
});
