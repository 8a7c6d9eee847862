import type { MoveSupport } from '../model';
import { arm } from './arm';
import type { SupportOfMove } from './contract';
import { fixed } from './fixed';
import { rail } from './rail';
import { walk } from './walk';

const kinds = { fixed, rail, arm, walk };

/** How a support of a move behaves, whichever it is. */
export const behaves = (support: MoveSupport): SupportOfMove<MoveSupport> =>
	kinds[support.kind] as unknown as SupportOfMove<MoveSupport>;
