import { expect, it } from 'vitest';
import { troubleWords } from './trouble';

it('says what failed and where, and nothing of what was typed', () => {
	const cause = Object.assign(new Error('invalid input syntax: "my secret venue"'), {
		...{ code: '22P02', table: 'venues', constraint: 'venues_name', detail: 'my secret venue' }
	});
	const thrown = new Error('Failed query: insert into venues params: my secret venue', { cause });
	const words = troubleWords(thrown);
	expect(words).not.toMatch(/secret/);
	expect(words).toMatch(/22P02, venues, venues_name/);
	expect(words).toMatch(/\n\s+at /);
	expect(troubleWords(new TypeError('x is not a function'))).toMatch(/TypeError: x is not a function/);
	expect(troubleWords(Object.assign(new Error(''), { code: 'my secret, with signs' }))).not.toMatch(/secret/);
	for (const odd of ['my secret', null, undefined, 7]) expect(troubleWords(odd)).not.toMatch(/secret/);
});
