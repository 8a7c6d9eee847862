import { describe, expect, it } from 'vitest';
import { hearClock, noOffset, toTheirs } from './clocks';
import { readFromPage } from './messages';

const grant = { type: 'grant', head: 'h-1', epoch: 5, sequence: 2, issuedAtMs: 12.5, echoMs: 10 };

describe('what a page says', () => {
	it('is taken as it is meant', () => {
		expect(readFromPage(JSON.stringify(grant))).toEqual(grant);
		expect(readFromPage('{"type":"stopAll"}')).toEqual({ type: 'stopAll' });
		const leg = { kind: 'pose', name: 'there', to: { panRad: 1 }, wantedS: null, restS: 0 };
		const next = { kind: 'pose', id: 'p', name: 'x', legs: [leg], laps: null };
		const chosen = { type: 'standBy', head: 'h-1', next };
		expect(readFromPage(JSON.stringify(chosen))).toEqual(chosen);
		for (const intent of [{ does: 'steer' }, { does: 'goOn', id: 'p' }])
			expect(readFromPage(JSON.stringify({ type: 'ask', head: 'h-1', press: 1, intent }))).not.toBeNull();
	});

	it.each([
		['no JSON', '{'],
		['no object', '7'],
		['another type', JSON.stringify({ ...grant, type: 'launch' })],
		['a type every object has', JSON.stringify({ ...grant, type: 'constructor' })],
		['a figure that is none', JSON.stringify(grant).replace('12.5', '1e999')],
		['a figure that is a word', JSON.stringify({ ...grant, epoch: '5' })],
		['an epoch that is no whole number', JSON.stringify({ ...grant, epoch: 5.5 })],
		['no head', JSON.stringify({ ...grant, head: '' })],
		[
			'speeds by too many axes',
			JSON.stringify({
				type: 'stick',
				head: 'h',
				rates: Object.fromEntries(Array.from({ length: 17 }, (_, k) => [`a${k}`, 1]))
			})
		],
		['a speed that is none', '{"type":"stick","head":"h","rates":{"panRad":null}}'],
		[
			'no legs',
			JSON.stringify({ type: 'standBy', head: 'h', next: { kind: 'pose', id: 'p', name: 'x', legs: [], laps: 1 } })
		],
		['a press for nothing', JSON.stringify({ type: 'ask', head: 'h', press: 1 })],
		['a press for no way', JSON.stringify({ type: 'ask', head: 'h', press: 1, intent: { does: 'go' } })],
		[
			'a press for what no hold does',
			JSON.stringify({ type: 'ask', head: 'h', press: 1, intent: { does: 'fly', id: 'p' } })
		],
		['a way both ways', JSON.stringify({ type: 'pace', head: 'h', pace: 1, direction: 2 })],
		['more than it hears out', `{"type":"clear","x":"${'x'.repeat(70_000)}"}`]
	])('that is %s means nothing', (_what, text) => expect(readFromPage(text)).toBeNull());
});

describe('another’s clock', () => {
	it('is known by its fastest word of late, whatever came slower, and drifts along', () => {
		let offset = noOffset;
		for (let k = 0; k < 4000; k += 1) {
			const theirs = k * 20 * 1.0002;
			// 4 to 60 ms late, on a clock 1000 ms ahead of theirs.
			offset = hearClock(offset, theirs, k * 20 + 1000 + 4 + ((k * 37) % 57));
			if (k > 200) expect(Math.abs(toTheirs(offset) - (theirs - (k * 20 + 1004)))).toBeLessThan(3);
		}
	});
});
