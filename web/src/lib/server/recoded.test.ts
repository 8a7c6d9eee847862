import { crc32, deflateSync } from 'node:zlib';
import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import { recoded } from './recoded';
import { asRefusal } from './refusal';

const plain = (width: number, height: number) =>
	sharp({ create: { width, height, channels: 3, background: { r: 200, g: 40, b: 40 } } });
const refusedWith = (bytes: Uint8Array) =>
	recoded(bytes).then(
		() => 'taken',
		(thrown: unknown) => asRefusal(thrown)
	);
/** A PNG that says it is so large and holds next to nothing. */
function claiming(width: number, height: number): Buffer {
	const chunk = (type: string, data: Buffer) => {
		const body = Buffer.concat([Buffer.from(type), data]);
		const [length, sum] = [Buffer.alloc(4), Buffer.alloc(4)];
		length.writeUInt32BE(data.length);
		sum.writeUInt32BE(crc32(body));
		return Buffer.concat([length, body, sum]);
	};
	const header = Buffer.alloc(13);
	header.writeUInt32BE(width, 0);
	header.writeUInt32BE(height, 4);
	header.set([8, 2, 0, 0, 0], 8);
	return Buffer.concat([
		Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]),
		chunk('IHDR', header),
		chunk('IDAT', deflateSync(Buffer.alloc(1000))),
		chunk('IEND', Buffer.alloc(0))
	]);
}

describe('a picture on the way in', () => {
	it('is drawn anew within its size: its sides keep their ratio, its colour stays, a small one is not blown up', async () => {
		const { type, content } = await recoded(await plain(4000, 1000).png().toBuffer());
		expect(type).toBe('image/webp');
		expect(await sharp(content).metadata()).toMatchObject({ format: 'webp', width: 2400, height: 600 });
		const { dominant } = await sharp(content).stats();
		expect(dominant.r).toBeGreaterThan(150);
		expect(dominant.b).toBeLessThan(90);
		const small = await recoded(await plain(30, 20).jpeg().toBuffer());
		expect(await sharp(small.content).metadata()).toMatchObject({ width: 30, height: 20 });
	});
	it('is turned upright, and keeps nothing that was said in it', async () => {
		const turned = await plain(40, 20)
			.withMetadata({ orientation: 6 })
			.withExif({ IFD0: { Copyright: 'somebody', ImageDescription: 'where it was taken' } })
			.jpeg()
			.toBuffer();
		const { content } = await recoded(turned);
		const metadata = await sharp(content).metadata();
		expect([metadata.width, metadata.height, metadata.exif]).toEqual([20, 40, undefined]);
	});
	it.each([
		[30_000, 30_000],
		[60_001, 1000],
		[1000, 60_001]
	])('that claims %i × %i dots is refused before it is opened', async (width, height) => {
		const began = performance.now();
		expect(await refusedWith(claiming(width, height))).toMatchObject({
			code: 'invalid',
			message: expect.stringMatching(/million dots/)
		});
		expect(performance.now() - began).toBeLessThan(2000);
	});
	it('that is cut short, or only begins like one, is refused in words', async () => {
		const whole = await plain(300, 300).png().toBuffer();
		expect(await refusedWith(whole.subarray(0, whole.length >> 1))).toMatchObject({ code: 'invalid' });
		expect(await refusedWith(Buffer.concat([Buffer.from([0xff, 0xd8, 0xff]), Buffer.alloc(500)]))).toMatchObject({
			code: 'invalid'
		});
		expect(await refusedWith(Buffer.from('<svg/>'))).toMatchObject({ code: 'wrongType' });
	});
});
