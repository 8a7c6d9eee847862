import { ask } from './ask';
import type { PaperKind, Papers } from '$lib/model/paper';
import { KeptDocument } from './keptDocument.svelte';

/** One paper of a payload being written: a kept document; of every field that was changed the last word wins on the server. */
export class PaperKeeper<Kind extends PaperKind> {
	readonly document: KeptDocument<Papers[Kind]>;

	constructor(payloadId: string, kind: Kind, paper: Papers[Kind]) {
		this.document = new KeptDocument(`paper.${kind}.${payloadId}`, paper, {
			put: (wanted, _, begun) => ask('PATCH', `/api/payloads/${payloadId}/papers/${kind}`, { begun, wanted })
		});
	}

	get paper(): Papers[Kind] {
		return this.document.value;
	}
	get state(): 'saved' | 'unsaved' {
		return this.document.saving === 'saved' ? 'saved' : 'unsaved';
	}
	get trouble(): string {
		return this.document.message;
	}
	get canUndo(): boolean {
		return this.document.canUndo;
	}
	restore(): void {
		this.document.restore();
	}
	change(next: Partial<Papers[Kind]>, about: string | null = null): void {
		this.document.set({ ...this.paper, ...next }, about);
	}
	settle(): void {
		this.document.settle();
	}
	undo(): void {
		this.document.undo();
	}
	redo(): void {
		this.document.redo();
	}
	save(): Promise<boolean> {
		return this.document.save();
	}
	stop(): void {
		this.document.stop();
	}
}
