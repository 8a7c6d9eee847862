import { expect, it } from 'vitest';
import { gateOf } from './gate';
import { Refusal } from './refusal';

it('answers so many at once, lets so many wait, saves first, and refuses the rest as busy', async () => {
	const gate = gateOf({ atOnce: 2, waiting: 3 });
	let [now, most] = [0, 0];
	const order: string[] = [];
	const frees: (() => void)[] = [];
	const work = (name: string) => async () => {
		most = Math.max(most, (now += 1));
		order.push(name);
		await new Promise<void>((resolve) => frees.push(resolve));
		now -= 1;
		return name;
	};
	const pages = ['a', 'b', 'c', 'd', 'e'].map((name) => gate(work(name), false));
	await expect(gate(work('f'), false)).rejects.toThrow(Refusal);
	const save = gate(work('save'), true);
	await expect(gate(work('g'), false)).rejects.toMatchObject({ code: 'busy', status: 503 });
	const free = async () => {
		frees.shift()?.();
		await new Promise((resolve) => setTimeout(resolve, 1));
	};
	await free();
	expect(order).toEqual(['a', 'b', 'save']);
	for (let k = 0; k < 8; k += 1) await free();
	expect(await Promise.all([...pages, save])).toEqual(['a', 'b', 'c', 'd', 'e', 'save']);
	expect(most).toBe(2);
	// What fails gives its place back.
	await expect(gate(() => Promise.reject(new Error('no')), false)).rejects.toThrow('no');
	const last = gate(work('last'), false);
	await free();
	expect(await last).toBe('last');
});
