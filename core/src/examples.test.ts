import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import * as core from './index';

/** Every `@example` in the core, run: a line ending in `; // value` states what its expression gives. */
const root = new URL('.', import.meta.url);
const sources = readdirSync(root, { recursive: true, encoding: 'utf8' }).filter(
	(name) => name.endsWith('.ts') && !name.endsWith('.test.ts')
);
const examples = sources.flatMap((name) =>
	[...readFileSync(new URL(name, root), 'utf8').matchAll(/@example([\s\S]*?)\*\/\s*export function (\w+)/g)].map(
		([, text, call]) => ({ call: call ?? '', code: (text ?? '').replace(/^\s*\* ?/gm, '').trim() })
	)
);

describe('examples in the docstrings', () => {
	it('are found', () => expect(examples.length).toBeGreaterThan(6));

	it.each(examples.map(({ call, code }) => [call, code]))('%s', (_call, code) => {
		let stated = 0;
		let statement = '';
		const body = code!
			.split('\n')
			.map((line) => {
				statement += `${line}\n`;
				const claim = /^(.*); \/\/ (.+)$/.exec(line);
				if (claim === null && !line.endsWith(';')) return '';
				const whole = claim === null ? statement : statement.replace(/; \/\/ .+\n$/, '');
				statement = '';
				if (claim === null) return whole;
				stated += 1;
				return `claim(${whole}, ${claim[2]});`;
			})
			.join('\n');
		const claim = (got: number, wanted: number) => expect(got).toBeCloseTo(wanted, 9);
		new Function('claim', ...Object.keys(core), body)(claim, ...Object.values(core));
		expect(stated).toBeGreaterThan(0);
	});
});
