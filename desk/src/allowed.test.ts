import { EventEmitter } from 'node:events';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { WebSocket } from 'ws';
import { type DeskVerb, verbOf } from './allowed';
import { Desk } from './desk';
import type { FromPage } from './messages';

/* What the desk heeds of whom. The roles are the application's; that a word without the right to it changes nothing is here. */

class FakeSocket extends EventEmitter {
	readonly OPEN = 1;
	readyState = 1;
	bufferedAmount = 0;
	readonly told: Record<string, unknown>[] = [];
	send(text: string | Buffer): void {
		this.told.push(JSON.parse(String(text)) as Record<string, unknown>);
	}
	terminate(): void {}
	says(message: object): void {
		this.emit('message', JSON.stringify(message));
	}
	get head() {
		const heads = this.told.findLast(({ type }) => type === 'heads')?.heads as
			{ driver: { name: string } | null; next: { id: string } | null }[] | undefined;
		return heads?.[0];
	}
	last(type: string) {
		return this.told.findLast((each) => each.type === type);
	}
}
const opened = (desk: Desk, name: string, may: (verb: DeskVerb) => boolean) => {
	const socket = new FakeSocket();
	desk.page({ page: `page-${name}`, name }, may).add(0, socket as FakeSocket & WebSocket);
	return socket;
};
const but =
	(...not: readonly DeskVerb[]) =>
	(verb: DeskVerb) =>
		!not.includes(verb);
const legs = [{ kind: 'pose', name: 'x', to: { panRad: 1 }, wantedS: null, restS: 0 }];
const standBy = (id: string) => ({
	...{ type: 'standBy', head: 'h1' },
	next: { kind: 'pose', id, name: 'x', legs, laps: 1 }
});

describe('a word that its speaker may not say', () => {
	const unclaimed: string[] = [];
	let desk: Desk;
	const begun = () => {
		vi.useFakeTimers({ toFake: ['performance', 'setTimeout', 'clearTimeout'] });
		unclaimed.length = 0;
		desk = new Desk({
			port: 0,
			onClaimed: async () => {},
			onUnclaimed: async (id) => void unclaimed.push(id)
		});
		desk.know([{ id: 'h1', headId: 'h1', name: 'One', number: 1, key: null, watched: false, axes: {} }]);
	};
	afterEach(() => {
		desk.end();
		vi.useRealTimers();
	});

	it('takes no head, lets nothing stand by, and is answered where an answer is waited for', () => {
		begun();
		const watcher = opened(desk, 'Wyn', but('drive'));
		watcher.says({ type: 'take', head: 'h1' });
		watcher.says({ type: 'ask', head: 'h1', press: 3, intent: { does: 'steer' } });
		expect(watcher.last('refused')).toEqual({ type: 'refused', head: 'h1', press: 3, why: 'notAllowed' });
		expect(watcher.head?.driver ?? null).toBeNull();
		// The same words of whoever may.
		const driver = opened(desk, 'Ada', but());
		driver.says({ type: 'take', head: 'h1' });
		driver.says(standBy('hers'));
		expect(driver.head).toMatchObject({ driver: { name: 'Ada' }, next: { id: 'hers' } });
		watcher.says(standBy('his'));
		expect(driver.head!.next!.id).toBe('hers');
	});

	it('gives up, records and claims nothing', () => {
		begun();
		const operator = opened(desk, 'Wyn', but('claim', 'record'));
		operator.says({ type: 'unclaim', head: 'h1' });
		expect(unclaimed).toEqual([]);
		operator.says({ type: 'claim', head: 'h1' });
		expect(operator.last('claimed')).toMatchObject({ ok: false, words: expect.stringMatching(/role/) as string });
		operator.says({ type: 'confirm', head: 'h1', code: '123456' });
		expect(operator.told.filter(({ type }) => type === 'claimed').length).toBe(2);
		opened(desk, 'Ada', but('record')).says({ type: 'unclaim', head: 'h1' });
		expect(unclaimed).toEqual(['h1']);
	});

	it('takes no head from whoever drives it, unless it leads', () => {
		begun();
		const [driver, other] = [opened(desk, 'Ada', but()), opened(desk, 'Ben', but('lead'))];
		driver.says({ type: 'take', head: 'h1' });
		other.says({ type: 'lead', head: 'h1' });
		expect(driver.head!.driver!.name).toBe('Ada');
		opened(desk, 'Cas', but()).says({ type: 'lead', head: 'h1' });
		expect(driver.head!.driver!.name).toBe('Cas');
	});

	it('clears no stop; but anybody stops everything', () => {
		begun();
		const seen = opened(desk, 'Ada', but());
		const watcher = opened(desk, 'Wyn', (verb) => verb === 'see' || verb === 'stop');
		watcher.says({ type: 'stopAll' });
		expect(seen.last('heads')!.stoppedBy).toBe('Wyn');
		watcher.says({ type: 'clear' });
		expect(seen.last('heads')!.stoppedBy).toBe('Wyn');
		seen.says({ type: 'clear' });
		expect(seen.last('heads')!.stoppedBy).toBeNull();
	});

	it('is measured by what its page may now, not by what it might when it was opened', () => {
		begun();
		const driver = opened(desk, 'Ada', but());
		driver.says({ type: 'take', head: 'h1' });
		// The same page, by another socket, of somebody who may no longer.
		desk.page({ page: 'page-Ada', name: 'Ada' }, but('drive'));
		driver.says(standBy('late'));
		expect(driver.head!.next).toBeNull();
	});
});

describe('the right that a word asks for', () => {
	it('letting go and stopping are for everybody; nothing else that moves a head is', () => {
		const of = (type: FromPage['type']) => verbOf({ type });
		expect((['release', 'unask', 'beat'] as const).map(of)).toEqual(['see', 'see', 'see']);
		expect(of('stopAll')).toBe('stop');
		for (const type of ['take', 'ask', 'grant', 'stick', 'standBy', 'watch', 'pace', 'give', 'drop'] as const)
			expect(of(type), type).toBe('drive');
	});
});
