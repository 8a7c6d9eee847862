/** How many rounds a property is tried: all of them with `./poise test --long`, else enough to see that it holds. */
export const rounds = (all: number, some = 50): number =>
	process.env['POISE_LONG'] === '1' ? all : Math.min(all, some);
