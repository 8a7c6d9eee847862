import type { SupportKind } from '../kind';

/** Body-worn sleds: a post on a gimbal, balanced statically, in its drop and in its spin. */
export const sled: SupportKind = {
	key: 'sled',
	one: 'sled',
	many: 'sleds',
	sheets: [
		{ path: '', words: 'Bench', view: 'SledBenchView' },
		{ path: 'guide', words: 'Guide', view: 'SledGuideView' },
		{ path: 'drop', words: 'Drop', view: 'DropView' },
		{ path: 'spin', words: 'Spin', view: 'SpinView' },
		{ path: 'reach', words: 'Reach', view: 'ReachView', ofPerson: true },
		{ path: 'trim', words: 'Trim', view: 'TrimView' },
		{ path: 'arm', words: 'Arm and vest', view: 'ArmView', ofPerson: true },
		{ path: 'swap', words: 'Swap', view: 'SledSwapView' }
	],
	ownSheets: [{ path: '', words: 'Sled', view: 'SledEditor' }]
};
