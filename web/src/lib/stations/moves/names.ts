import type { Knot } from './model';

const counted = [
	'first',
	'second',
	'third',
	'fourth',
	'fifth',
	'sixth',
	'seventh',
	'eighth',
	'ninth',
	'tenth'
] as const;
/** What a new knot is called, of those that come before it and after: by its place, unless another has that name. */
export function ownName(knots: readonly Pick<Knot, 'name'>[], before: number): string {
	const place = before === 0 ? 'start' : before === knots.length ? 'end' : (counted[before] ?? `knot ${before + 1}`);
	const wanted = [
		place,
		before === 0 ? 'before' : (counted[before] ?? place),
		...(before === 0 ? [] : [`after ${knots[before - 1]!.name}`.slice(0, 40)])
	];
	const free = (name: string) => !knots.some((knot) => knot.name === name);
	const found = wanted.find(free);
	if (found !== undefined) return found;
	let number = knots.length + 1;
	while (!free(`knot ${number}`)) number += 1;
	return `knot ${number}`;
}
