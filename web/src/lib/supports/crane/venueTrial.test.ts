import { describe, expect, it } from 'vitest';
import type { VenueAnswer, VenueQuestion, VenueReach } from './inVenue';
import type { NumberedQuestion } from './venue.worker';
import { VenueTrial, type Worked } from './venueTrial.svelte';

/** A worker that answers when it is told to. */
function slowWorker() {
	const asked: NumberedQuestion[] = [];
	let ended = false;
	const worker: Worked = {
		onmessage: null,
		postMessage: (question: unknown) => void asked.push(question as NumberedQuestion),
		terminate: () => (ended = true)
	};
	const reply = (data: object) => worker.onmessage!.call(worker as Worker, { data } as MessageEvent);
	return {
		worker,
		asked,
		ended: () => ended,
		answer: (number = asked.at(-1)!.number) => reply({ number, answer: {} }),
		share: (share: number, number = asked.at(-1)!.number) => reply({ number, share }),
		fail: (problem: string) => reply({ number: asked.at(-1)!.number, problem })
	};
}
const question = {} as VenueQuestion;
const reading = (word: string) => (_answer: VenueAnswer) => ({ under: [word] }) as unknown as VenueReach;

describe('trying a crane in a venue', () => {
	it('asks one thing at a time, and of what waits only the newest', () => {
		const slow = slowWorker();
		const trial = new VenueTrial(slow.worker);
		for (const word of ['first', 'second', 'third']) trial.ask(question, reading(word));
		expect(slow.asked).toHaveLength(1);
		slow.answer();
		expect(trial.found!.under).toEqual(['first']);
		expect(trial.pending).toBe(true);
		expect(slow.asked).toHaveLength(2);
		slow.answer();
		expect(trial.found!.under).toEqual(['third']);
		expect(trial.pending).toBe(false);
		expect(slow.asked).toHaveLength(2);
	});
	it('tells how far a long one has come, of the question at work alone, and forgets it with the answer', () => {
		const slow = slowWorker();
		const trial = new VenueTrial(slow.worker);
		trial.ask(question, reading('first'));
		expect(trial.share).toBeNull();
		slow.share(0.4);
		expect([trial.share, trial.pending, trial.found]).toEqual([0.4, true, null]);
		slow.share(0.9, 99);
		expect(trial.share).toBe(0.4);
		trial.ask(question, reading('second'));
		slow.share(0.6);
		slow.answer();
		expect([trial.share, trial.pending]).toEqual([null, true]);
		slow.share(0.2);
		trial.ask(null, reading('none'));
		expect(trial.share).toBeNull();
	});
	it('drops an answer to what was not asked', () => {
		const slow = slowWorker();
		const trial = new VenueTrial(slow.worker);
		trial.ask(question, reading('first'));
		slow.answer(99);
		expect(trial.found).toBeNull();
		expect(trial.pending).toBe(true);
	});
	it('what was called off is never published, however late its answer; what is asked after it is', () => {
		const slow = slowWorker();
		const trial = new VenueTrial(slow.worker);
		trial.ask(question, reading('first'));
		trial.ask(null, reading('none'));
		slow.answer();
		expect(trial.found).toBeNull();
		trial.ask(question, reading('second'));
		trial.ask(null, reading('none'));
		trial.ask(question, reading('third'));
		slow.answer();
		expect(trial.found).toBeNull();
		slow.answer();
		expect(trial.found!.under).toEqual(['third']);
	});
	it('tells what went wrong, and forgets it with the next answer', () => {
		const slow = slowWorker();
		const trial = new VenueTrial(slow.worker);
		trial.ask(question, reading('first'));
		slow.fail('The plan cannot be tried.');
		expect([trial.problem, trial.found]).toEqual(['The plan cannot be tried.', null]);
		trial.ask(question, reading('second'));
		slow.answer();
		expect([trial.problem, trial.found!.under]).toEqual(['', ['second']]);
	});
	it('shows nothing where there is nothing to try, and lets the worker go', () => {
		const slow = slowWorker();
		const trial = new VenueTrial(slow.worker);
		trial.ask(question, reading('first'));
		slow.answer();
		trial.ask(null, reading('none'));
		expect(trial.found).toBeNull();
		trial.stop();
		expect(slow.ended()).toBe(true);
	});
});
