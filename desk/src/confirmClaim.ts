import type { Page } from './page';
import type { Station } from './station';

/** Keeps a head that has become a crew's, with its key. */
export type KeepClaimed = (head: {
	readonly id: string;
	readonly name: string;
	readonly kind: string;
	readonly key: Uint8Array;
}) => Promise<void>;

/** Somebody has read digits off a box: the head is the crew's, or it is said why not. */
export async function confirmClaim(page: Page, station: Station, code: string, keep: KeepClaimed): Promise<void> {
	const { id, about } = station.link;
	const refuse = (words: string) => page.tell({ type: 'claimed', head: id, ok: false, words });
	const key = station.link.confirm(code);
	if (key === 'wait')
		return refuse('The head has not answered yet. Wait until the box shows its digits, then send them again.');
	if (key === null || about === null)
		return refuse(
			'Those are not its digits: either another head answered, or somebody stands between. It is free still; claim it anew.'
		);
	try {
		await keep({ id, name: about.name, kind: about.kind, key });
		page.tell({ type: 'claimed', head: id, ok: true, words: '' });
	} catch (thrown) {
		console.error('desk:', thrown);
		station.link.useKey(null);
		refuse('It could not be kept just now. Claim it anew.');
	}
}
