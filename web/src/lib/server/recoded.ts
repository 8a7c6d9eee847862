import sharp from 'sharp';
import { pictureTypeOf } from './pictureType';
import { Refusal } from './refusal';

/** A camera's own picture has 50 million dots; a small file can claim a thousand million. */
const mostDots = 60_000_000;
/** A hall of 40 m at 2400 dots is 17 mm a dot. */
const longestPx = 2400;
const patienceS = 10;

/** A picture as it came in, drawn anew: sized, turned upright, and nothing in it but its dots. */
export async function recoded(
	bytes: Uint8Array
): Promise<{ readonly type: 'image/webp'; readonly content: Uint8Array }> {
	if (pictureTypeOf(bytes) === null) throw new Refusal('wrongType', 'That is not a picture. Send a PNG, JPEG or WebP.');
	const large = () =>
		new Refusal(
			'invalid',
			`That picture has more than ${mostDots / 1e6} million dots. Save it smaller, and choose that.`
		);
	try {
		const { width = 0, height = 0 } = await sharp(bytes, { limitInputPixels: false }).metadata();
		if (width * height > mostDots) throw large();
		const content = await sharp(bytes, { limitInputPixels: mostDots, failOn: 'error' })
			.rotate()
			.resize({ width: longestPx, height: longestPx, fit: 'inside', withoutEnlargement: true })
			.webp({ quality: 88 })
			.timeout({ seconds: patienceS })
			.toBuffer();
		return { type: 'image/webp', content };
	} catch (thrown) {
		if (thrown instanceof Refusal) throw thrown;
		throw Object.assign(new Refusal('invalid', 'That picture cannot be read; it may be damaged. Choose another.'), {
			cause: thrown
		});
	}
}
